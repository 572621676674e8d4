import type { StonesRecord } from '../abrasive/at-work.js';
import { Refusal, attempt } from '../base/refusal.js';
import type { ToolAtWork } from '../work/edge-at-work.js';
import type { HoningPlan } from './honing-plan.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { PlanRequest } from './plan-request.js';
import { planHoning } from './ways-out.js';
import { SCHOOLS, type School } from './schools.js';

/** One school's plan beside the others'. */
interface SchoolPlan {
  readonly school: School;
  readonly plan?: HoningPlan;
  readonly refusal?: string;
  readonly strokes: number;
  /** Steel all stones take, the scratches too, mm³. */
  readonly steelMm3: number;
}

/** The same job by every school, under the same finish and limits; the exact order only where one is named. */
export function compareSchools(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: StonesRecord = {},
): readonly SchoolPlan[] {
  return SCHOOLS.filter((school) => school !== 'exact' || (request.order?.length ?? 0) > 0).map((school) => {
    const plan = attempt(() => planHoning(tool, bench, { ...request, school }, record));
    if (plan instanceof Refusal) return { school, refusal: plan.message, strokes: 0, steelMm3: 0 };
    const sum = (of: 'strokes' | 'removeMm3'): number => plan.steps.reduce((all, step) => all + step[of], 0);
    return { school, plan, strokes: sum('strokes'), steelMm3: sum('removeMm3') };
  });
}
