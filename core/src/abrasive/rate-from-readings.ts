import { PRIOR_SD, learnedRate, type LearnedRate } from './learned-rate.js';

/** A rate that was read against the one assumed. */
interface RateSeen {
  /** The rate over the one assumed. */
  readonly ratio: number;
  /** How far off that ratio may be for what was measured alone, one standard deviation. */
  readonly sd: number;
  /** Over how many honings it was read: a hand’s pressure evens out. */
  readonly honings: number;
}

/** The latest so many readings count: a stone does not stay as it was. */
const MOST_READINGS = 60;
/** Spreads a hand may have from honing to honing, in ln, and how likely each is beforehand. */
const HANDS = [0.08, 0.12, 0.18, 0.26, 0.38, 0.55] as const;
const HAND_WEIGHTS = [1, 2, 3, 3, 2, 1] as const;
/** A reading far off, by a miscount or a slip of the pen, pulls little: Student’s t of so many degrees of freedom. */
const FREEDOM = 6;
/** ln of the factor is looked for within so many times the prior’s spread, in so many places. */
const REACH_SDS = 5;
const PLACES = 401;

/**
 * How far a stone’s rate lies from the one assumed by readings of different worth: normal in the logarithm
 * beforehand with {@link PRIOR_SD}; each reading off by what was measured, in proportion, and by a hand whose
 * spread is itself not known. The posterior is summed over a net of factors and spreads.
 * @param seen in order of time
 */
export function rateFromReadings(seen: readonly RateSeen[]): LearnedRate {
  const counted = seen.slice(-MOST_READINGS);
  if (counted.length === 0) return learnedRate([]);
  const step = (2 * REACH_SDS * PRIOR_SD) / (PLACES - 1);
  const logs = Array.from({ length: PLACES }, (_, i) => -REACH_SDS * PRIOR_SD + i * step);
  const byHand = HANDS.map((hand, h) =>
    logs.map((ln) => {
      const rate = Math.exp(ln);
      const fit = counted.reduce((sum, { ratio, sd, honings }) => {
        const scale = Math.hypot(sd, (hand * rate) / Math.sqrt(honings));
        return sum + lnStudent(ratio - rate, scale);
      }, 0);
      return Math.log(HAND_WEIGHTS[h] as number) - (ln * ln) / (2 * PRIOR_SD ** 2) + fit;
    }),
  );
  const most = Math.max(...byHand.flat());
  const weights = logs.map((_, i) =>
    byHand.reduce((sum, hand) => sum + Math.exp((hand[i] as number) - most), 0),
  );
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  const mean = weights.reduce((sum, weight, i) => sum + weight * (logs[i] as number), 0) / all;
  const spread =
    weights.reduce((sum, weight, i) => sum + weight * ((logs[i] as number) - mean) ** 2, 0) / all;
  const quantile = (share: number): number => {
    let below = 0;
    for (const [i, weight] of weights.entries()) {
      if (below + weight >= share * all)
        return (logs[i] as number) + step * ((share * all - below) / weight - 0.5);
      below += weight;
    }
    return logs.at(-1) as number;
  };
  return {
    factor: Math.exp(quantile(0.5)),
    sd: Math.sqrt(spread),
    low: Math.exp(quantile(0.1)),
    high: Math.exp(quantile(0.9)),
    readings: seen.length,
  };
}

/** Student’s t, in ln and without what is the same for all. */
const lnStudent = (off: number, scale: number): number =>
  -Math.log(scale) - ((FREEDOM + 1) / 2) * Math.log(1 + (off / scale) ** 2 / FREEDOM);
