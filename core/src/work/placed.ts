import {
  PLACE_COUNTS,
  cornerPerStrokeMm,
  parabolaOf,
  placedProfile,
  type PlaceCount,
  type PlacedWork,
} from '../camber/camber-strokes.js';
import { honedDeg, type SingleBevelEdge } from '../blade/edge.js';

/** How an edge is curved, seen from the front. */
export interface EdgeCurve {
  /** Sagitta over the width, mm. */
  readonly camberMm: number;
  /** How much further back its right corner stands than its left, mm. */
  readonly leanMm: number;
}

/** A land shorter than this is not pressed by place, mm: a sliver wears away under the finger. */
const LEAST_LAND_MM = 0.05;

/** What a stroke of an abrasive works on, pressed by place. */
export const placedWork = (
  edge: SingleBevelEdge,
  positions: PlaceCount,
  landMm: number,
  removalPerStrokeMm3: number,
): PlacedWork => ({
  widthMm: edge.widthMm,
  positions,
  landMm: Math.max(landMm, LEAST_LAND_MM),
  secondaryDeg: honedDeg(edge),
  removalPerStrokeMm3,
});

/** Places as many as the list is long: what a record's strokes by place were pressed at. */
export const placeCountOf = (places: readonly number[]): PlaceCount | undefined =>
  PLACE_COUNTS.find((count) => count === places.length);

/**
 * The curve after strokes pressed by place, each count on the edge as curved as it is half way through them. Pressed
 * over eased corners they ease only those.
 * @param places strokes at each place, left to right; counts that are no known places leave the curve
 */
export function curveAfter(
  edge: SingleBevelEdge,
  curve: EdgeCurve,
  places: readonly number[],
  landMm: number,
  removalPerStrokeMm3: number,
): EdgeCurve {
  const positions = placeCountOf(places);
  if (!positions) return curve;
  const work = placedWork(edge, positions, landMm, removalPerStrokeMm3);
  const { front } = edge;
  if (front.shape === 'corners-relieved' && positions === 3) {
    const [left = 0, , right = 0] = places;
    const each = cornerPerStrokeMm(work, front.widthMm);
    return {
      camberMm: curve.camberMm + ((left + right) / 2) * each,
      leanMm: curve.leanMm + (right - left) * each,
    };
  }
  const changeFrom = (bowMm: number): EdgeCurve => parabolaOf(placedProfile(work, places, bowMm));
  const half = curve.camberMm + changeFrom(curve.camberMm).camberMm / 2;
  const change = changeFrom(half);
  return { camberMm: curve.camberMm + change.camberMm, leanMm: curve.leanMm + change.leanMm };
}
