import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Button } from 'primeng/button';
import { RefreshIcon } from 'primeng/icons/refresh';
import { UndoIcon } from 'primeng/icons/undo';
import { Toast } from 'primeng/toast';
import { filter, map, startWith } from 'rxjs';
import { DEFAULT_SETTINGS } from '@mellow-anvil/core/workshop';
import { Rail } from './rail';
import { BackupsStore } from '../data/backups.store';
import { Damaged } from './damaged';
import { KeepingWords } from './keeping-words';
import { About } from '../parts/about';
import { RunsStore } from '../data/runs.store';
import { SettingsStore } from '../data/settings.store';
import { Notices } from '../platform/notices';
import { Undo } from '../platform/undo.store';
import { ThemeService } from '../ui/theme/theme.service';

/** The frame: rooms at the top, the rail always at the bottom, one room between. */
@Component({
  selector: 'ma-root',
  imports: [
    Button,
    Damaged,
    KeepingWords,
    Rail,
    RefreshIcon,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
    Toast,
    UndoIcon,
  ],
  template: `
    <a class="skip" href="#room" (click)="skip($event)">Skip to the room</a>
    @if (!fullScreen()) {
      <header>
        <a class="brand" routerLink="/" aria-label="Mellow Anvil">
          <svg viewBox="0 0 32 32" width="28" height="28" aria-hidden="true">
            <path d="M2 23 22 23 30 10 13 10Z" class="blade" />
            <path d="M2 23 9.6 23 16.4 12.6 13 10Z" class="bevel" />
          </svg>
          <span>Mellow Anvil</span>
          <small>{{ version() }}</small>
        </a>
        @if (!damage()) {
          <nav aria-label="Rooms">
            <a routerLink="/" [class.here]="onBench()" [attr.aria-current]="onBench() ? 'page' : null">
              Bench
            </a>
            <a routerLink="/stones" routerLinkActive="here" ariaCurrentWhenActive="page">Stones</a>
            <a routerLink="/guides" routerLinkActive="here" ariaCurrentWhenActive="page">Guides</a>
            <a routerLink="/patterns" routerLinkActive="here" ariaCurrentWhenActive="page">Patterns</a>
            <a routerLink="/strop" routerLinkActive="here" ariaCurrentWhenActive="page">Strop</a>
            <a routerLink="/puzzle" routerLinkActive="here" ariaCurrentWhenActive="page">Puzzle</a>
            <a routerLink="/ledger" routerLinkActive="here" ariaCurrentWhenActive="page">Ledger</a>
            <a routerLink="/settings" routerLinkActive="here" ariaCurrentWhenActive="page">Settings</a>
          </nav>
          @if (openRun(); as open) {
            <a class="open-run" [routerLink]="['/bench', open.id]">At the bench: go on</a>
          }
          <span class="workshop">{{ name() }}</span>
          <div class="undo">
            <p-button
              label="Undo"
              [ariaLabel]="undoWords()"
              [disabled]="!undoable().length"
              [text]="true"
              styleClass="on-slate"
              (onClick)="turn('undo')"
              [attr.title]="undoWords()"
            >
              <ng-template #icon><svg data-p-icon="undo" aria-hidden="true"></svg></ng-template>
            </p-button>
            <p-button
              label="Redo"
              [ariaLabel]="redoWords()"
              [disabled]="!redoable().length"
              [text]="true"
              styleClass="on-slate"
              (onClick)="turn('redo')"
              [attr.title]="redoWords()"
            >
              <ng-template #icon><svg data-p-icon="refresh" aria-hidden="true"></svg></ng-template>
            </p-button>
          </div>
        }
      </header>
    }
    @if (!damage()) {
      <ma-keeping-words />
    }
    <main id="room" tabindex="-1">
      @if (damage(); as found) {
        <ma-damaged [damage]="found" />
      } @else {
        <router-outlet />
      }
    </main>
    @if (!fullScreen() && !damage()) {
      <ma-rail [planning]="planning()" />
    }
    <p-toast position="bottom-right" />
  `,
  styleUrl: './app.css',
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
  protected readonly onBench = computed(() => this.url() === '/' || this.url().startsWith('/tools'));
  /** At the bench there is nothing but the step at hand. */
  protected readonly fullScreen = computed(() => /^\/(bench|card)\//.test(this.url()));
  protected readonly planning = computed(() => /^\/tools\/[^/]+\/plan$/.test(this.url()));

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
