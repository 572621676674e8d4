import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ButtonDirective } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
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
  imports: [Backups, ButtonDirective, FormsModule, InputText, OpenFile, SelectButton],
  template: `
    <div class="room">
      <header><h1>Settings</h1></header>
      <section>
        <div class="field">
          <label for="workshop-name">Name of the workshop</label>
          <input
            pInputText
            id="workshop-name"
            maxlength="80"
            autocomplete="off"
            [ngModel]="settings().name"
            [ngModelOptions]="{ updateOn: 'blur' }"
            (ngModelChange)="change({ name: $event })"
          />
        </div>
        <div class="field">
          <span class="label" id="units-label">Lengths</span>
          <p-selectButton
            ariaLabelledBy="units-label"
            [options]="units"
            optionLabel="label"
            optionValue="value"
            [allowEmpty]="false"
            [ngModel]="settings().units"
            (ngModelChange)="change({ units: $event })"
          />
        </div>
        <div class="field">
          <span class="label" id="mark-label">Decimals</span>
          <p-selectButton
            ariaLabelledBy="mark-label"
            [options]="marks"
            optionLabel="label"
            optionValue="value"
            [allowEmpty]="false"
            [ngModel]="settings().decimalMark"
            (ngModelChange)="change({ decimalMark: $event })"
          />
          <small class="muted">Both are read wherever you type.</small>
        </div>
        <div class="field">
          <span class="label" id="theme-label">Look, on this screen</span>
          <p-selectButton
            ariaLabelledBy="theme-label"
            [options]="themes"
            optionLabel="label"
            optionValue="value"
            [allowEmpty]="false"
            [ngModel]="theme()"
            (ngModelChange)="themeService.choose($event)"
          />
        </div>
      </section>
      <h2>The workshop file</h2>
      <section>
        <p>
          Everything you entered, as one open JSON file to carry away, back up or move to another machine.
        </p>
        <a pButton [outlined]="true" href="/api/workshop" download>Save the workshop as a file</a>
        <ma-open-file />
        <p class="muted">
          Its form is published at
          <a href="/api/workshop.schema.json">workshop.schema.json</a>
          ; every address of the server is described at
          <a href="/api/openapi.json">openapi.json</a>
          .
        </p>
      </section>
      <h2>Undo</h2>
      <section>
        @if (kept(); as k) {
          <p>
            The last {{ k.commands }} changes can be taken back, or fewer where together they hold more than
            {{ k.megabytes }} MB, as opening large workshop files does. The newest always can.
          </p>
        }
      </section>
      <h2 id="backups">Backups</h2>
      <section>
        <ma-backups />
      </section>
      <h2>About</h2>
      <section>
        <p>
          Mellow Anvil {{ version() }}, under the MIT licence. The letters are Atkinson Hyperlegible Next,
          under the SIL Open Font Licence; the packages it stands on are listed in
          <a href="/notices.txt">their notices</a>
          .
        </p>
        <p class="muted">
          It advises; it does not see your edge. Makers’ instructions, workplace rules and local law come
          before anything shown here, and where someone competent is in charge, ask them.
        </p>
      </section>
    </div>
  `,
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
      min-height: 44px;
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
