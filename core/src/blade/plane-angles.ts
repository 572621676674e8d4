import { insist } from '../base/refusal.js';
import type { HostPlane } from './tool.js';

export interface PlaneAnglesInput extends HostPlane {
  /** The bevel at the very edge: its steepest honed facet. */
  readonly bevelDeg: number;
  readonly backBevelDeg?: number;
}

/** How much room the wood has behind the edge. */
type Clearance = 'ample' | 'thin' | 'none';

export interface PlaneAngles {
  /** Between the wood ahead and the face the shaving climbs. */
  readonly cuttingDeg: number;
  /** Between the wood behind the edge and the lowest surface of the iron; none below 0. */
  readonly clearanceDeg: number;
  readonly includedDeg: number;
  readonly clearance: Clearance;
  /** Why it stands as it does, and what to change, where it is not ample. */
  readonly warning?: string;
}

/**
 * Clearance, in degrees, below which wear behind the edge soon lifts it off the wood (common
 * practice asks for some ten degrees in a bevel-down plane; no source).
 */
export const THIN_CLEARANCE_DEG = 10;

/**
 * What an iron's angles come to in its plane. Bevel down: cutting = bed + back bevel, clearance =
 * bed − bevel. Bevel up: cutting = bed + bevel, clearance = bed − back bevel. Included: bevel + back
 * bevel either way. Plane geometry.
 * @throws Refusal on `bevelDeg` when the cutting angle would reach 180° or the edge 90°.
 */
export function planeAngles(input: PlaneAnglesInput): PlaneAngles {
  const { bedDeg, orientation, bevelDeg, backBevelDeg = 0 } = input;
  const down = orientation === 'bevel-down';
  const includedDeg = bevelDeg + backBevelDeg;
  insist(includedDeg < 90, 'bevelDeg', 'Bevel and back bevel together reach 90°: lower one of them.');
  const clearanceDeg = bedDeg - (down ? bevelDeg : backBevelDeg);
  const clearance = clearanceDeg <= 0 ? 'none' : clearanceDeg < THIN_CLEARANCE_DEG ? 'thin' : 'ample';
  const warning = clearanceWarning(input, clearance);
  return {
    cuttingDeg: bedDeg + (down ? backBevelDeg : bevelDeg),
    clearanceDeg,
    includedDeg,
    clearance,
    ...(warning !== undefined && { warning }),
  };
}

function clearanceWarning(
  { orientation, backBevelDeg = 0 }: PlaneAnglesInput,
  clearance: Clearance,
): string | undefined {
  const eaten =
    orientation === 'bevel-down'
      ? 'In a bevel-down plane the bevel faces the wood, and every degree it is steeper comes off the clearance.'
      : 'In a bevel-up plane the back faces the wood, and a back bevel comes straight off the clearance.';
  const cure =
    orientation === 'bevel-down'
      ? 'hone it less steep, or give it a steeper bed'
      : 'leave the back bevel out';
  switch (clearance) {
    case 'none':
      return `There is no clearance: the heel rides on the wood and the plane will not cut, however sharp. ${eaten} To cut, ${cure}.`;
    case 'thin':
      return `Clearance runs thin: a little wear behind the edge and the plane stops cutting though it is sharp. ${eaten} If it lifts off the wood, ${cure}.`;
    case 'ample':
      return orientation === 'bevel-up' && backBevelDeg > 0
        ? `${eaten} It is still enough; keep the back bevel to a fraction of a degree.`
        : undefined;
  }
}
