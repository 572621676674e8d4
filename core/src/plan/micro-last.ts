import type { Edge, SingleBevelEdge } from '../blade/edge.js';
import { ASSUMED } from '../blade/section.js';
import { facetsNow, landMmOf, type EdgeAtWork, type ToolAtWork } from '../work/edge-at-work.js';
import { worked, type WorkItem } from '../work/worked.js';
import type { PlanRequest } from './plan-request.js';

/** Grown to so many times its length a micro-bevel is renewed: one, at most two before going back to the set angle (common practice, no source). */
const GROWN = 2;
/** One shorter than this was only put on for now, mm (estimate): it is honed as it is. */
const FOR_NOW_MM = 0.05;
/** No micro-bevel takes more strokes than this to clear what the stone before left. */
const MOST_STROKES = 60;

type MicroEdge = SingleBevelEdge & { readonly secondaryDeg: number; readonly microDeg: number };

const hasMicro = (edge: Edge): edge is MicroEdge =>
  edge.form === 'single-bevel' && edge.microDeg !== undefined && edge.secondaryDeg !== undefined;

/**
 * Whether an edge goes back to its secondary before its micro-bevel is made anew on the last stone: new from its
 * maker or of unknown history, ground, or with a micro-bevel that has grown.
 */
export function isMicroLast(
  { edge }: ToolAtWork,
  { condition, grind }: PlanRequest,
  start: EdgeAtWork,
): boolean {
  if (!hasMicro(edge)) return false;
  const { microLandMm = ASSUMED.microLandMm } = edge;
  if (microLandMm < FOR_NOW_MM) return false;
  if (grind || condition.kind === 'new' || condition.kind === 'unknown') return true;
  const micro = facetsNow(edge, start).find(({ facet }) => facet === 'micro');
  return (micro?.lengthMm ?? 0) >= GROWN * microLandMm;
}

/**
 * The same tool as if it had no micro-bevel: its end stands where the micro-bevel has taken it to, square, and the
 * secondary has to be honed through to there first.
 */
export function belowMicro(tool: ToolAtWork, start: EdgeAtWork): ToolAtWork {
  const { edge } = tool;
  if (!hasMicro(edge)) return tool;
  const { microDeg: _deg, microLandMm: _land, ...rest } = edge;
  const { micro, ...atMm } = start.atMm;
  return {
    ...tool,
    edge: { ...rest, landMm: landMmOf(edge, start) },
    work: { ...start, atMm, ...(micro !== undefined && { jointMm: micro }) },
  };
}

/** Strokes of the last stone that renew a micro-bevel and clear the marks of the stone before it, no fewer than asked. */
export function microStrokes(
  edge: Edge,
  before: EdgeAtWork,
  item: Omit<WorkItem, 'strokes' | 'facet'>,
  minStrokes: number,
): number {
  for (let strokes = minStrokes; strokes < MOST_STROKES; strokes++) {
    const { marksUm } = worked(edge, before, { ...item, facet: 'micro', strokes });
    if ((marksUm.micro ?? 0) <= item.marksUm + 1e-9) return strokes;
  }
  return MOST_STROKES;
}
