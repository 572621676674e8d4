import { segmentMm2 } from '../blade/hollow-grind.js';
import { sagittaMm } from '../base/arc.js';
import { insist } from '../base/refusal.js';

export interface HollowedBackInput {
  readonly wheelRadiusMm: number;
  /** The flat back from the edge to its far side, along the blade. */
  readonly backMm: number;
  /** What stays flat at the edge, and at the far side. */
  readonly edgeRimMm: number;
  readonly farRimMm: number;
  /** Hollows side by side; one unless said. */
  readonly passes?: number;
}

interface HollowedBack {
  /** Of each hollow along the blade, and its depth. */
  readonly chordMm: number;
  readonly depthMm: number;
  /** Steel ground out of every millimetre of edge. */
  readonly areaMm2: number;
  /** What is left to polish, along the blade. */
  readonly rimsMm: number;
}

/** Nearer the edge nobody hollows: the edge would fall into the hollow with the next grindings (estimate). */
export const LEAST_EDGE_RIM_MM = 2;

/**
 * A flat back hollowed on a wheel whose axle lies along the edge: between the rims one hollow after the other, each a
 * segment of the wheel’s circle, s = R − √(R² − c²/4) deep. Plane geometry.
 * @throws Refusal where the rims leave nothing between them, the edge’s own is too narrow, or a hollow is wider than the wheel
 * @example wheel R 75, back 30, rims 3 and 3: chord 24, depth 0.966 mm; in three passes 8 and 0.107 mm
 */
export function hollowedBack(input: HollowedBackInput): HollowedBack {
  const { wheelRadiusMm, backMm, edgeRimMm, farRimMm, passes = 1 } = input;
  insist(
    edgeRimMm >= LEAST_EDGE_RIM_MM,
    'edgeRimMm',
    `Leave ${LEAST_EDGE_RIM_MM} mm flat at the edge at least: a hollow that runs out at the edge spoils it.`,
  );
  insist(farRimMm > 0, 'farRimMm', 'Leave a rim at the far side too, or the back has nothing to lie on.');
  insist(Number.isInteger(passes) && passes >= 1, 'passes', 'Passes are counted: give a whole number.');
  const rimsMm = edgeRimMm + farRimMm;
  insist(
    rimsMm < backMm,
    'backMm',
    `The rims leave nothing between them: the back is ${backMm} mm, they are ${rimsMm} mm.`,
  );
  const chordMm = (backMm - rimsMm) / passes;
  insist(
    chordMm < 2 * wheelRadiusMm,
    'passes',
    'So wide a hollow no wheel of that size makes in one: take more passes.',
  );
  const depthMm = sagittaMm(wheelRadiusMm, chordMm);
  return { chordMm, depthMm, areaMm2: passes * segmentMm2(wheelRadiusMm, depthMm), rimsMm };
}
