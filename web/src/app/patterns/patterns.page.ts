import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { PlusIcon } from 'primeng/icons/plus';
import { unlessRefused } from '@mellow-anvil/core/base';
import { boardShifts, movedStops } from '@mellow-anvil/core/guide';
import { boardPattern } from '@mellow-anvil/core/pattern';
import { DEFAULT_SETTINGS, PRINTED_BAR_MM } from '@mellow-anvil/core/workshop';
import type { Paper } from '@mellow-anvil/contract';
import { GuidesStore } from '../data/guides.store';
import { SettingsStore } from '../data/settings.store';
import { Checks, type Sentences } from '../ui/checks';
import { ChoiceField } from '../ui/choice-field';
import { Figures } from '../ui/figures';
import { Notices } from '../platform/notices';
import { QuantityField } from '../ui/quantity-field';
import { BoardsStore } from '../data/boards.store';
import { PaperChoice } from '../data/paper-choice';
import { PatternDrawing } from '../drawings/pattern-drawing';
import { SpotPatterns } from './spot-patterns';
import { stopWords } from '../words/stop-words';
import { TakeAway } from '../ui/take-away';

const PAPERS: readonly { readonly value: Paper; readonly label: string }[] = [
  { value: 'a4', label: 'A4' },
  { value: 'letter', label: 'Letter' },
];

/** What leaves the screen at true size: setting boards, gauges, templates, and the printer they suit. */
@Component({
  selector: 'ma-patterns',
  imports: [
    ButtonDirective,
    ChoiceField,
    PatternDrawing,
    PlusIcon,
    QuantityField,
    RouterLink,
    SpotPatterns,
    TakeAway,
  ],
  templateUrl: './patterns.page.html',
  styles: `
    header a {
      margin-left: auto;
    }
    article {
      --drawing-height: 13rem;
      border-top: 3px solid var(--leather);
      padding-top: 0.7rem;
      display: grid;
      grid-template-columns: minmax(15rem, 2fr) minmax(0, 3fr);
      gap: 1.2rem;
      align-items: start;
    }
    .words {
      display: grid;
      gap: 0.5rem;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    .moved {
      border-left: var(--mark) solid var(--accent);
      padding-left: 0.7rem;
    }
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 0.9rem 1.6rem;
    }
    @media (max-width: 60rem) {
      article {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PatternsPage {
  protected readonly figures = inject(Figures);
  private readonly settings = inject(SettingsStore);
  private readonly checks = inject(Checks);
  private readonly notices = inject(Notices);
  private readonly choice = inject(PaperChoice);
  private readonly stored = toSignal(inject(BoardsStore).items$, { initialValue: [] });
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });
  private readonly chosen = toSignal(this.settings.settings$, {
    initialValue: { ...DEFAULT_SETTINGS, version: 0 },
  });
  protected readonly papers = PAPERS;
  protected readonly paper = toSignal(this.choice.paper$, { requireSync: true });
  protected readonly bar = PRINTED_BAR_MM;
  protected readonly bars = computed(
    () => this.chosen().printer ?? { acrossMm: PRINTED_BAR_MM, upMm: PRINTED_BAR_MM },
  );
  protected readonly wrong = signal<Sentences>({});

  protected readonly boards = computed(() =>
    this.stored().map((board) => {
      const guide = this.guides().find(({ id }) => id === board.guideId);
      const moved = guide && unlessRefused(() => movedStops(boardShifts(guide, board)));
      const of = `${guide?.name ?? 'a guide no longer here'}, ${board.seatName}`;
      return {
        id: board.id,
        name: board.name,
        revision: board.revision,
        of,
        stops: board.stops.map((stop) => stopWords(stop, this.figures)),
        moved: moved?.length
          ? `The guide was measured again: ${moved.length === 1 ? 'one stop has' : `${moved.length} stops have`} moved. Open the board to see by how much.`
          : '',
        pattern: boardPattern(board, of, this.figures.patternHand()),
      };
    }),
  );

  protected choosePaper(paper: Paper): void {
    this.choice.choose(paper);
  }

  protected async measured(change: Partial<{ acrossMm: number; upMm: number }>): Promise<void> {
    const printer = { ...this.bars(), ...change };
    const { name, units, decimalMark } = this.chosen();
    this.wrong.set(await this.checks.sentencesFor('settingsSchema', { name, units, decimalMark, printer }));
    if (Object.keys(this.wrong()).length > 0) return;
    this.settings.change({ printer }).subscribe({
      next: () => this.notices.done('Kept: every page is corrected for this printer.'),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
