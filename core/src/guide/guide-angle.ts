import { insist } from '../base/refusal.js';
import { toDeg } from '../base/trig.js';
import type { GuideGeometry } from './guide.js';
import { axleClearanceMm, backHeightMm, slipDegPerMm } from './seat-offsets.js';

interface GuideAngleInput {
  readonly guide: GuideGeometry;
  readonly thicknessMm?: number | undefined;
  /** From the guide's nose to the edge, > 0. */
  readonly projectionMm: number;
}

interface GuideAngle {
  readonly angleDeg: number;
  readonly degPerMm: number;
}

/**
 * The angle a projection gives: the tangency of `guide-projection` solved for θ,
 * θ = atan2(H, p + a) + asin((r + c − k)/√((p + a)² + H²)).
 * @throws Refusal on `projectionMm` when it is not above zero, or the guide gives no angle
 * between 0° and 90° there.
 */
export function guideAngle(input: GuideAngleInput): GuideAngle {
  const { guide, thicknessMm, projectionMm } = input;
  insist(
    projectionMm > 0,
    'projectionMm',
    'The edge has to stand out of the guide: give a projection above 0 mm.',
  );
  const height = backHeightMm(guide, thicknessMm);
  const reach = projectionMm + guide.noseMm;
  const sine = axleClearanceMm(guide) / Math.hypot(reach, height);
  const angle = Math.abs(sine) <= 1 ? Math.atan2(height, reach) + Math.asin(sine) : NaN;
  const angleDeg = toDeg(angle);
  insist(
    angleDeg > 0 && angleDeg < 90,
    'projectionMm',
    'At this projection the guide gives no angle between 0° and 90°: the roller and the edge ' +
      'cannot both touch the stone. Set the blade further out.',
  );
  return { angleDeg, degPerMm: slipDegPerMm(reach, height, angle) };
}
