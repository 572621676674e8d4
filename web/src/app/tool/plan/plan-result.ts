import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import {
  type Abrasive,
  type CareKind,
  costOfUse,
  servesShape,
  standsIn,
  type StonesRecord,
} from '@mellow-anvil/core/abrasive';
import {
  ASSUMED_LAND_MM,
  type Manner,
  shapeOfEdge,
  TIP_RADIUS_UM,
  type Tool,
} from '@mellow-anvil/core/blade';
import type { HoningPlan, PlanRequest, WayOut, WorkOrder } from '@mellow-anvil/core/plan';
import { FOUND_MARKS_UM } from '@mellow-anvil/core/work';
import type { AtWheel } from '../../data/wheel-passes';
import { Figures } from '../../ui/figures';
import { Why, type Reason } from '../../ui/why';
import { conditionWords } from '../../words/condition-words';
import { WaysPanel } from './ways-panel';
import { WorkList } from './work-list';

type Stone = Abrasive & { readonly id: string; readonly sizeUm: number };

const MANNER_CHOICES: readonly { readonly value: Manner; readonly label: string; readonly says: string }[] = [
  { value: 'thorough', label: 'Thorough', says: 'Every step, every look' },
  { value: 'brisk', label: 'Brisk', says: 'The setting, the strokes, the burr, the proof' },
];

/** What to do, stone by stone, and why each is in or out. */
@Component({
  selector: 'ma-plan-result',
  imports: [Button, ButtonDirective, RouterLink, WaysPanel, Why, WorkList],
  templateUrl: './plan-result.html',
  styles: `
    .plan {
      display: grid;
      gap: 0.5rem;
    }
    .plan > header {
      display: flex;
      justify-content: space-between;
      align-items: center;
      flex-wrap: wrap;
      border-top: 3px solid var(--leather);
      padding-top: 0.5rem;
    }
    .manner {
      display: inline-flex;
    }
    .since {
      border-left: var(--mark) solid var(--leather);
      padding-left: 0.7rem;
    }
    .total {
      display: flex;
      align-items: baseline;
      gap: 0.8rem;
      flex-wrap: wrap;
    }
    .total .figure {
      font-size: 2.4rem;
      line-height: 1;
    }
    .range {
      color: var(--muted);
      white-space: nowrap;
    }
    .left {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    .left li {
      font-size: 0.95rem;
    }
    .left {
      display: grid;
      gap: 0.3rem;
    }
    .left li:has(b) {
      display: grid;
      grid-template-columns: minmax(8rem, 14rem) 1fr;
      gap: 0.9rem;
    }
    .small {
      font-size: 0.92rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanResult {
  readonly plan = input.required<HoningPlan>();
  readonly request = input.required<PlanRequest>();
  readonly tool = input.required<Tool>();
  readonly toolId = input('');
  readonly stones = input.required<readonly Stone[]>();
  readonly keeping = input(false);
  /** What the record says about how much work this is. */
  readonly since = input('');
  /** Its order of work, as it is walked. */
  readonly work = input.required<WorkOrder>();
  readonly guideName = input('');
  /** How much of the order is walked. */
  readonly manner = input<Manner>('thorough');
  readonly mannerChosen = output<Manner>();
  readonly keep = output<void>();
  readonly toBench = output<void>();
  readonly record = input<StonesRecord>({});
  readonly atWheel = input<AtWheel>();
  readonly wayTaken = output<WayOut>();
  readonly cared = output<{ readonly id: string; readonly kind: CareKind }>();

  protected readonly manners = MANNER_CHOICES;
  protected readonly figures = inject(Figures);
  private readonly byId = computed(() => new Map(this.stones().map((stone) => [stone.id, stone])));
  private readonly judged = computed(() =>
    this.plan().verdicts.flatMap((verdict) => {
      const stone = this.byId().get(verdict.id);
      return stone ? [{ ...verdict, stone }] : [];
    }),
  );

  protected readonly left = computed(() =>
    this.judged().filter(({ used, stone }) => !used && this.mightServe(stone)),
  );
  protected readonly others = computed(() => {
    const names = this.judged()
      .filter(({ used, stone }) => !used && !this.mightServe(stone))
      .map(({ stone }) => stone.name);
    return names.length ? `Not for this edge, or in another set: ${names.join(', ')}.` : '';
  });
  private mightServe(stone: Stone): boolean {
    return servesShape(stone, shapeOfEdge(this.tool().edge)) && standsIn(stone, this.request().set);
  }

  protected readonly range = computed(() => {
    const { lowMin, highMin } = this.plan();
    if (lowMin === undefined || highMin === undefined) return '';
    return `${this.figures.minutes(lowMin)} to ${this.figures.minutes(highMin)}`;
  });

  /** What the plan takes a blade to be that nobody looked at yet. */
  protected readonly assumed = computed(() => {
    const { condition, landMm } = this.request();
    const { edge } = this.tool();
    const marks = FOUND_MARKS_UM[condition.kind];
    const parts = [
      ...(marks === undefined ? [] : [`marks of ${this.figures.number(marks, 0)} µm on bevel and back`]),
      ...(edge.form === 'single-bevel' &&
      edge.secondaryDeg !== undefined &&
      (landMm ?? edge.landMm) === undefined
        ? [`a land of ${this.figures.length(ASSUMED_LAND_MM)}`]
        : []),
    ];
    return parts.length > 0 ? `Taken as found, until somebody looks: ${parts.join(', ')} (estimates).` : '';
  });

  /** What the sheets of this plan cost, where that is known. */
  protected readonly cost = computed(() => {
    const costs = this.plan().steps.map(({ id }) => costOfUse(this.byId().get(id) ?? {}) ?? 0);
    const all = costs.reduce((sum, cost) => sum + cost, 0);
    return all > 0 ? `Sheets used up: ${this.figures.number(all, 2, true)}.` : '';
  });

  protected readonly steel = computed(() => {
    const { job } = this.plan();
    if (this.request().stropOnly) return 'No steel to speak of: the strop only aligns.';
    const back = `The edge goes back ${this.figures.sliver(job.recessionMm)}`;
    const [before, after] = [job.landBeforeMm, job.landAfterMm].map((mm) => this.figures.length(mm));
    if (job.wholeBevel) return `${back}, over the whole bevel.`;
    return before === after ? `${back}.` : `${back}; the land grows from ${before} to ${after}.`;
  });

  protected readonly reason = computed((): Reason => {
    const { job } = this.plan();
    const { condition, forceN, strokesPerMin } = this.request();
    const tip = condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind];
    return {
      formula:
        'The order of stones that takes the least minutes: the first removes the worn steel, each next one the scratches of the one before. Strokes = volume ÷ (K · push · stroke ÷ steel).',
      inputs: [
        `tip taken as ${this.figures.number(tip, 1)} µm round (${conditionWords(condition)}), so the edge goes back ${this.figures.sliver(job.recessionMm)}`,
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
