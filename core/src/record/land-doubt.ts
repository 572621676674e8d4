import { CONTRADICTS } from './camber-state.js';

/** How far off a land is as people read it with a rule and a lens, to twentieths, mm (standard deviation, an estimate). */
export const LAND_READ_SD_MM = 0.025;
/** How well a land is known by how it came to be told, mm (95 %, estimates). */
const LAND_PM = { measured: 2 * LAND_READ_SD_MM, entered: 0.1, ground: 0.1 } as const;
/** Of a land that was assumed, and of what was reckoned to have grown since: so much of it either way (95 %, estimates). */
const ASSUMED_SHARE = 0.8;
const GROWN_SHARE = 0.7;

/** What the reckoning of a land starts from. */
export type LandFrom = 'entered' | 'assumed' | 'measured' | 'ground';

/** A land as it is told, mm: the one when it was last known, and how that was. */
interface ToldLand {
  readonly landMm?: number;
  readonly landThenMm?: number;
  readonly landFrom: LandFrom;
}

/** The land reckoned until a reading contradicted it, and its ±, mm. */
export interface LandAgainst {
  readonly landMm: number;
  readonly pmMm: number;
}

/**
 * The land is as told to within this either way (95 %), mm: as it was known, and the wider for every bit of it that is
 * reckoned since.
 */
export function landPmMm({ landMm = 0, landThenMm = landMm, landFrom }: ToldLand): number {
  const then = landFrom === 'assumed' ? ASSUMED_SHARE * landThenMm : LAND_PM[landFrom];
  return Math.hypot(then, GROWN_SHARE * (landMm - landThenMm));
}

/** What a reading of the land contradicts: it lies further off than both doubts allow, one time in a hundred by chance. */
export function contradictedLand(told: ToldLand, readMm: number): LandAgainst | undefined {
  const { landMm, landFrom } = told;
  if (landMm === undefined || landFrom === 'assumed') return undefined;
  const pmMm = landPmMm(told);
  return Math.abs(readMm - landMm) > CONTRADICTS * Math.hypot(pmMm, LAND_PM.measured)
    ? { landMm, pmMm }
    : undefined;
}
