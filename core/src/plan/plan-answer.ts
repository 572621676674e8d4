import type { Edge } from '../edge/edge.js';
import type { ToolRecord } from '../record/tool-record.js';
import { asItStands } from '../record/edge-state.js';
import type { Facet } from '../work/facet.js';
import { honedFacet } from '../work/sides.js';
import { defaultRequest, type AskedOf } from './default-request.js';
import type { HoningPlan } from './honing-plan.js';
import type { PlanRequest } from './plan-request.js';
import { planHoning, type TooMuch, type WayOut } from './ways-out.js';

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
  /** Push, N; each stroke cuts to and fro; strokes by place across the edge. */
  readonly forceN?: number;
  readonly bothWays?: boolean;
  readonly places?: readonly number[];
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
  const tool = asItStands(of.tool, (record as ToolRecord | undefined)?.state);
  const request = defaultRequest({ ...of, tool }, asked);
  const plan = planHoning(tool, bench, request, stones);
  const { job, grinding, totalMin, lowMin, highMin, tooMuch } = plan;
  return {
    request,
    ...(grinding && { grinding }),
    steps: stepsOf(tool.edge, plan, request),
    totalMin,
    low: lowMin ?? totalMin,
    high: highMin ?? totalMin,
    recessionMm: job.recessionMm + (grinding?.backMm ?? 0),
    ...(tool.edge.form === 'single-bevel' && { landAfterMm: job.landAfterMm }),
    ...(tooMuch && { tooMuch: { why: whyTooMuch(tooMuch), ways: tooMuch.ways } }),
  };
}

/** In the order they are done: a primary made flatter, the back prepared, the curve where a coarser stone shapes it, the edge, the strop. */
function stepsOf(edge: Edge, plan: HoningPlan, { way, forceN }: PlanRequest): readonly AnsweredStep[] {
  const { shaping, back = [], camber, steps, strop, bareStrop } = plan;
  const atEdge = honedFacet(edge) ?? 'bevel';
  const step = (
    { id, strokes, low, high, minutes, forceN: push, places }: PlannedStep,
    facet: Facet,
  ): AnsweredStep => ({
    abrasiveId: id,
    facet,
    strokes,
    low: low ?? strokes,
    high: high ?? strokes,
    minutes,
    forceN: push ?? forceN,
    ...(way === 'both' && { bothWays: true }),
    ...(places && { places }),
  });
  const curve = camber ? [step(camber, atEdge)] : [];
  const honed = steps.map((each) => step(each, atEdge));
  return [
    ...(shaping ? [step(shaping, 'primary')] : []),
    ...back.filter(({ prepares }) => prepares).map((each) => step(each, 'back')),
    ...(camber?.before ? curve : []),
    ...honed.slice(0, 1),
    ...(camber?.before ? [] : curve),
    ...honed.slice(1),
    ...[strop, bareStrop].flatMap((each) => (each ? [step({ ...each, forceN: each.firstN }, atEdge)] : [])),
  ];
}

interface PlannedStep {
  readonly id: string;
  readonly strokes: number;
  readonly low?: number;
  readonly high?: number;
  readonly minutes: number;
  readonly forceN?: number;
  readonly places?: readonly number[];
}

const whyTooMuch = ({ strokes, rubbingMin }: TooMuch): string =>
  `Not on these stones: ${String(strokes)} strokes on one of them, ${String(Math.round(rubbingMin))} minutes of rubbing.`;
