import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  amount,
  edgeIntervals,
  isKeptByStrop,
  nextSpell,
  type Session,
  surviving,
  tellsLife,
  type ToolRecord,
  USUAL_LATE_COSTS,
  type UsualOf,
} from '@mellow-anvil/core/record';
import { SurvivalDrawing } from '../../drawings/survival-drawing';
import { Figures } from '../../ui/figures';
import { Why, type Reason } from '../../ui/why';

/** Length of the axis that ranges are drawn on, in the drawing’s own units. */
const AXIS = 200;

interface Row {
  readonly name: string;
  readonly lasts: string;
  readonly range: string;
  readonly middle: number;
  readonly beside: string;
}

interface Group {
  readonly title: string;
  readonly rows: readonly Row[];
  readonly says?: string;
}

/** How long an edge of this tool lasts, with its doubt: drawn, by wood and by angle, and what an angle costs a year. */
@Component({
  selector: 'ma-edge-life-panel',
  imports: [SurvivalDrawing, Why],
  templateUrl: './edge-life-panel.html',
  styles: `
    :host {
      display: grid;
      gap: 0.4rem;
      grid-template-columns: minmax(0, 1fr);
    }
    p,
    h2,
    h3 {
      margin: 0;
    }
    h3 {
      font-size: 1rem;
      padding-top: 0.4rem;
    }
    .answer {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.7rem;
      align-items: baseline;
    }
    .answer .figure {
      font-size: 2rem;
      line-height: 1.1;
    }
    .answer span,
    .key,
    small {
      color: var(--muted);
    }
    .key {
      font-size: 0.9rem;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: 8rem 13rem minmax(4rem, 1fr) minmax(0, 1.2fr);
      gap: 0 0.8rem;
      align-items: center;
      padding: 0.2rem 0;
      border-bottom: 1px solid var(--line);
    }
    li svg {
      display: block;
      width: 100%;
      overflow: visible;
    }
    .axis {
      stroke: var(--line);
    }
    .range {
      stroke: var(--leather);
      stroke-width: 4;
    }
    circle {
      fill: var(--accent);
    }
    @media (max-width: 40rem) {
      li {
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EdgeLifePanel {
  readonly record = input.required<ToolRecord>();
  /** In order of time. */
  readonly sessions = input.required<readonly Session[]>();

  private readonly figures = inject(Figures);
  protected readonly life = computed(() => this.record().life);
  protected readonly tells = computed(() => {
    const life = this.life();
    return life !== undefined && tellsLife(life);
  });
  protected readonly seen = computed(() => {
    const life = this.life();
    return life ? surviving(edgeIntervals(life.measure, this.sessions())) : [];
  });

  protected words(of: number): string {
    const life = this.life();
    return life ? amount(of, life.measure, this.figures.hand()) : '';
  }

  protected readonly tooFew = computed(() => {
    const life = this.life();
    const blunt = life?.blunt ?? 0;
    return `${blunt === 0 ? 'No edge' : blunt === 1 ? 'One edge' : `${blunt} edges`} of it went blunt in use so far. From three on, its own and those of like tools together, its usual life is told here.`;
  });

  /** What the next spell would find. */
  protected readonly standing = computed(() => {
    const next = nextSpell(this.record());
    if (!next) return '';
    const due =
      next.dueAt !== undefined
        ? ` Honing costs least at about ${this.words(next.dueAt)} of use.`
        : isKeptByStrop(this.record())
          ? ' It is kept by the strop; the stone is due once that no longer helps.'
          : '';
    return `Used ${this.words(next.used)} now: a spell of ${this.words(next.spell)} more would find it blunt ${this.figures.number(100 * next.blunt, 0)} % of the time.${due}`;
  });

  protected readonly key = computed(() => {
    const life = this.life();
    if (!life) return '';
    return `Line: the share of edges still cutting; band: where it may lie, four times in five; steps: the ${life.blunt + life.unended} edges of its own record.`;
  });

  protected readonly groups = computed((): readonly Group[] => {
    const life = this.life();
    if (!life) return [];
    const most = Math.max(
      ...[...life.inWood, ...life.atDeg, ...(life.atSides ?? []), ...life.byHand].map(({ high }) => high),
    );
    const rows = <T>(all: readonly UsualOf<T>[], name: (of: T) => string): readonly Row[] =>
      all.slice(0, 6).map((each) => ({
        name: name(each.of),
        lasts: `${this.words(each.amount)} (${this.words(each.low)} to ${this.words(each.high)})`,
        range: `M${(AXIS * each.low) / most} 8H${(AXIS * each.high) / most}`,
        middle: (AXIS * each.amount) / most,
        beside: `${each.edges === 1 ? 'one edge' : `${each.edges} edges`}, ${each.blunt} went blunt${this.yearly(each)}`,
      }));
    return [
      { title: 'By wood', rows: rows(life.inWood, (wood) => wood) },
      { title: 'By who used it', rows: rows(life.byHand, (who) => who) },
      life.atSides
        ? {
            title: 'By the angles of its sides, left and right',
            rows: rows(life.atSides, (sides) => this.angleWords(sides)),
            says: this.angleSays(),
          }
        : {
            title: 'By the angle it was honed at',
            rows: rows(
              life.atDeg.filter(({ edges }) => edges > 1),
              (deg) => this.angleWords(deg),
            ),
            says: this.angleSays(),
          },
    ].filter(({ rows: some }) => some.length > 1);
  });

  /** Which angle asks least of the stones, where the ranges leave that open too. */
  private readonly angleSays = computed(() => {
    const life = this.life();
    const angles: readonly UsualOf<number | string>[] = life?.atSides ?? life?.atDeg ?? [];
    const timed = angles.filter(({ edges, honingMin }) => edges > 1 && honingMin !== undefined);
    const [best, next] = [...timed].sort((a, b) => costOf(a) - costOf(b));
    if (!best || !next) return '';
    const sure = best.low > (next.high * (best.honingMin ?? 0)) / (next.honingMin ?? 1);
    return sure
      ? `At ${this.angleWords(best.of)} it asks least of the stones for the same work.`
      : 'The ranges overlap: from these edges no angle is the better one yet.';
  });

  /** An angle, or the two of its sides. */
  private angleWords(of: number | string): string {
    const all = typeof of === 'number' ? [of] : of.split('/').map(Number);
    return all.map((deg) => this.figures.angle(deg, deg % 1 === 0 ? 0 : 1)).join(' and ');
  }

  private yearly({ amount: lasts, honingMin }: UsualOf<unknown>): string {
    const yearly = this.life()?.yearly;
    if (yearly === undefined || honingMin === undefined) return '';
    const honings = yearly / lasts;
    return `; kept at that, ${this.figures.number(honings, 0)} honings and ${this.figures.minutes(Math.round(honings * honingMin))} a year`;
  }

  protected readonly reason = computed((): Reason => {
    const life = this.life();
    const { lateCosts = USUAL_LATE_COSTS } = this.record();
    return {
      formula:
        'Share still cutting after t: (1 + (t/scale)^shape/worth)^−worth, a Weibull law with the doubt of its rate counted in.',
      inputs: life
        ? [
            `${life.blunt} edges used until they no longer cut, ${life.unended} honed before that, chipped or still in use: those lasted longer than they were used`,
            `shape ${this.figures.number(life.shape, 1)}, scale ${this.words(life.scale)}, worth ${this.figures.number(life.worth, 1)} edges seen to their end`,
            ...(life.lent
              ? [
                  `beside ${life.lent.tools === 1 ? 'one like tool' : `${life.lent.tools} like tools`} with ${life.lent.blunt} blunt edges, counted as two`,
                ]
              : []),
            `an edge that gives out in the work counts ${this.figures.number(lateCosts, 1)} times an early honing (Settings)`,
          ]
        : [],
      source:
        'Weibull with right-censoring; Kaplan and Meier 1958 for the steps; Barlow and Hunter 1960 for when honing costs least: docs/formulas.md.',
      sure: 'The range holds four times in five in simulated shops; an edge that went blunt is taken to have gone half way through its last spell.',
    };
  });
}

const costOf = ({ amount: lasts, honingMin = Infinity }: UsualOf<unknown>): number => honingMin / lasts;
