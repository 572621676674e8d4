import { insist } from '../base/refusal.js';
import type { Measured } from './profile-reading.js';

interface LightReadingInput {
  readonly widthMm: number;
  /** The thickest feeler that goes under a straightedge at each corner, while it rests on the middle, mm; 0 for none. */
  readonly leftMm: number;
  readonly rightMm: number;
  /** From one feeler to the next, mm. */
  readonly stepMm?: number;
}

interface LightReading {
  readonly camber: Measured;
  readonly lean: Measured;
  readonly told: boolean;
}

/** From one leaf of a feeler gauge to the next, mm. */
export const FEELER_STEP_MM = 0.02;

/**
 * The camber from light under a straightedge, by feelers: the mean of the two corners, whichever way it
 * rocks; their difference is lean. A gap lies somewhere between the leaf that goes and the next: uniform over
 * a step, so half a step more than the leaf, and ± from two of them (JCGM 100, 4.3.7).
 * @throws Refusal on `leftMm` where a corner stands further back than a half circle would
 */
export function lightReading({
  widthMm,
  leftMm,
  rightMm,
  stepMm = FEELER_STEP_MM,
}: LightReadingInput): LightReading {
  insist(
    (leftMm + rightMm) / 2 <= widthMm / 2,
    'leftMm',
    'So much light is no camber: the straightedge does not rest on the middle of the edge.',
  );
  const sd = stepMm / Math.sqrt(12);
  const none = leftMm === 0 && rightMm === 0;
  const camber = { mm: none ? 0 : (leftMm + rightMm) / 2 + stepMm / 2, pmMm: 1.96 * (sd / Math.SQRT2) };
  return {
    camber: none ? { mm: 0, pmMm: stepMm } : camber,
    lean: { mm: rightMm - leftMm, pmMm: 1.96 * sd * Math.SQRT2 },
    told: camber.mm > camber.pmMm && !none,
  };
}
