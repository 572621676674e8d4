import { insist } from '../base/refusal.js';
import type { GuideGeometry } from './guide.js';

/**
 * H, the height in mm of the blade's back above the roller axle, measured square to the back: the
 * seat height, plus the blade's thickness where the guide registers the underside.
 * @throws Refusal on `thicknessMm` when the underside is registered and no thickness is known.
 */
export function backHeightMm(guide: GuideGeometry, thicknessMm?: number): number {
  if (guide.seat !== 'underside') return guide.seatHeightMm;
  insist(
    thicknessMm !== undefined,
    'thicknessMm',
    'This seat holds the blade by its underside; give the blade’s thickness.',
  );
  return guide.seatHeightMm + thicknessMm;
}

/** r + c − k: the distance in mm, square to the abrasive, from the axle down to its plane. */
export function axleClearanceMm(guide: GuideGeometry): number {
  return guide.rollerRadiusMm + (guide.camRiseMm ?? 0) - (guide.rollerDropMm ?? 0);
}

/**
 * dθ/dp in degrees per mm of projection, from differentiating
 * (p + a)·sin θ − H·cos θ = const. Signed: negative, since a longer projection is a lower angle.
 */
export function slipDegPerMm(reachMm: number, heightMm: number, angleRad: number): number {
  const perRadian = reachMm * Math.cos(angleRad) + heightMm * Math.sin(angleRad);
  return ((-Math.sin(angleRad) / perRadian) * 180) / Math.PI;
}
