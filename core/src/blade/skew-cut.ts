import { insist } from '../base/refusal.js';
import { cosDeg, tanDeg, toDeg } from '../base/trig.js';

interface SkewCutInput {
  /** Angle of the flat-backed edge, square to it. */
  readonly bevelDeg: number;
  /** How far the edge is turned from square to the cut. */
  readonly skewDeg: number;
}

/**
 * The angle the wood meets when an edge is turned to the cut: atan(tan α·cos λ), for a flat-backed
 * edge; a double bevel goes side by side, each its own. Plane geometry. 25°, skew 30° → 21.991°.
 * @throws Refusal on `bevelDeg` or `skewDeg` outside 0°..90°.
 */
export function skewCut({ bevelDeg, skewDeg }: SkewCutInput): { readonly effectiveDeg: number } {
  insist(bevelDeg > 0 && bevelDeg < 90, 'bevelDeg', 'Choose a bevel above 0° and below 90°.');
  insist(skewDeg >= 0 && skewDeg < 90, 'skewDeg', 'An edge can be turned from 0° to just below 90°.');
  return { effectiveDeg: toDeg(Math.atan(tanDeg(bevelDeg) * cosDeg(skewDeg))) };
}
