import type { KnifeEdge } from '../blade/edge.js';
import { sinDeg, tanDeg } from '../base/trig.js';
import type { Tool } from '../blade/tool.js';
import { taperDeg } from '../work/sides.js';
import { takenMm3, type WorkItem } from '../work/worked.js';
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
  if (edge.form !== 'knife' || edge.grind !== 'flat') return undefined;
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

/**
 * Strokes flat on the body, both sides together, that take off at each honing what it would grow by: a body lower by h
 * brings its meeting with a facet down by h·tan β/(tan β − tan γ), so the steel is a·(1 − tan γ/tan β)·length·width for a
 * growth a. Plane geometry, β the mean of its two facets.
 * @param item the stone they are made on, its strokes not counted
 * @example bodyStrokes(knife, 0.004, { forceN: 20, strokeMm: 120, removalMm3PerNm: 0.015, steelFactor: 1, … }) // 40
 */
export function bodyStrokes(edge: KnifeEdge, eachMm: number, item: WorkItem): number {
  const facet = (tanDeg(edge.leftDeg) + tanDeg(edge.rightDeg)) / 2;
  const share = 1 - tanDeg(taperDeg(edge)) / facet;
  const steelMm3 = eachMm * share * edge.lengthMm * edge.widthMm;
  return 2 * Math.ceil(steelMm3 / takenMm3({ ...item, strokes: 1 }) / 2);
}

/** The facets' two heights over the centre plane, where they end. */
function behindEdgeMm({ leftDeg, rightDeg }: KnifeEdge, facets: EdgeState['facets']): number | undefined {
  const length = (name: 'left' | 'right'): number | undefined =>
    facets.find(({ facet }) => facet === name)?.lengthMm;
  const [left, right] = [length('left'), length('right')];
  return left === undefined || right === undefined
    ? undefined
    : left * sinDeg(leftDeg) + right * sinDeg(rightDeg);
}
