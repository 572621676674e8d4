import { insist } from '../base/refusal.js';
import { cosDeg, sinDeg, tanDeg, toDeg } from '../base/trig.js';
import type { Point } from './section.js';

/** A tip worn round: the circle that touches both faces, mm. */
export interface WornTip {
  readonly centre: Point;
  readonly radiusMm: number;
  /** Where it leaves the upper and the lower face. */
  readonly upper: Point;
  readonly lower: Point;
}

/** The rounded tip between faces at `upperDeg` above and `lowerDeg` below the axis, edge at the origin. */
export function wornTip(upperDeg: number, lowerDeg: number, radiusUm: number): WornTip {
  const radiusMm = radiusUm / 1000;
  const half = (upperDeg + lowerDeg) / 2;
  insist(half > 0 && half < 90, 'includedDeg', 'Choose an included angle between 0° and 180°.');
  const along = (length: number, deg: number): Point => ({
    x: length * cosDeg(deg),
    y: length * sinDeg(deg),
  });
  const touching = radiusMm / tanDeg(half);
  return {
    centre: along(radiusMm / sinDeg(half), (upperDeg - lowerDeg) / 2),
    radiusMm,
    upper: along(touching, upperDeg),
    lower: along(touching, -lowerDeg),
  };
}

/**
 * The angle of the facet from `from` through a point dragged to `to`, degrees, held within
 * `least`..`most` so that a drawing never leaves the range its field accepts.
 */
export function facetAngleThrough(from: Point, to: Point, least: number, most: number): number {
  const deg = toDeg(Math.atan2(to.y - from.y, to.x - from.x));
  return Math.min(most, Math.max(least, deg));
}
