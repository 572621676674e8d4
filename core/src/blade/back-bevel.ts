import { insist } from '../base/refusal.js';
import { toDeg } from '../base/trig.js';

interface BackBevelInput {
  readonly shimMm: number;
  /** From the edge to the shim's near edge, along the blade. */
  readonly distanceMm: number;
}

/** A thin rule along the far side of the stone, where nobody has measured it (common practice). */
export const USUAL_SHIM = { shimMm: 0.5, distanceMm: 45 } as const;

/**
 * The back bevel a shim under the blade gives: the edge on the stone, the back on the shim's near
 * edge, sin γ = shim/distance. Plane geometry. 0.5 at 45 mm → 0.6366°.
 * @throws Refusal on `distanceMm` unless the shim is nearer to flat than to upright.
 */
export function backBevel({ shimMm, distanceMm }: BackBevelInput): { readonly angleDeg: number } {
  insist(shimMm > 0, 'shimMm', 'A shim has some thickness: give more than 0 mm.');
  insist(
    distanceMm > shimMm,
    'distanceMm',
    'The shim would stand higher than it lies away from the edge: move it further back, or take a thinner one.',
  );
  return { angleDeg: toDeg(Math.asin(shimMm / distanceMm)) };
}
