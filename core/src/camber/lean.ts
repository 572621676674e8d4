import { tanDeg, toDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';
import { shallow } from './rocker.js';

export interface LeanInput {
  readonly widthMm: number;
  readonly camberMm: number;
  /** The bevel the guide is set for. */
  readonly bevelDeg: number;
}

/**
 * How far a blade is rolled about its own length, degrees, in a guide with a narrow or barrel wheel, until
 * the stone lies along the edge at its corner. The edge runs there at atan(4c/w) to the line square to the
 * blade; a plane with the blade at θ that holds that direction is rolled by ρ with sin ρ = 4c/w·tan θ.
 * @throws Refusal on `camberMm` where no roll reaches that far
 */
export function cornerLeanDeg({ widthMm, camberMm, bevelDeg }: LeanInput): number {
  shallow(camberMm, widthMm);
  const sine = ((4 * camberMm) / widthMm) * tanDeg(bevelDeg);
  insist(sine < 1, 'camberMm', 'No lean reaches the corners of so deep a curve: grind it to a template.');
  return toDeg(Math.asin(sine));
}
