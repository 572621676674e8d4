import { insist } from '../base/refusal.js';
import { sinDeg } from '../base/trig.js';

interface EdgeKeepInput {
  /** Included angle of the edge. */
  readonly angleDeg: number;
  /** Included angle it is compared with. */
  readonly referenceDeg: number;
}

/**
 * How much of a reference edge's useful wear another keeps. An edge that dulls to the same radius ρ
 * has lost ρ·(1/sin(α/2) − 1) along its bisector, so the ratio is that of the brackets, whatever ρ.
 * Plane geometry. 40° against 30° → 0.6718 (common practice: about a third lost).
 * @throws Refusal on the angle outside 0°..180°.
 */
export function edgeKeep({ angleDeg, referenceDeg }: EdgeKeepInput): { readonly ratio: number } {
  return { ratio: tipLoss(angleDeg, 'angleDeg') / tipLoss(referenceDeg, 'referenceDeg') };
}

/** Length lost at the tip, along the bisector, in tip radii: 1/sin(α/2) − 1. */
export function tipLoss(includedDeg: number, field = 'includedDeg'): number {
  insist(includedDeg > 0 && includedDeg < 180, field, 'Choose an included angle between 0° and 180°.');
  return 1 / sinDeg(includedDeg / 2) - 1;
}
