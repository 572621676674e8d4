import { sinDeg, tanDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';

interface PrimaryShapingInput {
  readonly thicknessMm: number;
  readonly foundDeg: number;
  /** Flatter than found. */
  readonly wantedDeg: number;
  /** The land left standing at the edge, along the face as it was found. */
  readonly landLeftMm?: number;
}

/**
 * Cross-section of a blade's end to be taken off to make its primary flatter, the edge left where it is:
 * ½(t − ℓ·sin f)²(cot w − cot f). Plane geometry.
 * @throws Refusal on `wantedDeg` unless it is flatter, on `landLeftMm` where it is the whole bevel
 * @example primaryShaping({ thicknessMm: 3, foundDeg: 34, wantedDeg: 25 }) // 2.978757 mm²; with 0.7 left 2.252142
 */
export function primaryShaping(input: PrimaryShapingInput): { readonly steelMm2: number } {
  const { thicknessMm, foundDeg, wantedDeg, landLeftMm = 0 } = input;
  insist(thicknessMm > 0, 'thicknessMm', 'A blade has some thickness: give more than 0 mm.');
  insist(foundDeg > 0 && foundDeg < 90, 'foundDeg', 'Choose the angle found above 0° and below 90°.');
  insist(
    wantedDeg > 0 && wantedDeg < foundDeg,
    'wantedDeg',
    `A primary is shaped flatter than it was found: choose less than ${foundDeg}°.`,
  );
  const height = thicknessMm - landLeftMm * sinDeg(foundDeg);
  insist(landLeftMm >= 0 && height >= 0, 'landLeftMm', 'That is the whole bevel: leave a shorter land.');
  return { steelMm2: (height * height * (1 / tanDeg(wantedDeg) - 1 / tanDeg(foundDeg))) / 2 };
}
