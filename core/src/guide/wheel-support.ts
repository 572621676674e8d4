import { insist } from '../base/refusal.js';
import { cosDeg, sinDeg } from '../base/trig.js';

export interface WheelSupportInput {
  readonly wheelRadiusMm: number;
  /** From the support bar's centre to the edge, along the back. */
  readonly jigProjectionMm: number;
  /** The bar's centre from the back, positive on the wheel's side. */
  readonly offsetMm: number;
  /** Back to the wheel's tangent at the edge. */
  readonly angleDeg: number;
}

interface WheelSupport {
  /** Bar's centre to wheel's centre. */
  readonly centreDistanceMm: number;
  /** Bar's centre to the wheel's rim. */
  readonly gapMm: number;
}

/**
 * Where a support bar stands for an angle on a wheel:
 * D = √(P² + c² + R² + 2R(P sin θ − c cos θ)), gap = D − R. Plane geometry.
 * R 125, P 139, c 12, 25° → D 216.926.
 * @throws Refusal on `angleDeg` outside 0°..90°, on `jigProjectionMm` when the bar would touch the wheel.
 */
export function wheelSupport(input: WheelSupportInput): WheelSupport {
  const { wheelRadiusMm: r, jigProjectionMm: p, offsetMm: c, angleDeg } = input;
  insist(angleDeg > 0 && angleDeg < 90, 'angleDeg', 'Choose an angle above 0° and below 90°.');
  const centreDistanceMm = Math.sqrt(
    p * p + c * c + r * r + 2 * r * (p * sinDeg(angleDeg) - c * cosDeg(angleDeg)),
  );
  const gapMm = centreDistanceMm - r;
  insist(
    gapMm > 0,
    'jigProjectionMm',
    'The bar would lie inside the wheel: set the blade further out of the jig, or choose a steeper angle.',
  );
  return { centreDistanceMm, gapMm };
}
