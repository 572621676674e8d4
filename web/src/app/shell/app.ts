import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterOutlet } from '@angular/router';
import { Button } from 'primeng/button';
import { RefreshIcon } from 'primeng/icons/refresh';
import { SearchIcon } from 'primeng/icons/search';
import { UndoIcon } from 'primeng/icons/undo';
import { Toast } from 'primeng/toast';
import { filter, map, startWith } from 'rxjs';
import { DEFAULT_SETTINGS } from '@mellow-anvil/core/workshop';
import { BackupsStore } from '../data/backups.store';
import { Damaged } from './damaged';
import { GoTo } from './go-to';
import { KeepingWords } from './keeping-words';
import { KeySheet } from './key-sheet';
import { Keys } from './keys';
import { ROOMS } from './rooms';
import { About } from '../parts/about';
import { RunsStore } from '../data/runs.store';
import { SettingsStore } from '../data/settings.store';
import { Notices } from '../platform/notices';
import { Undo } from '../platform/undo.store';
import { ThemeService } from '../ui/theme/theme.service';

/** The frame: one line with the rooms, and the room at hand. */
@Component({
  selector: 'ma-root',
  imports: [
    Button,
    Damaged,
    GoTo,
    KeepingWords,
    KeySheet,
    RefreshIcon,
    RouterLink,
    RouterOutlet,
    SearchIcon,
    Toast,
    UndoIcon,
  ],
  templateUrl: './app.html',
  styleUrl: './app.css',
  host: { '[class.framed]': '!fullScreen()', '(document:keydown)': 'key($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  private readonly undo = inject(Undo);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly keys = inject(Keys);

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

  /** What lies over the room. */
  protected readonly over = signal<'go-to' | 'keys' | undefined>(undefined);

  constructor() {
    inject(ThemeService);
  }

  /** A key pressed wherever one is; the bench has keys of its own. */
  protected key(event: KeyboardEvent): void {
    const asked = this.fullScreen() || this.damage() ? undefined : this.keys.asked(event);
    if (asked === undefined) return;
    if (asked === 'undo' || asked === 'redo') {
      if ((asked === 'undo' ? this.undoable() : this.redoable()).length > 0) this.turn(asked);
    } else if (asked === 'go-to' || asked === 'keys') {
      this.over.set(asked);
    } else {
      const [, tool] = /^\/tools\/([^/]+)/.exec(this.url()) ?? [];
      if (tool === undefined || tool === 'new') return;
      void this.router.navigate(['/tools', tool, asked.side]);
    }
    event.preventDefault();
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
