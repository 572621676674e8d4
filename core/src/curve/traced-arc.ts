import { insist } from '../base/refusal.js';
import { gougeArc } from './gouge-arc.js';

interface TracedArcInput {
  /** From corner to corner of the tracing. */
  readonly widthMm: number;
  /** Heights of the traced line over the line between its corners, each so far from the left one; one at least. */
  readonly heights: readonly { readonly atMm: number; readonly heightMm: number }[];
}

interface TracedArc {
  readonly radiusMm: number;
  readonly depthMm: number;
  readonly arcDeg: number;
  /** How far the readings lie off that circle, root mean square; 0 of a single one. */
  readonly offMm: number;
}

/**
 * The sweep of a gouge from its edge pressed into paper or drawn round: the circle through both corners that lies nearest
 * to what was read between them, least squares in the algebraic distance (Kåsa, 1976), which is linear in its middle.
 * @throws Refusal on `heights` without one above 0
 * @example tracedArc({ widthMm: 20, heights: [{ atMm: 10, heightMm: 5 }] }) // radius 12.5, depth 5
 */
export function tracedArc({ widthMm, heights }: TracedArcInput): TracedArc {
  const squares = heights.reduce((sum, { heightMm: h }) => sum + h * h, 0);
  insist(
    heights.length > 0 && heights.every(({ heightMm }) => heightMm > 0),
    'heights',
    'Give one height of the tracing over its corners at least, above 0 mm.',
  );
  // x² + y² − w·x − 2·m·y = 0 through both corners; m, the height of its middle, is what is looked for.
  const middleMm =
    heights.reduce((sum, { atMm: x, heightMm: h }) => sum + h * (x * x + h * h - widthMm * x), 0) /
    (2 * squares);
  const radiusMm = Math.hypot(widthMm / 2, middleMm);
  const depthMm = middleMm + radiusMm;
  const off = heights.map(
    ({ atMm, heightMm }) => Math.hypot(atMm - widthMm / 2, heightMm - middleMm) - radiusMm,
  );
  return {
    radiusMm,
    depthMm,
    arcDeg: gougeArc({ widthMm, depthMm }).arcDeg,
    offMm: Math.sqrt(off.reduce((sum, mm) => sum + mm * mm, 0) / off.length),
  };
}
