import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { switchMap } from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import {
  type Abrasive,
  type Care,
  caresOf,
  equalGrades,
  kindFacts,
  USUAL_STONE_MM,
} from '@mellow-anvil/core/abrasive';
import { formatDay } from '@mellow-anvil/core/base';
import { Figures } from '../ui/figures';
import { Notices } from '../platform/notices';
import { QuantityField } from '../ui/quantity-field';
import { AbrasivesStore } from '../data/abrasives.store';
import { StonesStore } from '../data/stones.store';
import { CareOfStones } from '../parts/care-of-stones';
import { CARE_DONE, careSentence, stateWord } from '../words/care-words';
import { StoneRate } from './stone-rate';

const SHOWN_CARES = 6;
const GRADE_NAMES = { 'FEPA-P': 'P', 'FEPA-F': 'F', ANSI: 'ANSI ', JIS: 'JIS #', UM: '' } as const;

/** How one stone stands, what was done for it, and what its own record taught of its rate. */
@Component({
  selector: 'ma-stone-life',
  imports: [Button, QuantityField, StoneRate],
  templateUrl: './stone-life.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.9rem;
    }
    .two {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 25rem), 1fr));
      gap: 0.9rem 2rem;
      align-items: start;
    }
    svg {
      width: 100%;
      max-width: 30rem;
    }
    .stone {
      fill: color-mix(in srgb, var(--water) 25%, var(--panel));
      stroke: var(--water);
      stroke-width: 1.5;
    }
    .edge {
      stroke: var(--ink);
      stroke-dasharray: 5 4;
    }
    text {
      fill: var(--muted);
      font-size: 15px;
    }
    section {
      border-top: 3px solid var(--leather);
      padding-top: 0.4rem;
      display: grid;
      gap: 0.5rem;
    }
    h2 {
      font-size: 1.15rem;
      margin: 0;
    }
    p {
      margin: 0;
    }
    .grades {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 1.4rem;
      font-variant-numeric: tabular-nums;
    }
    .due {
      color: var(--danger);
    }
    .doing {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem;
      align-items: end;
    }
    .whole {
      flex: 1 1 100%;
    }
    .doing ma-quantity + p-button {
      padding-bottom: 1.55rem;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      max-width: 34rem;
    }
    li {
      display: grid;
      grid-template-columns: 8rem 1fr auto;
      align-items: center;
      border-bottom: 1px solid var(--line);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StoneLifePanel {
  readonly stone = input.required<Stored<Abrasive> & { readonly sizeUm: number }>();
  readonly forget = output<void>();

  protected readonly figures = inject(Figures);
  protected readonly care = inject(CareOfStones);
  private readonly bench = inject(StonesStore);
  private readonly notices = inject(Notices);
  private readonly stones = toSignal(inject(AbrasivesStore).items$, { initialValue: [] });
  protected readonly shown = SHOWN_CARES;
  protected readonly day = formatDay;
  protected readonly doneWords = CARE_DONE;
  protected readonly hollowMm = signal<number | undefined>(undefined);
  protected readonly hollowRead = computed(
    () => Number.isFinite(this.hollowMm() ?? NaN) && (this.hollowMm() ?? -1) >= 0,
  );

  private readonly id = computed(() => this.stone().id);
  protected readonly life = toSignal(toObservable(this.id).pipe(switchMap((id) => this.bench.life(id))));
  protected readonly cares = computed(() => caresOf(this.stone()));
  protected readonly planned = computed(() => kindFacts(this.stone().kind).factor !== undefined);
  protected readonly word = computed(() => stateWord(this.stone(), this.life()?.care));
  protected readonly says = computed(() => {
    const care = this.life()?.care;
    return care ? careSentence(this.stone(), care, this.figures) : '';
  });
  protected readonly shownCares = computed(() => this.life()?.cares.slice(0, SHOWN_CARES) ?? []);
  /** What else lies on the same plate. */
  protected readonly samePlate = computed(() => {
    const { id, sheets } = this.stone();
    if (!sheets?.plate) return '';
    const others = this.stones().filter((each) => each.id !== id && each.sheets?.plate === sheets.plate);
    const face = sheets.face ? `, ${sheets.face} face` : '';
    const named = others.map(
      (each) => `${each.name}${each.sheets?.face ? ` (${each.sheets.face} face)` : ''}`,
    );
    return `On ${sheets.plate}${face}${named.length > 0 ? `, with ${named.join(', ')}` : ''}.`;
  });

  /** The stone end on, its hollow deepened so that it can be seen. */
  protected readonly drawn = computed(() => {
    const across = this.life()?.care.acrossUm;
    if (!across || Math.max(...across) < 1) return undefined;
    const deepest = Math.max(...across);
    const widthMm = this.stone().widthMm ?? USUAL_STONE_MM.widthMm;
    // The deepest place is drawn 22 units down, of 408 across.
    const times = ((22 / deepest) * 1000) / (408 / widthMm);
    const at = across.map(
      (um, i) =>
        `${(6 + (408 * i) / (across.length - 1)).toFixed(1)} ${(14 + (22 * um) / deepest).toFixed(1)}`,
    );
    return {
      stone: `M${at.join('L')}V48H6Z`,
      words: `End on, the hollow ${this.figures.number(Math.round(times / 10) * 10, 0)} times as deep as it is`,
    };
  });
  /** The grades nearest to its grain, all five systems side by side. */
  protected readonly grades = computed(() =>
    equalGrades(this.stone().sizeUm).map(({ standard, grade, sizeUm }) =>
      standard === 'UM'
        ? `${this.figures.number(sizeUm, 1)} µm`
        : `≈ ${GRADE_NAMES[standard]}${grade} (${this.figures.number(sizeUm, 1)} µm)`,
    ),
  );

  protected careWords({ kind, hollowUm, minutes, who }: Care): string {
    const more = [
      ...(hollowUm === undefined ? [] : [this.figures.sliver(hollowUm / 1000)]),
      ...(minutes === undefined ? [] : [this.figures.minutes(minutes)]),
      ...(who === undefined ? [] : [who]),
    ];
    return [CARE_DONE[kind], ...more].join(', ');
  }

  protected noteHollow(): void {
    this.care.done(this.stone(), 'straightedge', {
      hollowUm: Math.round((this.hollowMm() ?? 0) * 1e6) / 1000,
    });
    this.hollowMm.set(undefined);
  }

  protected takeBack(care: Stored<Care>): void {
    this.bench.takeBack(care).subscribe({
      next: () => this.notices.done('Taken back. Undo brings it back.'),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
