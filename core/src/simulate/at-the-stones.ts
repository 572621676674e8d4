import type { HiddenStone } from './hidden-shop.js';

/** Push at the stones, N, and strokes a minute: what everybody works with. */
const PUSH_N = 20;
export const STROKES_PER_MIN = 45;
/** Set-up of a honing, a strop, a flattening and the wheel, and a look at a stone, min. */
export const SET_UP = { hone: 2, strop: 1, flatten: 2, grind: 8, look: 0.3 } as const;
/** A reading of a curve, min. */
export const READ_MIN = { shaving: 0.5, light: 1, caliper: 3 } as const;
/** A look tells that a stone’s face cuts no better than this share of a new one. */
export const SEEN_TIRED = 0.8;
/** A regrind leaves so much of the land, mm. */
export const LAND_LEFT_MM = 0.3;
/** Depth of the marks of the coarse stone that the fine one takes off, mm. */
export const MARKS_MM = 0.0015;
/** More strokes than these on one stone, and anybody stops. */
export const MOST_STROKES = 600;

/** Share of its new face that a stone still cuts with, after so many strokes since it was flattened. */
export const freshness = ({ tiresAt }: HiddenStone, tired: number): number => 2 ** (-tired / tiresAt);

/** Steel a stroke truly takes, mm³. */
export const strokeMm3 = (stone: HiddenStone, tired: number): number =>
  ((stone.mm3PerNm * PUSH_N * stone.stone.strokeMm) / 1000) * freshness(stone, tired);
