import { cosDeg, sinDeg } from '../base/trig.js';

/**
 * Where the apex of an edge goes when its two faces go down by hL and hR, at βL and βR from the centre plane:
 * back x = (hL·cos βR + hR·cos βL)/sin(βL + βR) along it, and sideways (hL·sin βR − hR·sin βL)/sin(βL + βR)
 * away from the left face. Plane geometry. Both alike: back h/sin β, sideways nothing.
 */
export function apexShift(input: {
  readonly leftDownMm: number;
  readonly rightDownMm: number;
  readonly leftDeg: number;
  readonly rightDeg: number;
}): { readonly backMm: number; readonly sidewaysMm: number } {
  const { leftDownMm, rightDownMm, leftDeg, rightDeg } = input;
  const sine = sinDeg(leftDeg + rightDeg);
  return {
    backMm: (leftDownMm * cosDeg(rightDeg) + rightDownMm * cosDeg(leftDeg)) / sine,
    sidewaysMm: (leftDownMm * sinDeg(rightDeg) - rightDownMm * sinDeg(leftDeg)) / sine,
  };
}
