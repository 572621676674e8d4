import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { type Abrasive, costOfUse, scratchOf, type SizedAbrasive } from '@mellow-anvil/core/abrasive';
import { type Edge, type Manner, TIP_RADIUS_UM } from '@mellow-anvil/core/blade';
import {
  type HoningPlan,
  type PlanPart,
  type PlanRequest,
  strokesOfEach,
  type WorkOrder,
} from '@mellow-anvil/core/plan';
import type { AtWheel } from '../../data/wheel-passes';
import { MarksSwatch } from '../../drawings/marks-swatch';
import { StoneGlyph } from '../../drawings/stone-glyph';
import { TakenOff } from '../../drawings/taken-off';
import { Figures } from '../../ui/figures';
import { Why, type Reason } from '../../ui/why';
import { conditionWords } from '../../words/condition-words';

const MANNER_CHOICES: readonly { readonly value: Manner; readonly label: string; readonly says: string }[] = [
  { value: 'thorough', label: 'Thorough', says: 'Every step, every look' },
  { value: 'brisk', label: 'Brisk', says: 'The setting, the strokes, the burr, the proof' },
];

/** What is done on a stone, in a word or two. */
const PART_WORDS: Readonly<Record<PlanPart['what'], string>> = {
  shape: 'the primary',
  evening: 'the part ahead',
  body: 'the body',
  back: 'the back',
  hone: 'the bevel',
  inside: 'the inside',
  curve: 'the curve, by place',
  strop: 'strop',
};

/** Length of the longest bar, in the drawing's own units. */
const BAR = 112;

interface Row {
  readonly stone: Abrasive;
  readonly what: string;
  readonly strokes: string;
  readonly minutes: string;
  readonly bar: number;
  /** Depth of the marks it leaves, µm; a strop leaves none to speak of. */
  readonly marksUm?: number;
  readonly likely?: {
    readonly path: string;
    readonly x: number;
    readonly anchor: string;
    readonly words: string;
  };
}

