import { benchAtWork, type BenchRecord } from '../abrasive/at-work.js';
import { removalPerStrokeMm3 } from '../abrasive/removal.js';
import {
  meanHoningMin,
  regrindInterval,
  type RegrindInterval,
  type RegrindIntervalInput,
} from '../grinding/regrind-interval.js';
import { insist } from '../refusal.js';
import { STEELS, type Tool } from '../tool/tool.js';
import type { HoningPlan, OwnedAbrasive, PlanRequest } from './honing-plan.js';
import { cuttingMm } from './pace.js';

/** Minutes one regrinding takes where nobody said (estimate). */
export const USUAL_REGRIND_MIN = 12;

/** When grinding pays for this tool, honed as its plan says. */
export interface RegrindAdvice {
  readonly input: RegrindIntervalInput;
  readonly best: RegrindInterval;
  /** Minutes a honing on average, for 1, 2, 3 … honings to a grinding. */
  readonly curve: readonly { readonly honings: number; readonly meanMin: number }[];
}

/**
 * The best number of honings to a regrinding, from a plan’s own recession and the rate of the stone that
 * takes the worn steel.
 * @throws Refusal on `edge` for edges without a secondary, on `steps` for plans without a stone
 */
export function regrindAdvice(
  { edge, steel }: Tool,
  { job, steps }: HoningPlan,
  request: Pick<PlanRequest, 'forceN' | 'strokesPerMin' | 'way'>,
  bench: readonly OwnedAbrasive[],
  record: BenchRecord,
  regrindMin: number,
): RegrindAdvice {
  insist(
    edge.form === 'single-bevel' && edge.secondaryDeg !== undefined,
    'edge',
    'Only a secondary bevel’s land grows: this edge is honed whole.',
  );
  const first = benchAtWork(bench, record).find(({ id }) => id === steps[0]?.id);
  insist(first !== undefined, 'steps', 'There is no stone in this plan to reckon with.');
  const push = steps[0]?.forceN ?? request.forceN;
  const each = removalPerStrokeMm3(
    first.removalMm3PerNm,
    push,
    cuttingMm(first.strokeMm, request.way ?? 'pull'),
    STEELS[steel].factor,
  );
  const input = {
    primaryDeg: edge.primaryDeg,
    secondaryDeg: edge.secondaryDeg,
    widthMm: edge.widthMm,
    recessionPerHoningMm: job.recessionMm,
    removalMm3PerMin: each * request.strokesPerMin,
    regrindMin,
  };
  const best = regrindInterval(input);
  const until = Math.min(400, Math.max(10, 3 * best.honings));
  const curve = Array.from({ length: until }, (_, i) => ({
    honings: i + 1,
    meanMin: meanHoningMin(input, i + 1),
  }));
  return { input, best, curve };
}
