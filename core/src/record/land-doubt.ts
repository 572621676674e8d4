import { weighed, type Known } from './weighed.js';

/** A land is read with a rule and a lens to twentieths of a millimetre, by an eye that is so far off (an estimate), mm. */
const READ_TO_MM = 0.05;
const EYE_SD_MM = 0.025;
/** How far off a land is as people read it, mm (standard deviation): the eye, and what lies between two twentieths. */
export const LAND_READ_SD_MM = Math.hypot(EYE_SD_MM, READ_TO_MM / Math.sqrt(12));
/** How well a land is known by how it came to be told, mm (95 %, estimates). */
const LAND_PM = { measured: 1.96 * LAND_READ_SD_MM, entered: 0.1, ground: 0.1 } as const;
/** Of a land that was assumed, and of what was reckoned to have grown since: so much of it either way (95 %, estimates). */
const ASSUMED_SHARE = 0.8;
const GROWN_SHARE = 0.7;

/** What the reckoning of a land starts from. */
export type LandFrom = 'entered' | 'assumed' | 'measured' | 'ground';

/** A land as it is told, mm: the one when it was last known, how that was, and how well. */
interface ToldLand {
  readonly landMm?: number;
  readonly landThenMm?: number;
  readonly landThenPmMm?: number;
  readonly landFrom: LandFrom;
}

/** The land reckoned until a reading contradicted it, and its ±, mm. */
export interface LandAgainst {
  readonly landMm: number;
  readonly pmMm: number;
}

/** How well a land is known that comes to be told so, mm (95 %). */
export const landThenPmMm = (landFrom: LandFrom, landMm: number): number =>
  landFrom === 'assumed' ? ASSUMED_SHARE * landMm : LAND_PM[landFrom];

/**
 * The land is as told to within this either way (95 %), mm: as it was known, and the wider for every bit of it that is
 * reckoned since.
 */
export function landPmMm(told: ToldLand): number {
  const { landMm = 0, landThenMm = landMm, landFrom } = told;
  const then = told.landThenPmMm ?? landThenPmMm(landFrom, landThenMm);
  return Math.hypot(then, GROWN_SHARE * (landMm - landThenMm));
}

/**
 * The land after a reading of it, mm: weighed against what was reckoned. One that was only assumed, or entered and
 * never worked on since, gives way to it whole.
 */
export function landAfterReading(told: ToldLand, readMm: number): Known & { readonly against?: Known } {
  const { landMm, landThenMm, landFrom } = told;
  const read = { value: readMm, pm: LAND_PM.measured };
  const onlyEntered = landFrom === 'entered' && landMm === landThenMm;
  return landMm === undefined || landFrom === 'assumed' || onlyEntered
    ? read
    : weighed({ value: landMm, pm: landPmMm(told) }, read);
}
