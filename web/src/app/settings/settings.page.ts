import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import { USUAL_LATE_COSTS } from '@mellow-anvil/core/record';
import { DEFAULT_SETTINGS, type Settings } from '@mellow-anvil/core/workshop';
import { Backups } from './backups';
import { map } from 'rxjs';
import { Notices } from '../platform/notices';
import { Undo } from '../platform/undo.store';
import { ThemeService, type Theme } from '../ui/theme/theme.service';
import { About } from '../parts/about';
import { OpenFile } from '../parts/open-file';
import { SettingsStore } from '../data/settings.store';

/** How figures are written, how it looks, and the workshop file in and out. */
@Component({
  selector: 'ma-settings',
  imports: [Backups, ButtonDirective, FormsModule, InputText, OpenFile, RouterLink, SelectButton],
  templateUrl: './settings.page.html',
  styles: `
    section {
      display: grid;
      gap: 1rem;
      justify-items: start;
      max-width: 44rem;
    }
    .field {
      display: grid;
      gap: 0.25rem;
    }
    label,
    .label {
      font-weight: 700;
      font-size: 0.95rem;
    }
    input {
      min-height: var(--touch);
      width: 20rem;
      max-width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingsPage {
  private readonly store = inject(SettingsStore);
  private readonly notices = inject(Notices);
  protected readonly themeService = inject(ThemeService);
  private readonly about = toSignal(inject(About).version$);
  protected readonly version = computed(() => this.about() ?? '');
  protected readonly settings = toSignal(this.store.settings$, {
    initialValue: { ...DEFAULT_SETTINGS, version: 0 },
  });
  protected readonly kept = toSignal(
    inject(Undo).kept$.pipe(
      map(({ commands, bytes }) => ({ commands, megabytes: Math.round(bytes / 2 ** 20) })),
    ),
  );
  protected readonly theme = toSignal(this.themeService.theme$, { initialValue: 'system' as Theme });
  protected readonly units = [
    { value: 'mm', label: 'Millimetres' },
    { value: 'inch', label: 'Inches' },
  ];
  protected readonly marks = [
    { value: 'point', label: '12.5' },
    { value: 'comma', label: '12,5' },
  ];
  protected readonly usualLateCosts = USUAL_LATE_COSTS;
  protected readonly lateCosts = [
    { value: 1, label: 'As much' },
    { value: 2, label: 'Twice' },
    { value: USUAL_LATE_COSTS, label: 'A little over twice, as usual' },
    { value: 4, label: 'Four times' },
    { value: 10, label: 'Ten times' },
  ];
  protected readonly themes = [
    { value: 'system', label: 'As the system' },
    { value: 'light', label: 'Light' },
    { value: 'dark', label: 'Dark' },
  ];

  protected change(change: Partial<Settings>): void {
    this.store.change(change).subscribe({
      error: (reason: unknown) => {
        this.notices.refused(reason);
        this.store.load();
      },
    });
  }
}