/** The answer of a plan at a glance: how long, on which stones, how many strokes, and how sure that is. */
@Component({
  selector: 'ma-plan-answer',
  imports: [Button, ButtonDirective, MarksSwatch, RouterLink, StoneGlyph, TakenOff, Why],
  templateUrl: './plan-answer.html',
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
      align-content: start;
    }
    .head {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 0.5rem;
      align-items: end;
    }
    .head > div {
      display: grid;
      gap: 0.5rem;
    }
    .total {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 0 0.6rem;
    }
    .total .figure {
      font-size: 2.6rem;
      line-height: 1;
      white-space: nowrap;
    }
    .range {
      color: var(--muted);
    }
    .manner {
      display: inline-flex;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
      border-top: 3px solid var(--leather);
    }
    li {
      display: grid;
      grid-template-columns: 56px minmax(6rem, 1fr) minmax(6.4rem, auto) 120px 4.2rem;
      gap: 0 0.7rem;
      align-items: center;
      min-height: 42px;
      border-bottom: 1px solid var(--line);
    }
    .name {
      display: grid;
      font-weight: 700;
      line-height: 1.15;
    }
    small {
      font-weight: 400;
      color: var(--muted);
    }
    .strokes {
      font-size: 1.6rem;
      line-height: 1;
      text-align: right;
      white-space: nowrap;
    }
    .strokes small {
      font-size: 0.9rem;
    }
    .stone {
      display: grid;
      justify-items: center;
      gap: 2px;
      padding: 2px 0;
    }
    .minutes {
      text-align: right;
      white-space: nowrap;
    }
    .likely .axis {
      stroke: var(--line);
    }
    .likely rect {
      fill: var(--accent);
    }
    .likely .span {
      stroke: var(--ink);
      stroke-width: 1.6;
      fill: none;
    }
    .likely text {
      fill: var(--muted);
      font-size: 12px;
    }
    @media (max-width: 40rem) {
      .head {
        grid-template-columns: minmax(0, 1fr);
      }
      li {
        grid-template-columns: 56px minmax(0, 1fr) auto auto;
      }
      .likely {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanAnswer {
  readonly plan = input.required<HoningPlan>();
  readonly request = input.required<PlanRequest>();
  readonly toolId = input('');
  readonly edge = input.required<Edge>();
  readonly stones = input.required<readonly SizedAbrasive[]>();
  /** Its order of work, as it is walked. */
  readonly work = input.required<WorkOrder>();
  readonly atWheel = input<AtWheel>();
  readonly keeping = input(false);
  /** How much of the order is walked. */
  readonly manner = input<Manner>('thorough');
  readonly mannerChosen = output<Manner>();
  readonly keep = output<void>();
  readonly toBench = output<void>();

  protected readonly manners = MANNER_CHOICES;
  protected readonly figures = inject(Figures);
  private readonly byId = computed(() => new Map(this.stones().map((stone) => [stone.id, stone])));

  protected readonly rows = computed((): readonly Row[] => {
    const parts = [...new Map(this.work().steps.map(({ part }) => [part.of, part])).values()];
    const most = Math.max(1, ...parts.map(({ of }) => ('high' in of ? (of.high ?? of.strokes) : of.strokes)));
    const at = this.atWheel();
    const wheel = at && {
      stone: at.wheel,
      what: 'the wheel first',
      strokes: '',
      minutes: this.figures.minutes(at.grinding.minutes),
      bar: 0,
    };
    return [
      ...this.hollowed(),
      ...(wheel ? [wheel] : []),
      ...parts.flatMap((part): Row[] => {
        const { id, strokes, minutes } = part.of;
        const stone = this.byId().get(id);
        const likely = likelyOf(part, most);
        return stone
          ? [
              {
                stone,
                what: `${PART_WORDS[part.what]}${eachWords(part)}`,
                strokes: String(strokes),
                minutes: this.figures.minutes(minutes),
                bar: (BAR * strokes) / most,
                ...(likely && { likely }),
                ...(part.what !== 'strop' && { marksUm: scratchOf(stone) }),
              },
            ]
          : [];
      }),
    ];
  });

  /** An old back at the wheel, before all else. */
  private hollowed(): readonly Row[] {
    const { hollowing } = this.plan();
    const stone = hollowing && this.byId().get(hollowing.wheelId);
    if (!stone) return [];
    const minutes = this.figures.minutes(hollowing.minutes);
    return [{ stone, what: 'the back, hollowed first', strokes: '', minutes, bar: 0 }];
  }

  /** Steel by stone, where stones take it off in the drawing’s one facet. */
  protected readonly takenOff = computed((): readonly number[] | undefined => {
    const { steps } = this.plan();
    return this.request().stropOnly || steps.length === 0
      ? undefined
      : steps.map(({ removeMm3 }) => removeMm3);
  });

  protected readonly range = computed(() => {
    const { lowMin, highMin } = this.plan();
    if (lowMin === undefined || highMin === undefined) return '';
    return `${this.figures.minutes(lowMin)} to ${this.figures.minutes(highMin)}`;
  });

  /** What the sheets of this plan cost, where that is known. */
  protected readonly cost = computed(() => {
    const costs = this.plan().steps.map(({ id }) => costOfUse(this.byId().get(id) ?? {}) ?? 0);
    const all = costs.reduce((sum, cost) => sum + cost, 0);
    return all > 0 ? `Sheets used up: ${this.figures.number(all, 2, true)}.` : '';
  });

  /** The one reading that is worth its time. */
  protected readonly readFirst = computed(() => {
    const { reading } = this.plan();
    if (!reading || this.request().stropOnly) return undefined;
    const { what, id = '', costMin, savesMin } = reading;
    const [cost, saves] = [costMin, savesMin].map((min) => this.figures.number(min, 1));
    const name = this.byId().get(id)?.name ?? 'the stone';
    return what === 'land'
      ? { do: 'Measure the land first:', worth: `${cost} min, saves about ${saves}.` }
      : {
          do: `Measure the land before and after ${name}:`,
          worth: `${cost} min, tells how fast it cuts, and saves about ${saves} every time.`,
        };
  });

  protected readonly steel = computed(() => {
    const { job } = this.plan();
    if (this.request().stropOnly) return 'No steel to speak of: the strop only aligns.';
    // With what the finer stones take to clear the marks, and strokes made whole.
    const back = `In all the edge goes back ${this.figures.sliver(job.recessionMm)}`;
    const [before, after] = [job.landBeforeMm, job.landAfterMm].map((mm) => this.figures.length(mm));
    if (job.wholeBevel) return `${back}, over the whole bevel.`;
    return before === after ? `${back}.` : `${back}; the land grows from ${before} to ${after}.`;
  });

  /** How its own burrs changed the count. */
  protected readonly learned = computed(() => {
    const { tips } = this.plan();
    if (!tips) return '';
    const last = tips.from === 1 ? 'Its last burr' : `Its last ${String(tips.from)} burrs`;
    const took =
      tips.times > 0.95 && tips.times < 1.05 ? 'as many' : `${this.figures.number(tips.times, 1)} times the`;
    return `${last} took about ${took} strokes ${took === 'as many' ? 'as' : 'that'} the word alone says: reckoned in.`;
  });

  protected readonly reason = computed((): Reason => {
    const { job } = this.plan();
    const { condition, forceN, strokesPerMin } = this.request();
    const { tips } = this.plan();
    const tip = (condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind]) * (tips?.times ?? 1);
    return {
      formula:
        'The order of stones that takes the least minutes: the first removes the worn steel, each next one the scratches of the one before. Strokes = volume ÷ (K · push · stroke ÷ steel).',
      inputs: [
        `tip taken as ${this.figures.number(tip, 1)} µm round (${conditionWords(condition)}${tips ? ', and what its own burrs took' : ''}), so the edge goes back ${this.figures.sliver(job.recessionMm)}`,
        `steel to remove ${this.figures.number(job.removeMm3, 3)} mm³ from ${this.figures.number(job.contactMm2, 1)} mm²`,
        `push ${this.figures.number(forceN, 0)} N, ${this.figures.number(strokesPerMin, 0)} strokes a minute`,
        'K = 0.0056 · (grain ÷ 14 µm)^0.8 · kind, mm³ per N·m; scratches 0.12 of the grain',
      ],
      source:
        'Archard’s wear law and a shortest path over the stones, in docs/formulas.md; K and scratches are estimates.',
      sure: 'The order is reliable, strokes to perhaps a factor of two.',
    };
  });
}

/** The span that four of five cases lie in, over the bar. */
function likelyOf({ of }: PlanPart, most: number): Row['likely'] {
  const { low, high } = of as { readonly low?: number; readonly high?: number };
  if (low === undefined || high === undefined) return undefined;
  const [from, to] = [low, high].map((strokes) => 2 + (BAR * strokes) / most) as [number, number];
  const right = from > BAR / 2;
  return {
    path: `M${from} 15V23M${from} 19H${to}M${to} 15V23`,
    x: right ? to : from,
    anchor: right ? 'end' : 'start',
    words: `${String(low)}–${String(high)}`,
  };
}

/** Of a set: what every knife gets. */
function eachWords({ of }: PlanPart): string {
  const rounds = 'rounds' in of ? of.rounds : undefined;
  return rounds ? `, ${String(strokesOfEach(of.strokes, rounds))} a knife` : '';
}
