import type { SessionSetting } from '../guide/setting.js';

/** A hand gives a honing so much more or less than reckoned, and each honing so much of its own (standard deviations, estimates). */
const HAND_SD = 0.3;
const HONING_SD = 0.3;
/** A ± of 95 % in standard deviations. */
const PM_SD = 1.96;
/** An angle set again lies within this of the one told, ° (95 %, estimates). */
const SET_PM_DEG = { stop: 0.2, guide: 0.5, hand: 2 } as const;
/** A tip reckoned from use and strokes may be so many times as round, or as small a part (95 %, estimate). */
export const TIP_TIMES = 2.2;

/**
 * How far an edge has gone back is as reckoned to within this either way (95 %), mm: what a hand does otherwise it
 * does at every honing, what is chance evens out over them.
 */
export const backPmMm = (backMm: number, honings: number): number =>
  PM_SD * backMm * Math.hypot(HAND_SD, HONING_SD / Math.sqrt(Math.max(1, honings)));

/** An angle is as it is told to within this either way, °: by a stop, by a guide, by hand. */
export const settingPmDeg = ({ stop, guideId }: SessionSetting): number =>
  stop ? SET_PM_DEG.stop : guideId === undefined ? SET_PM_DEG.hand : SET_PM_DEG.guide;
