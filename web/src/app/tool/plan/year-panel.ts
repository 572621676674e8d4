import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { OwnedAbrasive, StonesRecord } from '@mellow-anvil/core/abrasive';
import { honedDeg, type Tool } from '@mellow-anvil/core/blade';
import { type PlanRequest, regrindMin, type YearOfEdges, yearOfEdges } from '@mellow-anvil/core/plan';
import { amount, type EdgeLife, tellsLife } from '@mellow-anvil/core/record';
import { Figures } from '../../ui/figures';
import { Why, type Reason } from '../../ui/why';

/** Length of the bars’ axis, in the drawing’s own units. */
const AXIS = 200;
/** Years closer together than that are as good as each other: minutes and lives are not known better. */
const AS_GOOD = 0.15;

/** Which angle, with one bevel or with two: minutes a year at the stones and at the wheel, against what an edge lasts. */
@Component({
  selector: 'ma-year',
  imports: [Why],
  templateUrl: './year-panel.html',
  styleUrls: ['../../ui/panel.css', '../../ui/table.css'],
  styles: `
    td:last-child {
      width: 34%;
    }
    small,
    thead th {
      color: var(--muted);
    }
    td b {
      padding-right: 0.4rem;
    }
    .now {
      background: var(--accent-wash);
    }
    svg {
      border: 0;
      background: none;
      overflow: visible;
    }
    .honing {
      stroke: var(--leather);
      stroke-width: 8;
    }
    .grinding {
      stroke: var(--accent);
      stroke-width: 8;
    }
    @media (max-width: 40rem) {
      th,
      td {
        padding-right: 0.4rem;
      }
      small {
        display: block;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class YearPanel {
  /** The tool as it stands. */
  readonly tool = input.required<Tool>();
  readonly request = input.required<PlanRequest>();
  readonly stones = input.required<readonly OwnedAbrasive[]>();
  readonly record = input<StonesRecord>({});
  readonly life = input<EdgeLife>();

  private readonly figures = inject(Figures);

  protected readonly years = computed((): readonly YearOfEdges[] => {
    const life = this.life();
    if (!life || !tellsLife(life)) return [];
    const [tool, stones] = [this.tool(), this.stones()];
    return yearOfEdges(tool, this.request(), stones, this.record(), life, regrindMin(tool, stones));
  });

  private readonly now = computed(() => {
    const { edge } = this.tool();
    if (edge.form !== 'single-bevel') return undefined;
    const deg = honedDeg(edge);
    const bevels = edge.secondaryDeg === undefined ? 'one' : 'two';
    return this.years().find((each) => each.angleDeg === deg && each.bevels === bevels);
  });

  protected readonly words = computed(() => {
    const [best] = this.years();
    if (!best)
      return 'A year’s use and three edges that went blunt are needed before angles can be told apart by their minutes: note its use, and they stand here.';
    const now = this.now();
    const least = `${this.named(best)}: ${this.minutesOf(best)} (${this.rangeOf(best)}) a year`;
    if (!now || now === best) return `It is kept as asks least: ${least}.`;
    const more = yearOf(now) / yearOf(best) - 1;
    return more <= AS_GOOD
      ? `As it is kept now it asks ${this.minutesOf(now)} a year; ${least}, which is as good within what is known.`
      : `Least is ${least}, against ${this.minutesOf(now)} as it is kept now, if the wood leaves that edge whole.`;
  });

  private named({ angleDeg, bevels }: YearOfEdges): string {
    return `${this.figures.angle(angleDeg)} with ${bevels === 'one' ? 'one bevel' : 'two bevels'}`;
  }

  private minutesOf(year: YearOfEdges): string {
    return this.figures.minutes(Math.round(yearOf(year)));
  }

  /** The longer an edge lasts, the fewer minutes. */
  private rangeOf(year: YearOfEdges): string {
    const { lasts, lastsLow, lastsHigh } = year;
    const [low, high] = [lastsHigh, lastsLow].map((life) =>
      this.figures.minutes(Math.round((yearOf(year) * lasts) / life)),
    );
    return `${low} to ${high}`;
  }

  protected readonly rows = computed(() => {
    const years = this.years();
    const most = Math.max(...years.map(yearOf));
    const measure = this.life()?.measure ?? 'minutes';
    const words = (value: number): string => amount(value, measure, this.figures.hand());
    return years.map((year) => {
      const at = (minutes: number): number => (AXIS * minutes) / most;
      const { honingMin, grindingMin } = year;
      return {
        name: `${year.angleDeg} ${year.bevels}`,
        now: year === this.now(),
        angle: this.figures.angle(year.angleDeg),
        bevels: year.bevels,
        lasts: words(year.lasts),
        lastsRange: `${words(year.lastsLow)} to ${words(year.lastsHigh)}`,
        by: year.seen ? 'by its record' : 'reckoned',
        honings: this.figures.number(year.honings, 0),
        minutes: this.minutesOf(year),
        range: this.rangeOf(year),
        parts:
          grindingMin > 0 ? `${this.figures.minutes(Math.round(grindingMin))} of it grinding` : 'no grinding',
        honing: `M0 5H${at(honingMin)}`,
        grinding: `M${at(honingMin)} 5H${at(honingMin + grindingMin)}`,
      };
    });
  });

  protected reason(): Reason {
    return {
      formula:
        'Minutes a year = use a year ÷ life × (a honing as planned + one regrinding ÷ honings between two of them). Where the record has no edges at an angle, its life is the one known times (1/sin(α/2) − 1) ÷ (1/sin(α₀/2) − 1).',
      inputs: [
        'Two bevels: planned on the land half way from one grinding to the next, ground at the interval that is least work.',
        'One bevel: honed whole from edge to heel, and never ground.',
      ],
      source: 'docs/formulas.md: edge life, regrinding, useful wear.',
      sure: 'An estimate, its range that of the life alone: an edge too thin for the wood chips before it wears, which is not in these minutes.',
    };
  }
}

const yearOf = ({ honingMin, grindingMin }: YearOfEdges): number => honingMin + grindingMin;
