import { FOUR_IN_FIVE_SD } from '../base/normal.js';

/** What readings say of a rate against the one assumed. */
export interface LearnedRate {
  /** How many times as fast as assumed. */
  readonly factor: number;
  /** Standard deviation of ln(factor). */
  readonly sd: number;
  /** The factor lies between these in four of five cases. */
  readonly low: number;
  readonly high: number;
  readonly readings: number;
}

/** Spread of ln K before any reading: a factor of two or so either way. */
export const PRIOR_SD = 0.5;
/** Spread of one reading, until there are eight. */
export const READING_SD = 0.3;
const READINGS_TO_JUDGE_SPREAD = 8;
/**
 * How far a stone's rate lies from the one assumed: normal in the logarithm, the prior at 1 with
 * {@link PRIOR_SD}, each reading with {@link READING_SD}. From eight readings on, the readings' spread
 * is estimated from themselves, with those eight's worth of the assumed spread behind it.
 * @param ratios each reading's rate over the assumed one
 */
export function learnedRate(ratios: readonly number[], priorSd = PRIOR_SD): LearnedRate {
  const logs = ratios.map(Math.log);
  const n = logs.length;
  const mean = n === 0 ? 0 : logs.reduce((sum, log) => sum + log, 0) / n;
  const spread = logs.reduce((sum, log) => sum + (log - mean) ** 2, 0);
  const known = READINGS_TO_JUDGE_SPREAD;
  const variance = n < known ? READING_SD ** 2 : (known * READING_SD ** 2 + spread) / (known + n - 1);
  const precision = 1 / priorSd ** 2 + n / variance;
  const ln = (n * mean) / variance / precision;
  const sd = 1 / Math.sqrt(precision);
  return {
    factor: Math.exp(ln),
    sd,
    low: Math.exp(ln - FOUR_IN_FIVE_SD * sd),
    high: Math.exp(ln + FOUR_IN_FIVE_SD * sd),
    readings: n,
  };
}

const LATEST = 3;
/** A drop that is told: a quarter, and more than the readings' own spread explains. */
const TOLD_DROP = Math.log(0.75);

/**
 * How much slower the latest three readings were than those before them, as a share of the earlier
 * rate; undefined where there are too few, or nothing to tell.
 */
export function slowing(ratios: readonly number[]): number | undefined {
  if (ratios.length < 2 * LATEST) return undefined;
  const logs = ratios.map(Math.log);
  const mean = (part: readonly number[]): number => part.reduce((sum, log) => sum + log, 0) / part.length;
  const [early, late] = [logs.slice(0, -LATEST), logs.slice(-LATEST)];
  const drop = mean(late) - mean(early);
  const noise = 1.5 * READING_SD * Math.sqrt(1 / early.length + 1 / LATEST);
  return drop < Math.min(TOLD_DROP, -noise) ? Math.exp(drop) : undefined;
}
