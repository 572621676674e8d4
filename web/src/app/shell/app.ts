import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterOutlet } from '@angular/router';
import { Button } from 'primeng/button';
import { RefreshIcon } from 'primeng/icons/refresh';
import { UndoIcon } from 'primeng/icons/undo';
import { Toast } from 'primeng/toast';
import { filter, map, startWith } from 'rxjs';
import { DEFAULT_SETTINGS } from '@mellow-anvil/core/workshop';
import { BackupsStore } from '../data/backups.store';
import { Damaged } from './damaged';
import { KeepingWords } from './keeping-words';
import { About } from '../parts/about';
import { RunsStore } from '../data/runs.store';
import { SettingsStore } from '../data/settings.store';
import { Notices } from '../platform/notices';
import { Undo } from '../platform/undo.store';
import { ThemeService } from '../ui/theme/theme.service';

/** The rooms, in the order of a day; those gone to often are at the thumb on a phone, the others one tap further. */
const ROOMS = [
  { path: '/', label: 'Bench', often: true },
  { path: '/stones', label: 'Stones', often: true },
  { path: '/guides', label: 'Guides', often: false },
  { path: '/patterns', label: 'Patterns', often: false },
  { path: '/strop', label: 'Strop', often: true },
  { path: '/puzzle', label: 'Puzzle', often: true },
  { path: '/ledger', label: 'Ledger', often: false },
  { path: '/settings', label: 'Settings', often: false },
] as const;

/** The frame: one line with the rooms, and the room at hand. */
@Component({
  selector: 'ma-root',
  imports: [Button, Damaged, KeepingWords, RefreshIcon, RouterLink, RouterOutlet, Toast, UndoIcon],
  templateUrl: './app.html',
  styleUrl: './app.css',
  host: { '[class.framed]': '!fullScreen()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  private readonly undo = inject(Undo);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);

  protected readonly version = toSignal(inject(About).version$, { initialValue: '' });
  private readonly settings = toSignal(inject(SettingsStore).settings$, {
    initialValue: { ...DEFAULT_SETTINGS, version: 0 },
  });
  protected readonly name = computed(() => this.settings().name);
  private readonly keeping = toSignal(inject(BackupsStore).list$);
  /** Nothing else can be shown while the workshop's file is damaged. */
  protected readonly damage = computed(() => this.keeping()?.damage);
  private readonly openRuns = toSignal(inject(RunsStore).open$, { initialValue: [] });
  protected readonly openRun = computed(() => this.openRuns()[0]);
  protected readonly undoable = toSignal(this.undo.undoable$, { initialValue: [] });
  protected readonly redoable = toSignal(this.undo.redoable$, { initialValue: [] });
  protected readonly undoWords = computed(() => wordsFor('Undo', this.undoable()[0]?.label));
  protected readonly redoWords = computed(() => wordsFor('Redo', this.redoable()[0]?.label));
  private readonly url = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map((event) => event.urlAfterRedirects),
      startWith(this.router.url),
    ),
    { initialValue: '/' },
  );
  protected readonly rooms = ROOMS;
  /** Whether a phone shows every room. */
  protected readonly allRooms = signal(false);
  /** The path of the room at hand; tools stand on the bench. */
  protected readonly here = computed(() => {
    const [, first = ''] = /^\/(\w*)/.exec(this.url()) ?? [];
    return first === 'tools' ? '/' : `/${first}`;
  });
  protected readonly lessOften = computed(() =>
    ROOMS.some(({ path, often }) => !often && path === this.here()),
  );
  /** At the bench there is nothing but the step at hand. */
  protected readonly fullScreen = computed(() => /^\/(bench|card)\//.test(this.url()));

  constructor() {
    inject(ThemeService);
  }

  protected skip(event: Event): void {
    event.preventDefault();
    document.getElementById('room')?.focus();
  }

  protected turn(way: 'undo' | 'redo'): void {
    this.undo[way]().subscribe({
      next: ({ label }) => this.notices.done(way === 'undo' ? `Undone: ${label}.` : `Done again: ${label}.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}

function wordsFor(verb: string, label: string | undefined): string {
  return label === undefined ? `${verb}: nothing` : `${verb}: ${label}`;
}
