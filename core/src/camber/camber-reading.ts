import { arcRadiusMm, sagittaMm } from '../base/arc.js';
import { sinDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';

interface CamberReadingInput {
  readonly widthMm: number;
  readonly bedDeg: number;
  readonly shavingMm: number;
  /** As measured. */
  readonly shavingWidthMm: number;
  /** How well the thickness is known, ± mm; a dial gauge's division unless given. */
  readonly shavingPmMm?: number;
  /** How well the width is known, ± mm. */
  readonly shavingWidthPmMm?: number;
}

interface ShavingCamber {
  readonly radiusMm: number;
  /** Sagitta over the iron's whole width. */
  readonly camberMm: number;
  /** The shaving is as wide as the iron: it has this camber at most. */
  readonly bound: boolean;
  /** The camber lies this much to either side (95 %, from how well the shaving is measured). */
  readonly pmMm: number;
}

/** How well a shaving is measured with a caliper, where nobody said, ± mm (estimates). */
export const SHAVING_PM_MM = 0.01;
export const SHAVING_WIDTH_PM_MM = 1;

/**
 * The camber an iron has, from a shaving it took: {@link import('./camber.js').camber} the other way
 * round. Near enough c = τw²/(ws²·sin β), so its relative ± is √((Δτ/τ)² + (2Δws/ws)²).
 * @throws Refusal on `shavingWidthMm` past the iron, on `shavingMm` past a half circle
 */
export function camberReading(input: CamberReadingInput): ShavingCamber {
  const { widthMm, bedDeg, shavingMm, shavingWidthMm } = input;
  const { shavingPmMm = SHAVING_PM_MM, shavingWidthPmMm = SHAVING_WIDTH_PM_MM } = input;
  insist(
    shavingWidthMm <= widthMm,
    'shavingWidthMm',
    `This shaving is wider than the iron: measure it again, flat; ${widthMm} mm is the most it can be.`,
  );
  const radiusMm = arcRadiusMm(shavingWidthMm, shavingMm / sinDeg(bedDeg));
  insist(
    radiusMm >= widthMm / 2,
    'shavingMm',
    'An iron so deeply curved would be past a half circle: measure thickness and width again.',
  );
  const camberMm = sagittaMm(radiusMm, widthMm);
  return {
    radiusMm,
    camberMm,
    bound: shavingWidthMm >= widthMm,
    pmMm: camberMm * Math.hypot(shavingPmMm / shavingMm, (2 * shavingWidthPmMm) / shavingWidthMm),
  };
}
