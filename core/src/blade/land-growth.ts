import { insist } from '../base/refusal.js';
import { cosDeg, sinDeg, tanDeg } from '../base/trig.js';

interface LandGrowthInput {
  readonly primaryDeg: number;
  readonly secondaryDeg: number;
  /** How far the edge has receded along the back from where the primary would meet it. */
  readonly recessionMm: number;
  /** With it, the answer stays true past the point where the land has eaten the whole bevel. */
  readonly thicknessMm?: number;
}

interface LandGrowth {
  /** Length of the secondary along its own face. */
  readonly landMm: number;
  /** Cross-section of steel given up. */
  readonly steelMm2: number;
}

/** The land taken for a secondary bevel nobody has measured, mm (common practice, no source). */
export const ASSUMED_LAND_MM = 0.5;

/**
 * How wide the secondary bevel has grown and what steel it cost:
 * ℓ = e·tan θ1/((tan θ2 − tan θ1)·cos θ2), A = ½e²·tan θ1·tan θ2/(tan θ2 − tan θ1).
 * Once the land reaches the blade's full thickness there is one bevel again and every further mm
 * of recession costs a strip as high as the blade is thick.
 * @throws Refusal on `secondaryDeg` unless 0 < primary < secondary < 90; on `recessionMm` below 0.
 */
export function landGrowth(input: LandGrowthInput): LandGrowth {
  const { primaryDeg, secondaryDeg, recessionMm, thicknessMm } = input;
  requireRising(primaryDeg, secondaryDeg);
  insist(recessionMm >= 0, 'recessionMm', 'An edge only recedes: give 0 mm or more.');
  const whole = thicknessMm === undefined ? Infinity : wholeBevelRecessionMm(input, thicknessMm);
  const e = Math.min(recessionMm, whole);
  const [rise1, rise2] = [tanDeg(primaryDeg), tanDeg(secondaryDeg)];
  const steelMm2 = (e * e * rise1 * rise2) / (rise2 - rise1) / 2;
  return {
    landMm: (e * rise1) / ((rise2 - rise1) * cosDeg(secondaryDeg)),
    steelMm2: steelMm2 + (recessionMm - e) * (thicknessMm ?? 0),
  };
}

/** The inverse of {@link landGrowth}: the recession, in mm, behind a measured land. */
export function recessionForLand(primaryDeg: number, secondaryDeg: number, landMm: number): number {
  requireRising(primaryDeg, secondaryDeg);
  const [rise1, rise2] = [tanDeg(primaryDeg), tanDeg(secondaryDeg)];
  return (landMm * (rise2 - rise1) * cosDeg(secondaryDeg)) / rise1;
}

/** The widest land a blade can show, in mm: its whole thickness at the secondary angle. */
export function widestLandMm(thicknessMm: number, secondaryDeg: number): number {
  return thicknessMm / sinDeg(secondaryDeg);
}

/** A land that a blade allows: as long as its whole bevel at most, mm. */
export const landOn = (
  {
    thicknessMm,
    primaryDeg,
    secondaryDeg = primaryDeg,
  }: {
    readonly thicknessMm: number;
    readonly primaryDeg: number;
    readonly secondaryDeg?: number;
  },
  landMm: number,
): number => Math.min(landMm, widestLandMm(thicknessMm, secondaryDeg));

function wholeBevelRecessionMm({ primaryDeg, secondaryDeg }: LandGrowthInput, thicknessMm: number): number {
  return thicknessMm / tanDeg(primaryDeg) - thicknessMm / tanDeg(secondaryDeg);
}

function requireRising(primaryDeg: number, secondaryDeg: number): void {
  insist(primaryDeg > 0, 'primaryDeg', 'Choose a primary angle above 0°.');
  insist(secondaryDeg < 90, 'secondaryDeg', 'Choose a secondary angle below 90°.');
  insist(
    secondaryDeg > primaryDeg,
    'secondaryDeg',
    `A secondary bevel is steeper than the primary: choose more than ${primaryDeg}°, or leave it out.`,
  );
}
