/** Which way the blade is under pressure: away from the hand, towards it, or to and fro. */
export const WAYS = ['pull', 'push', 'both'] as const;
export type Way = (typeof WAYS)[number];

/**
 * How much lighter, as a power of the grain: nine tenths of the push, over all strokes of a stone, at a tenth of the
 * grain (estimate; firm first and lighter at the end is common practice).
 */
const LIGHTER = -Math.log10(0.9);
/** The grain the full push belongs to, µm. */
const FULL_PUSH_UM = 14;
const LEAST_SHARE = 0.25;

/** Push on an abrasive, N: the plan's, lighter the finer the grain where that is asked for. */
export function pushN(forceN: number, sizeUm: number, lighter: boolean): number {
  if (!lighter || sizeUm >= FULL_PUSH_UM) return forceN;
  const share = Math.max(LEAST_SHARE, Math.pow(sizeUm / FULL_PUSH_UM, LIGHTER));
  return Math.round(forceN * share * 10) / 10;
}

/** Push on the blade where nobody says, N (estimate). */
export const USUAL_PUSH_N = 20;

/** Length of a stroke that cuts, mm: to and fro it is both ways. */
export const cuttingMm = (strokeMm: number, way: Way): number => (way === 'both' ? 2 : 1) * strokeMm;
