import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  type CareKind,
  servesShape,
  type SizedAbrasive,
  standsIn,
  type StonesRecord,
} from '@mellow-anvil/core/abrasive';
import { ASSUMED_LAND_MM, shapeOfEdge, type Tool } from '@mellow-anvil/core/blade';
import type { HoningPlan, PlanRequest, WorkOrder } from '@mellow-anvil/core/plan';
import { FOUND_MARKS_UM } from '@mellow-anvil/core/work';
import type { AtWheel } from '../../data/wheel-passes';
import { Figures } from '../../ui/figures';
import { WorkList } from './work-list';

/** The whole order of a plan, line by line, and why each stone is in or out. */
@Component({
  selector: 'ma-plan-result',
  imports: [RouterLink, WorkList],
  templateUrl: './plan-result.html',
  styles: `
    .plan {
      display: grid;
      gap: 0.5rem;
    }
    .since {
      border-left: var(--mark) solid var(--leather);
      padding-left: 0.7rem;
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
  readonly stones = input.required<readonly SizedAbrasive[]>();
  /** What the record says about how much work this is. */
  readonly since = input('');
  /** Its order of work, as it is walked. */
  readonly work = input.required<WorkOrder>();
  readonly guideName = input('');
  readonly record = input<StonesRecord>({});
  readonly atWheel = input<AtWheel>();
  readonly cared = output<{ readonly id: string; readonly kind: CareKind }>();

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
  private mightServe(stone: SizedAbrasive): boolean {
    return servesShape(stone, shapeOfEdge(this.tool().edge)) && standsIn(stone, this.request().set);
  }

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
}
