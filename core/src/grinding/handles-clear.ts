import { insist } from '../base/refusal.js';
import { cosDeg, sinDeg, toDeg } from '../base/trig.js';
import type { Handles } from '../blade/handles.js';

/** What is ground or honed: the bevel at its angle on a blade so thick, or the back about its middle. */
export type FaceAtWork =
  | { readonly face: 'bevel'; readonly bevelDeg: number; readonly thicknessMm: number }
  | { readonly face: 'back'; readonly backMm: number };

interface WheelClearance {
  /** Between handle and wheel where they come nearest, seen along the edge, mm; below 0 they foul. */
  readonly gapMm: number;
  /**
   * `clear`: past the wheel's whole face. `beside`: it would foul, but passes beside the wheel as far as the edge
   * goes. `corner`: the ends of the edge are reached with the wheel's corner alone, the blade turned. `none`: not even so.
   */
  readonly way: 'clear' | 'beside' | 'corner' | 'none';
  /** How much of each end the wheel's whole face does not reach, mm. */
  readonly unreachedMm: number;
  /** How far the blade is turned, seen from above, so that the corner reaches it; with `corner`. */
  readonly turnDeg?: number;
  /** The largest wheel whose whole face clears, mm across; nothing where none from 20 mm on does. */
  readonly clearsAcrossMm?: number;
}

interface SlabClearance {
  /** How far a handle hangs below the face of the stone, mm; 0 or less is none. */
  readonly dropMm: number;
  /**
   * `clear`: above the stone. `between`: the stone fits between the handles, and stands `raiseMm` off the bench.
   * `edge`: the stone's edge along the handles, which hang beyond it. `none`: handles begin over the face itself.
   */
  readonly way: 'clear' | 'between' | 'edge' | 'none';
  /** How high the stone has to stand over the bench, mm; with `between`. */
  readonly raiseMm?: number;
}

/** Between anything that turns and a hand on its handle, mm (estimate). */
const CLEAR_MM = 3;
/** Further nobody turns a blade on a wheel's corner, degrees (estimate). */
const MOST_TURN_DEG = 45;
/** Wheels that are looked for, mm of radius. */
const RADII_MM = { least: 10, most: 1000 } as const;

interface Point {
  readonly x: number;
  readonly z: number;
}

/** Where a face meets wheel or stone, seen along the edge: its middle, and which way is out of the steel. */
function faceOf(of: FaceAtWork): { readonly middle: Point; readonly out: Point; readonly lengthMm: number } {
  if (of.face === 'back')
    return { middle: { x: of.backMm / 2, z: 0 }, out: { x: 0, z: -1 }, lengthMm: of.backMm };
  const [cos, sin] = [cosDeg(of.bevelDeg), sinDeg(of.bevelDeg)];
  const lengthMm = of.thicknessMm / sin;
  return { middle: { x: (lengthMm / 2) * cos, z: (lengthMm / 2) * sin }, out: { x: -sin, z: cos }, lengthMm };
}

/** Both ends of a handle's middle line, seen along the edge. */
function lineOf({ fromEdgeMm, lengthMm, towardsBevelDeg }: Handles): readonly [Point, Point] {
  return [
    { x: fromEdgeMm, z: 0 },
    {
      x: fromEdgeMm + lengthMm * cosDeg(towardsBevelDeg),
      z: lengthMm * sinDeg(towardsBevelDeg),
    },
  ];
}

/** From a point to the nearest on a line between two, mm. */
function distanceMm({ x, z }: Point, [a, b]: readonly [Point, Point]): number {
  const [dx, dz] = [b.x - a.x, b.z - a.z];
  const along = Math.min(1, Math.max(0, ((x - a.x) * dx + (z - a.z) * dz) / (dx * dx + dz * dz)));
  return Math.hypot(x - a.x - along * dx, z - a.z - along * dz);
}

