import { arcRadiusMm, sagittaMm } from '../base/arc.js';
import { sinDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';

interface CamberInput {
  readonly widthMm: number;
  readonly bedDeg: number;
  /** Thickness of the shaving in its middle. */
  readonly shavingMm: number;
  /** How wide the shaving is to be; the iron's whole width unless given. */
  readonly shavingWidthMm?: number;
  /** How far one pass lies beside the one before. */
  readonly passStepMm?: number;
}

export interface Camber {
  readonly radiusMm: number;
  /** Sagitta over the whole width: the light at each corner under a straightedge. */
  readonly camberMm: number;
  /** Height of the ridge left between two passes. */
  readonly cuspMm?: number;
}

/**
 * The arc for a shaving: the edge recedes in the plane of the back, and what shows below the sole is that
 * times sin(bed), so a shaving τ thick and w wide needs a sagitta s = τ/sin β over w and a radius
 * R = (w²/4 + s²)/2s. The ridge between passes is the sagitta over one step, times sin β, at most τ.
 * @throws Refusal on `shavingWidthMm` and `passStepMm` past the iron, on `shavingMm` past a half circle
 */
export function camber(input: CamberInput): Camber {
  const { widthMm, bedDeg, shavingMm, shavingWidthMm = widthMm, passStepMm } = input;
  insist(
    shavingWidthMm <= widthMm,
    'shavingWidthMm',
    `A shaving cannot be wider than its iron: give ${widthMm} mm or less.`,
  );
  insist(
    passStepMm === undefined || passStepMm <= widthMm,
    'passStepMm',
    `Passes further apart than the iron is wide leave wood between them: give ${widthMm} mm or less.`,
  );
  const radiusMm = arcRadiusMm(shavingWidthMm, shavingMm / sinDeg(bedDeg));
  insist(
    radiusMm >= widthMm / 2,
    'shavingMm',
    'So thick a shaving over so little width asks for more than a half circle: make it thinner or wider.',
  );
  return {
    radiusMm,
    camberMm: sagittaMm(radiusMm, widthMm),
    ...(passStepMm !== undefined && {
      cuspMm: Math.min(shavingMm, sagittaMm(radiusMm, passStepMm) * sinDeg(bedDeg)),
    }),
  };
}

/** The camber, mm, that takes the same shaving on another bed: what shows below the sole is it times sin(bed). */
export const camberOnBed = (camberMm: number, bedDeg: number, otherDeg: number): number =>
  (camberMm * sinDeg(bedDeg)) / sinDeg(otherDeg);
