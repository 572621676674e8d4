import type { Tool } from '../blade/tool.js';
import { behindEdgeMm, bodyStrokes, isFlatGround } from '../work/body.js';
import { facetsNow, unworked, type EdgeAtWork } from '../work/edge-at-work.js';
import { fastestOf } from './fastest.js';
import { itemOn } from './left-by-steps.js';
import type { ProgressionInput } from './progression.js';

/** Strokes flat on a knife’s body, of both its sides, before its edge is honed. */
export interface BodyStep {
  readonly id: string;
  readonly strokes: number;
  readonly minutes: number;
  /** Push on it, N, where it is not the plan’s. */
  readonly forceN?: number;
}

/** More strokes than these nobody gives a blade’s body at one honing (estimate). */
const MOST_STROKES = 120;

/**
 * Strokes flat on a flat ground knife’s body, on the fastest stone, that take off what it stands thicker behind its edge
 * than at first; what is too much for one honing is left to the next ones.
 * @param left the edge as the honing alone would leave it
 * @param firstId the stone its edge is then begun on: the same one is changed to once
 * @returns nothing for any other edge, or one that has not grown thicker
 */
export function bodyStep(
  tool: Tool,
  left: EdgeAtWork,
  { abrasives, job }: Pick<ProgressionInput, 'abrasives' | 'job'>,
  firstId?: string,
): BodyStep | undefined {
  const { edge } = tool;
  const stone = fastestOf(abrasives, job);
  if (!isFlatGround(edge) || !stone) return undefined;
  const thickMm = (state: EdgeAtWork): number => behindEdgeMm(edge, facetsNow(edge, state)) ?? 0;
  const grownMm = thickMm(left) - thickMm(unworked(edge));
  if (grownMm <= 0) return undefined;
  const strokes = Math.min(MOST_STROKES, bodyStrokes(edge, grownMm, itemOn(tool, stone, job)));
  return {
    id: stone.id,
    strokes,
    minutes: strokes / job.strokesPerMin + (stone.id === firstId ? 0 : stone.overheadMin),
    ...(stone.forceN !== undefined && { forceN: stone.forceN }),
  };
}