function gapOf(handles: Handles, of: FaceAtWork, radiusMm: number): number {
  const { middle, out } = faceOf(of);
  const centre = { x: middle.x + radiusMm * out.x, z: middle.z + radiusMm * out.z };
  return distanceMm(centre, lineOf(handles)) - handles.thickMm / 2 - radiusMm;
}

/**
 * Whether the handles foul a wheel whose axle lies along the edge, touching the middle of a face; if they do, what the
 * wheel's corner or a smaller wheel would do. Circles that touch a face at one point lie in one another, so a smaller
 * wheel never clears less. Plane geometry; the handles as straight round bars.
 * @param standsOutMm how far guard or housing stands out beside the wheel's face
 * @throws Refusal on figures that are no handle or no wheel
 */
export function handlesAtWheel(
  handles: Handles,
  of: FaceAtWork,
  radiusMm: number,
  standsOutMm = 0,
): WheelClearance {
  insist(radiusMm > 0, 'wheelRadiusMm', 'A wheel has some radius: give more than 0 mm.');
  insist(handles.lengthMm > 0, 'handles.lengthMm', 'A handle has some length: give more than 0 mm.');
  const gapMm = gapOf(handles, of, radiusMm);
  if (gapMm >= CLEAR_MM) return { gapMm, way: 'clear', unreachedMm: 0 };
  const clears = clearingRadiusMm(handles, of, radiusMm);
  const smaller = clears === undefined ? {} : { clearsAcrossMm: 2 * clears };
  const wantedMm = standsOutMm + CLEAR_MM;
  const { besideMm, fromEdgeMm } = handles;
  const unreachedMm = Math.max(0, wantedMm - besideMm);
  if (unreachedMm === 0) return { gapMm, way: 'beside', unreachedMm, ...smaller };
  // Turned by δ the handle stands besideMm·cos δ + fromEdgeMm·sin δ to the side of where the corner touches.
  const reachMm = Math.hypot(besideMm, fromEdgeMm);
  const turnDeg =
    wantedMm < reachMm ? toDeg(Math.asin(wantedMm / reachMm) - Math.atan2(besideMm, fromEdgeMm)) : Infinity;
  return turnDeg <= MOST_TURN_DEG
    ? { gapMm, way: 'corner', unreachedMm, turnDeg, ...smaller }
    : { gapMm, way: 'none', unreachedMm, ...smaller };
}

/** The largest radius that clears, to a tenth of a millimetre. */
function clearingRadiusMm(handles: Handles, of: FaceAtWork, foulsMm: number): number | undefined {
  let low: number = RADII_MM.least;
  let high: number = Math.min(foulsMm, RADII_MM.most);
  if (low >= high || gapOf(handles, of, low) < CLEAR_MM) return undefined;
  while (high - low > 0.1) {
    const middle = (low + high) / 2;
    if (gapOf(handles, of, middle) >= CLEAR_MM) low = middle;
    else high = middle;
  }
  return low;
}

/**
 * Whether the handles foul a slab on which a face lies; if they do, whether the stone fits between them, or its edge
 * must be used.
 * @param edgeMm the length of the edge
 * @param stoneMm how wide the stone is along the edge
 */
export function handlesAtSlab(
  handles: Handles,
  of: FaceAtWork,
  edgeMm: number,
  stoneMm: number,
): SlabClearance {
  const { out, lengthMm } = faceOf(of);
  const line = lineOf(handles);
  const radiusMm = handles.thickMm / 2;
  const dropMm = Math.max(...line.map(({ x, z }) => x * out.x + z * out.z)) + radiusMm;
  if (dropMm <= 0) return { dropMm, way: 'clear' };
  if (stoneMm + 2 * CLEAR_MM <= edgeMm + 2 * handles.besideMm)
    return { dropMm, way: 'between', raiseMm: dropMm + CLEAR_MM };
  // Along the face, from where it ends to where the handle begins.
  const startMm = handles.fromEdgeMm * (of.face === 'back' ? 1 : cosDeg(of.bevelDeg)) - radiusMm;
  return { dropMm, way: startMm >= lengthMm ? 'edge' : 'none' };
}
