import { stonesAtWork, type StonesRecord } from '../abrasive/at-work.js';
import { scratchOf } from '../abrasive/removal.js';
import { isWheel } from '../abrasive/wheel.js';
import { ASSUMED_LAND_MM } from '../blade/land-growth.js';
import { GRINDING_PUSH_N, STOP_SHORT_MM } from '../grinding/grinding-work.js';
import {
  meanHoningMin,
  regrindInterval,
  type RegrindInterval,
  type RegrindIntervalInput,
} from '../grinding/regrind-interval.js';
import { insist, unlessRefused } from '../base/refusal.js';
import type { Tool } from '../blade/tool.js';
import { grindingStep } from './grinding-first.js';
import { planOf } from './compose.js';
import type { HoningPlan, PlanStep } from './honing-plan.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { PlanRequest } from './plan-request.js';
import { strokeMm3 } from './step-removal.js';

/** Minutes one regrinding takes where there is no wheel to reckon with (estimate). */
const USUAL_REGRIND_MIN = 12;

/** Lands are let grow to so many times what grinding leaves before one grinds again (estimate). */
const GROUND_AT = 3;

/** Minutes one regrinding of this tool takes on the quickest wheel at hand, set-up and dips counted; else as is usual. */
export function regrindMin({ edge }: Pick<Tool, 'edge'>, bench: readonly OwnedAbrasive[]): number {
  const landMm = Math.max(
    GROUND_AT * STOP_SHORT_MM,
    (edge.form === 'single-bevel' && edge.landMm) || ASSUMED_LAND_MM,
  );
  const minutes = bench.filter(isWheel).flatMap(({ id }) => {
    const grind = { wheelId: id, stopShortMm: STOP_SHORT_MM, pushN: GRINDING_PUSH_N };
    const step = unlessRefused(() =>
      grindingStep(edge, bench, { condition: { kind: 'dull' }, landMm }, grind),
    );
    return step ? [step.minutes] : [];
  });
  return minutes.length > 0 ? Math.min(...minutes) : USUAL_REGRIND_MIN;
}

/** When grinding pays for this tool, honed as its plan says. */
interface RegrindAdvice {
  readonly input: RegrindIntervalInput;
  readonly best: RegrindInterval;
  /** Minutes of rubbing a honing would take with one bevel from edge to heel, at the angle of the secondary. */
  readonly oneBevelMin?: number;
  /** Minutes a honing on average, for 1, 2, 3 … honings to a grinding. */
  readonly curve: readonly { readonly honings: number; readonly meanMin: number }[];
}

/**
 * The best number of honings to a regrinding, from a plan’s own recession, the rate of the stone that takes the
 * worn steel, and what the finer ones take longer on a wider land.
 * @throws Refusal on `edge` for edges without a secondary, on `steps` for plans without a stone
 */
export function regrindAdvice(
  tool: Tool,
  { job, steps }: HoningPlan,
  request: PlanRequest,
  bench: readonly OwnedAbrasive[],
  record: StonesRecord,
  regrindMin: number,
): RegrindAdvice {
  const { edge } = tool;
  insist(
    edge.form === 'single-bevel' && edge.secondaryDeg !== undefined,
    'edge',
    'Only a secondary bevel’s land grows: this edge is honed whole.',
  );
  const atWork = new Map(stonesAtWork(bench, record).map((stone) => [stone.id, stone]));
  /** What a step’s stone takes off, mm³ a minute. */
  const mm3PerMin = (step: PlanStep): number => {
    const stone = atWork.get(step.id);
    insist(stone !== undefined, 'steps', 'A stone of this plan is not here any more: plan anew.');
    return request.strokesPerMin * strokeMm3(tool, stone, step, request);
  };
  const marksUm = ({ id }: PlanStep): number => {
    const stone = atWork.get(id);
    return stone ? scratchOf(stone) : 0;
  };
  const [first, ...finer] = steps;
  insist(first !== undefined, 'steps', 'There is no stone in this plan to reckon with.');
  const finishingMinPerMm = finer.reduce((sum, step, i) => {
    const downMm = Math.max(0, marksUm(steps[i] as PlanStep) - marksUm(step)) / 1000;
    return sum + (downMm * edge.widthMm) / mm3PerMin(step);
  }, 0);
  const input = {
    primaryDeg: edge.primaryDeg,
    secondaryDeg: edge.secondaryDeg,
    widthMm: edge.widthMm,
    recessionPerHoningMm: job.recessionMm,
    removalMm3PerMin: mm3PerMin(first),
    regrindMin,
    finishingMinPerMm,
  };
  const best = regrindInterval(input);
  const until = Math.min(400, Math.max(10, 3 * best.honings));
  const curve = Array.from({ length: until }, (_, i) => ({
    honings: i + 1,
    meanMin: meanHoningMin(input, i + 1),
  }));
  const whole = unlessRefused(() =>
    planOf(onOneBevel(tool), bench, { ...request, grind: undefined, camber: undefined }, record),
  );
  const oneBevelMin =
    whole && whole.steps.reduce((sum, { strokes }) => sum + strokes, 0) / request.strokesPerMin;
  return { input, best, ...(oneBevelMin !== undefined && { oneBevelMin }), curve };
}

/** The same blade with one bevel where it has two. */
export function onOneBevel({ edge, name, family, steel }: Tool): Tool {
  if (edge.form !== 'single-bevel') return { edge, name, family, steel };
  const { secondaryDeg, landMm: _land, microDeg: _micro, microLandMm: _microLand, ...rest } = edge;
  return { name, family, steel, edge: { ...rest, primaryDeg: secondaryDeg ?? edge.primaryDeg } };
}
