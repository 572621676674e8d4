import { kindFacts, type AbrasiveKind } from './abrasive.js';

/** Newtons times metres of stroke on the grain of 14 µm the estimate is anchored at. */
const ANCHOR = { removalMm3PerNm: 0.0056, sizeUm: 14, exponent: 0.8 } as const;
const SCRATCH_SHARE = 0.12;

/**
 * Starting estimate of the removal coefficient K, mm³ per N·m: 0.0056·(d/14 µm)^0.8 times the
 * kind's factor (a kind without one counts as a water stone). Good to perhaps a factor of two.
 */
export function estimatedRemovalMm3PerNm(sizeUm: number, kind: AbrasiveKind = 'water-stone'): number {
  const factor = kindFacts(kind).factor ?? 1;
  return ANCHOR.removalMm3PerNm * Math.pow(sizeUm / ANCHOR.sizeUm, ANCHOR.exponent) * factor;
}

/** Starting estimate of the scratch depth left, µm: 0.12 of the grain. Perhaps a factor of two. */
export function estimatedScratchUm(sizeUm: number): number {
  return SCRATCH_SHARE * sizeUm;
}

/** Depth of the marks an abrasive leaves, µm: what was measured of it, else {@link estimatedScratchUm}. */
export const scratchOf = ({
  scratchUm,
  sizeUm,
}: {
  readonly scratchUm?: number | undefined;
  readonly sizeUm: number;
}): number => scratchUm ?? estimatedScratchUm(sizeUm);

/** The grain that leaves such marks, µm, by the same estimate. */
export const grainOfMarksUm = (marksUm: number): number => marksUm / SCRATCH_SHARE;

/**
 * Steel removed by one stroke, mm³, after Archard's wear law: V = K·F·L/(1000·s), with K in
 * mm³ per N·m, F in N, L in mm and s the steel factor (plain carbon steel 1).
 */
export function removalPerStrokeMm3(
  removalMm3PerNm: number,
  forceN: number,
  strokeMm: number,
  steelFactor: number,
): number {
  return (removalMm3PerNm * forceN * strokeMm) / (1000 * steelFactor);
}
