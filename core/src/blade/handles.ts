import { insist } from '../base/refusal.js';

/** Which side of a blade lies up while it is pulled through wood. */
export const WAYS_UP = ['bevel-up', 'bevel-down'] as const;
export type WayUp = (typeof WAYS_UP)[number];

/** The handles of a drawknife, as a rule finds them. Both are taken to be alike. */
export interface Handles {
  /** From the edge to where a handle begins, along the back, mm. */
  readonly fromEdgeMm: number;
  readonly lengthMm: number;
  readonly thickMm: number;
  /** How its line leaves the plane of the back: above 0 towards the bevel, below 0 away from it, degrees. */
  readonly towardsBevelDeg: number;
  /** From the end of the edge to the inner side of the handle, seen from above, mm. */
  readonly besideMm: number;
}

/** A drawknife's handles where nobody measured (estimates). */
export const USUAL_HANDLES: Handles = {
  fromEdgeMm: 45,
  lengthMm: 120,
  thickMm: 30,
  towardsBevelDeg: 10,
  besideMm: 5,
};

/** How a hand then stands: the handle's line over the wood, and how far the wrist is bent from the forearm, degrees. */
interface Held {
  readonly handleDeg: number;
  readonly bentDeg: number;
}

/** Both ways up, and the one that keeps the wrists straighter. */
export interface HeldWays {
  readonly ways: Readonly<Record<WayUp, Held>>;
  readonly straighter: WayUp;
  /** How much straighter, degrees. */
  readonly byDeg: number;
}

/** A forearm that pulls lies along the pull, so along the wood, degrees over it (estimate). */
const FOREARM_DEG = 0;

/**
 * Which way up a drawknife keeps the wrists straight. With the bevel up its back lies on the wood and the handles rise
 * by their own line; with the bevel down the bevel lies there, and they rise by the bevel less that. Plane geometry.
 * @param bevelDeg the bevel that lies on the wood
 * @param forearmDeg how much the forearm rises from the work
 * @throws Refusal on `bevelDeg`
 * @example heldWays({ towardsBevelDeg: 10 }, 28) // up 10° over the wood, down 18°: bevel up is 8° straighter
 */
export function heldWays(
  { towardsBevelDeg }: Pick<Handles, 'towardsBevelDeg'>,
  bevelDeg: number,
  forearmDeg: number = FOREARM_DEG,
): HeldWays {
  insist(bevelDeg > 0 && bevelDeg < 90, 'bevelDeg', 'Choose a bevel above 0° and below 90°.');
  const held = (handleDeg: number): Held => ({ handleDeg, bentDeg: Math.abs(handleDeg - forearmDeg) });
  const ways = { 'bevel-up': held(towardsBevelDeg), 'bevel-down': held(bevelDeg - towardsBevelDeg) };
  const [up, down] = [ways['bevel-up'].bentDeg, ways['bevel-down'].bentDeg];
  return { ways, straighter: down < up ? 'bevel-down' : 'bevel-up', byDeg: Math.abs(up - down) };
}
