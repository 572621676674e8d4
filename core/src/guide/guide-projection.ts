import { formatLength } from '../base/length.js';
import { insist } from '../base/refusal.js';
import type { GuideGeometry } from './guide.js';
import { axleClearanceMm, backHeightMm, slipDegPerMm } from './seat-offsets.js';

interface GuideProjectionInput {
  readonly guide: GuideGeometry;
  /** Blade thickness, needed for a guide that registers the underside. */
  readonly thicknessMm?: number | undefined;
  /** Angle between the blade's back and the abrasive, 0 < angle < 90. */
  readonly angleDeg: number;
}

interface GuideProjection {
  /** From the guide's nose to the edge, along the back. */
  readonly projectionMm: number;
  /** How the angle changes for each mm the blade stands further out. */
  readonly degPerMm: number;
}

/**
 * How far the edge must stand out of the guide for an angle.
 * The abrasive's plane is tangent to the roller: (p + a)·sin θ − H·cos θ = r + c − k.
 * @throws Refusal on `angleDeg` when the blade would have to stand inside the guide.
 */
export function guideProjection(input: GuideProjectionInput): GuideProjection {
  const { guide, thicknessMm, angleDeg } = input;
  insist(angleDeg > 0 && angleDeg < 90, 'angleDeg', 'Choose an angle above 0° and below 90°.');
  const angle = (angleDeg * Math.PI) / 180;
  const height = backHeightMm(guide, thicknessMm);
  const reach = (axleClearanceMm(guide) + height * Math.cos(angle)) / Math.sin(angle);
  const projectionMm = reach - guide.noseMm;
  insist(
    projectionMm > 0,
    'angleDeg',
    `This guide cannot hold ${angleDeg}°: the edge would lie ${formatLength(-projectionMm, { units: 'mm' })} ` +
      'inside its nose. Choose a lower angle, a higher seat or another guide.',
  );
  return { projectionMm, degPerMm: slipDegPerMm(reach, height, angle) };
}
