import type { Standing } from '../record/tool-record.js';
import { asItStands } from '../record/edge-state.js';
import type { Facet } from '../work/facet.js';
import { byTurns, honedFacet } from '../work/sides.js';
import { pushOf } from './bench-step.js';
import { defaultRequest, type AskedOf } from './default-request.js';
import type { Tool } from '../blade/tool.js';
import type { HoningPlan, PlanStep } from './honing-plan.js';
import type { Rounds } from './knives-in-jig.js';
import { stepsInOrder } from './order-of-work.js';
import type { PlanRequest } from './plan-request.js';
import type { StropPurpose } from './strop-work.js';
import type { TooMuch, WayOut } from './honing-plan.js';
import { planHoning } from './ways-out.js';

/** One step of a plan, as it is done. */
export interface AnsweredStep {
  readonly abrasiveId: string;
  /** Both faces alike, of an edge that has two, where it names the bevel. */
  readonly facet: Facet;
  readonly strokes: number;
  /** Strokes in four of five cases. */
  readonly low: number;
  readonly high: number;
  readonly minutes: number;
  /** What it is for where it is used as a strop. */
  readonly purpose?: StropPurpose;
  /** Push all through, N; each stroke cuts to and fro; strokes by place across the edge. */
  readonly forceN?: number;
  readonly bothWays?: boolean;
  readonly places?: readonly number[];
  /** Strokes by place that give the edge its curve. */
  readonly curve?: boolean;
  /** Of a set of knives: which are in the jig, round by round. */
  readonly rounds?: Rounds;
}

/** The plan the page would show, in the order it is done. */
export interface PlanAnswer {
  readonly request: PlanRequest;
  readonly grinding?: HoningPlan['grinding'];
  readonly steps: readonly AnsweredStep[];
  /** All of it: care, dips, settings, strokes and strop. */
  readonly totalMin: number;
  /** Minutes in four of five cases. */
  readonly low: number;
  readonly high: number;
  /** By the wheel and the stones together. */
  readonly recessionMm: number;
  readonly landAfterMm?: number;
  readonly tooMuch?: { readonly why: string; readonly ways: readonly WayOut[] };
}

/**
 * The plan for a tool from what is stored, by the default request where nothing else is asked.
 * @throws Refusal as planHoning
 */
export function planAnswer(of: AskedOf, asked: Partial<PlanRequest>): PlanAnswer {
  const { bench, record, stones } = of;
  const tool = asItStands(of.tool, (record as Standing | undefined)?.state);
  const request = defaultRequest({ ...of, tool }, asked);
  const plan = planHoning(tool, bench, request, stones);
  const { job, grinding, totalMin, lowMin, highMin, tooMuch } = plan;
  return {
    request,
    ...(grinding && { grinding }),
    steps: answered(tool, plan, request),
    totalMin,
    low: lowMin ?? totalMin,
    high: highMin ?? totalMin,
    recessionMm: job.recessionMm + (grinding?.backMm ?? 0),
    ...(tool.edge.form === 'single-bevel' && { landAfterMm: job.landAfterMm }),
    ...(tooMuch && { tooMuch: { why: whyTooMuch(tooMuch), ways: tooMuch.ways } }),
  };
}

/** In the order they are done; of an edge worked by turns, both sides of a stone together. */
function answered(tool: Tool, plan: HoningPlan, request: PlanRequest): readonly AnsweredStep[] {
  const steps = stepsInOrder(tool, plan, request);
  return steps
    .filter(({ part }, i) => steps[i - 1]?.part.of !== part.of)
    .map(({ abrasiveId, facet, part, bothWays, purpose, curve, ...push }): AnsweredStep => {
      const { strokes, minutes, low, high, places, rounds } = part.of as PlanStep;
      return {
        abrasiveId,
        facet:
          (byTurns(tool.edge) && facet !== 'body' ? undefined : facet) ?? honedFacet(tool.edge) ?? 'bevel',
        strokes,
        low: low ?? strokes,
        high: high ?? strokes,
        minutes,
        forceN: pushOf(push, request.forceN),
        ...(purpose && { purpose }),
        ...(bothWays && { bothWays }),
        ...(places && { places }),
        ...(curve && { curve }),
        ...(rounds && { rounds }),
      };
    });
}

const whyTooMuch = ({ strokes, rubbingMin, ofEach }: TooMuch): string =>
  `Not on these stones: ${String(strokes)} strokes on one of them${ofEach ? ' for each knife' : ''}, ${String(Math.round(rubbingMin))} minutes of rubbing.`;
