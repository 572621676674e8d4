import type { Edge, KnifeEdge } from '../blade/edge.js';
import { sinDeg, tanDeg } from '../base/trig.js';
import type { FacetNow } from './edge-at-work.js';
import { taperDeg } from './sides.js';
import { takenMm3, type WorkItem } from './worked.js';

/** A knife ground flat, whose body tapers behind its facets; a convex or hollow one is honed behind its edge as it is. */
export const isFlatGround = (edge: Edge): edge is KnifeEdge => edge.form === 'knife' && edge.grind === 'flat';

/** How thick a knife stands behind its edge, where its facets meet the body, mm: both their heights over the centre plane. */
export function behindEdgeMm(
  { leftDeg, rightDeg }: Pick<KnifeEdge, 'leftDeg' | 'rightDeg'>,
  facets: readonly Pick<FacetNow, 'facet' | 'lengthMm'>[],
): number | undefined {
  const length = (name: 'left' | 'right'): number | undefined =>
    facets.find(({ facet }) => facet === name)?.lengthMm;
  const [left, right] = [length('left'), length('right')];
  return left === undefined || right === undefined
    ? undefined
    : left * sinDeg(leftDeg) + right * sinDeg(rightDeg);
}

/**
 * Strokes flat on the body, both sides together, that take off what it grew by: a body lower by h brings its meeting
 * with a facet down by h·tan β/(tan β − tan γ), so the steel is a·(1 − tan γ/tan β)·length·width for a growth a. Plane
 * geometry, β the mean of its two facets.
 * @param item the stone they are made on, its strokes not counted
 * @example bodyStrokes(knife, 0.004, { forceN: 20, strokeMm: 120, removalMm3PerNm: 0.015, steelFactor: 1, … }) // 40
 */
export function bodyStrokes(edge: KnifeEdge, grownMm: number, item: Omit<WorkItem, 'strokes'>): number {
  const facet = (tanDeg(edge.leftDeg) + tanDeg(edge.rightDeg)) / 2;
  const share = 1 - tanDeg(taperDeg(edge)) / facet;
  const steelMm3 = grownMm * share * edge.lengthMm * edge.widthMm;
  return 2 * Math.ceil(steelMm3 / takenMm3({ ...item, strokes: 1 }) / 2);
}
