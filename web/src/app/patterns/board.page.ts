import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { formatDay, unlessRefused } from '@mellow-anvil/core/base';
import {
  boardShifts,
  type BoardSizes,
  type BoardStop,
  MOST_STOPS,
  movedStops,
  nextLabel,
  type SettingBoard,
  type StopAsked,
} from '@mellow-anvil/core/guide';
import { boardPattern } from '@mellow-anvil/core/pattern';
import { GuidesStore } from '../data/guides.store';
import { ChoiceField } from '../ui/choice-field';
import { contentOf } from '../data/collection.store';
import { Draft, placed } from '../ui/draft';
import { Figures } from '../ui/figures';
import { LineField } from '../ui/line-field';
import { QuantityField } from '../ui/quantity-field';
import {
  BOARD_SIZES,
  askedOf,
  cut,
  formOf,
  laidOut,
  newBoard,
  rollersOf,
  type BoardForm,
} from './board-draft';
import { BoardsStore } from '../data/boards.store';
import { PatternDrawing, type Slid, type Slide } from '../drawings/pattern-drawing';
import { shiftWords, stopWords } from '../words/stop-words';
import { TakeAway } from '../ui/take-away';
import { changed as amended, type FieldChange } from '../platform/change';

/** One setting board: its guide, its stops drawn where they are cut, and its files. */
@Component({
  selector: 'ma-board',
  imports: [
    Button,
    ButtonDirective,
    ChoiceField,
    LineField,
    PatternDrawing,
    QuantityField,
    RouterLink,
    TakeAway,
  ],
  templateUrl: './board.page.html',
  styles: `
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
      gap: 0.9rem 1.2rem;
    }
    table {
      border-collapse: collapse;
      width: 100%;
      max-width: 52rem;
    }
    th,
    td {
      text-align: left;
      padding: 0.25rem 0.6rem 0.25rem 0;
      vertical-align: top;
    }
    .figure {
      font-size: 1.3rem;
      padding-top: 0.6rem;
    }
    td ma-line {
      max-width: 5rem;
    }
    .number {
      text-align: right;
    }
    .moved {
      border-left: var(--mark) solid var(--accent);
      background: var(--accent-wash);
      padding: 0.7rem 1rem;
      display: grid;
      gap: 0.5rem;
      justify-items: start;
    }
    ul {
      margin: 0;
      padding-left: 1.2rem;
    }
    @media (max-width: 40rem) {
      /* A stop's figures stand below each other; each field keeps its own label for those who hear it. */
      thead {
        display: none;
      }
      tbody,
      tr,
      td {
        display: block;
      }
      tr {
        display: grid;
        grid-template-columns: 5rem minmax(0, 1fr) auto;
        border-top: 1px solid var(--line);
        padding: 0.4rem 0;
      }
      td:nth-child(4) {
        grid-column: 1 / 3;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BoardPage {
  /** From the address: a board's id, or what a new one begins with. */
  readonly id = input<string>();
  readonly guide = input<string>();
  readonly seat = input<string>();
  readonly angles = input<string>();

  private readonly store = inject(BoardsStore);
  private readonly router = inject(Router);
  private readonly figures = inject(Figures);
  private readonly boards = toSignal(this.store.items$, { initialValue: [] });
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });
  private readonly rollers = computed(() => rollersOf(this.guides()));

  protected readonly sizes = BOARD_SIZES;
  protected readonly mostStops = MOST_STOPS;
  protected readonly none = NaN;
  protected readonly day = formatDay;
  protected readonly editor = new Draft<SettingBoard, BoardForm>({
    keeper: this.store,
    schema: 'boardDraftSchema',
    begin: newBoard([], {}),
    draftOf: formOf,
    sent: askedOf,
    ...placed('bench'),
  });
  protected readonly stored = this.editor.stored;
  protected readonly draft = this.editor.draft;
  /** Whether what is drawn differs from what is kept, which the files are made of. */
  protected readonly changed = computed(() => {
    const stored = this.stored();
    return (
      stored && JSON.stringify(askedOf(this.draft())) !== JSON.stringify(askedOf(formOf(contentOf(stored))))
    );
  });

  protected readonly chosen = computed(() => this.rollers().find(({ id }) => id === this.draft().guideId));
  private readonly chosenSeat = computed(() =>
    this.chosen()?.seats.find(({ name }) => name === this.draft().seatName),
  );
  protected readonly underside = computed(() => this.chosenSeat()?.registers === 'underside');
  protected readonly guideOptions = computed(() =>
    this.rollers().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly seatOptions = computed(() =>
    (this.chosen()?.seats ?? []).map(({ name }) => ({ value: name, label: name })),
  );
  protected readonly camOptions = computed(() => [
    { value: 0, label: 'At rest' },
    ...(this.chosen()?.camRisesMm ?? []).map((rise, i) => ({ value: rise, label: `Step ${i + 1}` })),
  ]);

  private readonly cut = computed(() => cut(this.draft(), this.chosen(), this.stored()));

  protected readonly pattern = computed(() => {
    const { stops } = this.cut();
    const guide = this.chosen();
    if (!stops || !guide) return undefined;
    const { revision = 1, cutOn = 'not cut yet' } = this.stored() ?? {};
    const draft = this.draft();
    return boardPattern(
      { ...draft, stops, revision, cutOn },
      `${guide.name}, ${draft.seatName}`,
      this.figures.patternHand(),
    );
  });

  protected readonly slides = computed((): readonly Slide[] => {
    const { lengthMm, stopWidthMm, stopDepthMm } = this.draft();
    return (this.cut().stops ?? []).map(({ label, alongMm, projectionMm }) => ({
      label,
      at: { x: alongMm, y: projectionMm + stopDepthMm },
      least: stopWidthMm / 2,
      most: Math.max(stopWidthMm / 2, lengthMm - stopWidthMm / 2),
      words: `${this.figures.length(alongMm, 1)} from the left end`,
    }));
  });

  /** What the guide, as it measures now, has against the board as it was cut. */
  protected readonly moved = computed(() => {
    const [board, guide] = [this.stored(), this.guides().find(({ id }) => id === this.stored()?.guideId)];
    if (!board || !guide) return undefined;
    const moved = unlessRefused(() => movedStops(boardShifts(guide, board)));
    if (!moved?.length) return undefined;
    return {
      title: moved.length === 1 ? 'one stop moved' : `${moved.length} stops moved`,
      lines: moved.map((shift) => shiftWords(shift, this.figures)),
    };
  });

  constructor() {
    effect(() => {
      const found = this.boards().find(({ id }) => id === this.id());
      const rollers = this.rollers();
      untracked(() => {
        this.editor.load(found);
        if (!this.id() && this.draft().guideId === '' && rollers.length > 0) this.begin();
      });
    });
  }

  /** What is wrong at a field: by the guide now, else as the contract or the server had it. */
  protected said(field: string): string {
    return this.cut().wrong[field] ?? this.editor.sentences()[field] ?? '';
  }

  protected projection(i: number): string {
    const stop = this.cut().stops?.[i];
    return stop ? this.figures.length(stop.projectionMm) : '';
  }

  protected stopsIn(stops: readonly BoardStop[]): string {
    return stops.map((stop) => stopWords(stop, this.figures)).join('; ');
  }

  protected set(change: FieldChange<BoardForm>): void {
    this.editor.set(change);
  }

  protected setSize(field: keyof BoardSizes, value: number | undefined): void {
    this.set(Object.fromEntries([[field, value ?? NaN]]));
  }

  protected chooseGuide(guideId: string): void {
    const guide = this.rollers().find(({ id }) => id === guideId);
    this.set({ guideId, camRiseMm: undefined });
    if (guide?.seats[0]) this.chooseSeat(guide.seats[0].name);
  }

  protected chooseSeat(seatName: string): void {
    const underside = this.chosen()?.seats.find(({ name }) => name === seatName)?.registers === 'underside';
    this.set({ seatName, bladeThicknessMm: underside ? (this.draft().bladeThicknessMm ?? 3) : undefined });
  }

  protected setStop(at: number, change: FieldChange<StopAsked>): void {
    this.set({ stops: this.draft().stops.map((stop, i) => (i === at ? amended(stop, change) : stop)) });
  }

  protected slide({ label, toMm }: Slid): void {
    this.setStop(
      this.draft().stops.findIndex((stop) => stop.label === label),
      { alongMm: toMm },
    );
  }

  protected add(): void {
    const { stops } = this.draft();
    const label = nextLabel(stops.map((stop) => stop.label));
    const angleDeg = Math.min(80, (stops.at(-1)?.angleDeg || 20) + 5);
    this.editor.draft.set(
      laidOut({ ...this.draft(), stops: [...stops, { label, angleDeg }] }, this.chosen()),
    );
  }

  protected drop(at: number): void {
    this.set({ stops: this.draft().stops.filter((_, i) => i !== at) });
  }

  protected layOut(): void {
    this.editor.draft.set(laidOut(this.draft(), this.chosen()));
  }

  protected async keep(again = false): Promise<void> {
    if (again) this.editor.set({ again });
    const kept = await this.editor.keep();
    this.editor.set({ again: undefined });
    if (!kept) return;
    if (this.id() !== kept.id) void this.router.navigate(['/patterns', kept.id]);
  }

  protected async remove(): Promise<void> {
    if (await this.editor.remove()) void this.router.navigate(['/patterns']);
  }

  /** A new board for what the address asks: a guide, a seat, and angles with commas between. */
  private begin(): void {
    const angles = (this.angles() ?? '')
      .split(',')
      .map(Number)
      .filter((deg) => deg > 0 && deg < 90)
      .slice(0, MOST_STOPS);
    this.editor.draft.set(
      newBoard(this.rollers(), {
        guideId: this.guide(),
        seatName: this.seat(),
        ...(angles.length > 0 && { angles }),
      }),
    );
  }
}
