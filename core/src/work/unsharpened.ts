import type { Edge } from '../blade/edge.js';
import { cosDeg, tanDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';
import type { EdgeAtWork } from './edge-at-work.js';
import { sidesOf } from './sides.js';

interface UnsharpenedInput {
  /** How thick the blade is where its edge will be, mm. */
  readonly thickMm: number;
  /** Of the facet that is to be honed, and of the body behind it, each to the centre plane. */
  readonly facetDeg: number;
  readonly bodyDeg: number;
}

interface UnsharpenedWork {
  /** Length of the facet along its face once it meets the centre plane, mm. */
  readonly facetMm: number;
  /** Steel of one side, mm² of its section. */
  readonly steelMm2: number;
}

/**
 * What one facet takes of a knife that has no edge yet, its end staying where it is: the facet’s heel lies
 * x = (t/2)/(tan β − tan γ) behind the end, the steel is ½·(t/2)·x. Plane geometry.
 * @throws Refusal on `facetDeg` unless it is steeper than the body
 * @example unsharpenedWork({ thickMm: 0.5, facetDeg: 12, bodyDeg: 4 }) // { facetMm: 1.792…, steelMm2: 0.219… }
 */
export function unsharpenedWork({ thickMm, facetDeg, bodyDeg }: UnsharpenedInput): UnsharpenedWork {
  const between = tanDeg(facetDeg) - tanDeg(bodyDeg);
  insist(between > 0, 'facetDeg', 'A facet no steeper than the blade’s own taper never meets the other.');
  const heelMm = thickMm / 2 / between;
  return { facetMm: heelMm / cosDeg(facetDeg), steelMm2: (thickMm / 4) * heelMm };
}

/** Whether a knife can be said to have no edge yet: two plain facets on a body that tapers less. */
export const mayBeUnsharpened = (edge: Edge): boolean =>
  edge.form === 'knife' &&
  edge.grind === 'flat' &&
  [sidesOf(edge).one, sidesOf(edge).other].every((side) => side?.facets.length === 2);

/** A knife as it comes from its maker without an edge: a square end so thick, its facets not there yet. */
export function withoutEdge(edge: Edge, state: EdgeAtWork, thickMm: number): EdgeAtWork {
  const { one, other } = sidesOf(edge);
  const facets = [...one.facets, ...(other?.facets ?? [])];
  // Each plane passes through the corner of the end.
  const through = facets.map(({ facet, deg }) => [facet, -thickMm / 2 / tanDeg(deg)] as const);
  return { ...state, atMm: { ...state.atMm, ...Object.fromEntries(through) }, jointMm: 0 };
}
