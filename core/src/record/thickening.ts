import type { Tool } from '../blade/tool.js';
import { behindEdgeMm, isFlatGround } from '../work/body.js';
import { edgeAtFirst, type EdgeState } from './edge-state.js';

/** How thick a knife stands behind its edge, where its facets meet the body, mm. */
export interface Thickening {
  readonly firstMm: number;
  readonly nowMm: number;
  /** By how much it grew with each honing, mm. */
  readonly eachMm: number;
  /** Honings until it is twice as thick, as they went so far; none before anything came off. */
  readonly honingsLeft?: number;
  /** It has: strokes belong behind the edge, on the body. */
  readonly thick: boolean;
}

/** Twice as thick as at first a thin blade no longer goes through the cut as it did (estimate). */
const THICK = 2;

/**
 * Only the very edge is honed, so that a blade that tapers grows thicker behind it unnoticed: by how much so far, and
 * in how many honings it is twice that. Of flat ground knives; a convex or hollow one is honed behind its edge as it is.
 * @returns undefined of any other edge, or one without a body behind its facets
 */
export function thickeningOf(
  tool: Tool,
  { facets, honings, recessionMm }: Pick<EdgeState, 'facets' | 'honings' | 'recessionMm'>,
): Thickening | undefined {
  const { edge } = tool;
  if (!isFlatGround(edge)) return undefined;
  const firstMm = behindEdgeMm(edge, edgeAtFirst(tool).facets);
  const nowMm = behindEdgeMm(edge, facets);
  if (firstMm === undefined || nowMm === undefined) return undefined;
  const each = (nowMm - firstMm) / honings;
  const left = (THICK * firstMm - nowMm) / each;
  return {
    firstMm,
    nowMm,
    eachMm: honings > 0 ? Math.max(0, each) : 0,
    ...(recessionMm > 0 && each > 0 && { honingsLeft: Math.max(0, Math.round(left)) }),
    thick: nowMm >= THICK * firstMm,
  };
}
