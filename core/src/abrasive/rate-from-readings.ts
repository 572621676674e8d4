import { FOUR_IN_FIVE_SD, shareBelow } from '../base/normal.js';
import { PRIOR_SD, learnedRate, type LearnedRate } from './learned-rate.js';

/** A rate that was read against the one assumed. */
interface RateSeen {
  /** The rate over the one assumed. */
  readonly ratio: number;
  /** How far off that ratio may be for what was measured alone, one standard deviation. */
  readonly sd: number;
  /** Over how many honings it was read: a hand’s pressure evens out. */
  readonly honings: number;
  /** By a burr that was looked for on the way: the ratio at least, and no more than `upTo`, where there is one. */
  readonly looked?: { readonly upTo?: number };
  /** Steel that other stones took at their assumed rates, as a share of what this one was reckoned to; none unless said. */
  readonly beside?: number;
}

/** The latest so many readings count: a stone does not stay as it was. */
const MOST_READINGS = 60;
/** Spreads a hand may have from honing to honing, in ln, and how likely each is beforehand. */
const HANDS = [0.08, 0.12, 0.18, 0.26, 0.38, 0.55] as const;
const HAND_WEIGHTS = [1, 2, 3, 3, 2, 1] as const;
/** How far the stones beside it may lie from what is assumed of them, together (estimate). */
const OTHER_SD = 0.2;
/** The likeliest of them. */
const USUAL_HAND = 0.2;
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
  const fits = counted.map((each) => (each.looked ? between(each, each.looked) : about(each)));
  const step = (2 * REACH_SDS * PRIOR_SD) / (PLACES - 1);
  const logs = Array.from({ length: PLACES }, (_, i) => -REACH_SDS * PRIOR_SD + i * step);
  const fitsByHand = (ln: number): readonly number[] => {
    const rate = Math.exp(ln);
    return HANDS.map((hand, h) =>
      counted.reduce(
        (sum, { sd, honings }, i) => sum + (fits[i] as Fit)(rate, sd * sd + (hand * rate) ** 2 / honings),
        Math.log(HAND_WEIGHTS[h] as number) - (ln * ln) / (2 * PRIOR_SD ** 2),
      ),
    );
  };
  const byPlace = whereItCounts(logs, fitsByHand);
  const most = Math.max(...byPlace.flat());
  const weights = byPlace.map((byHand) => byHand.reduce((sum, log) => sum + Math.exp(log - most), 0));
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
  const middle = quantile(0.5);
  const otherSd = otherSdOf(counted) / Math.exp(middle);
  const wider = (ln: number): number => Math.hypot(ln - middle, FOUR_IN_FIVE_SD * otherSd);
  return {
    factor: Math.exp(middle),
    sd: Math.hypot(Math.sqrt(spread), otherSd),
    low: Math.exp(middle - wider(quantile(0.1))),
    high: Math.exp(middle + wider(quantile(0.9))),
    readings: seen.length,
  };
}

/** One place in so many is tried first; what lies so far below the best of them, in ln, weighs nothing. */
const TRIED_FIRST = 10;
const NOTHING = 20;

/** A smooth function of places, looked at closely only about where it weighs anything; nothing elsewhere. */
function whereItCounts(
  places: readonly number[],
  of: (place: number) => readonly number[],
): readonly (readonly number[])[] {
  const first = places.map((place, i) => (i % TRIED_FIRST === 0 ? of(place) : []));
  const best = first.map((values) => Math.max(...values));
  const least = Math.max(...best) - NOTHING;
  const counts = (i: number): boolean => (best[i] ?? -Infinity) > least;
  return places.map((place, i) => {
    const at = i - (i % TRIED_FIRST);
    const near = [at - TRIED_FIRST, at, at + TRIED_FIRST, at + 2 * TRIED_FIRST].some(counts);
    return near ? (i === at ? (first[i] ?? []) : of(place)) : [];
  });
}

/**
 * How far off a ratio may be for what the other stones took, which nobody read: off the same way in every reading, so
 * that more of them do not even it out.
 */
function otherSdOf(seen: readonly RateSeen[]): number {
  const worths = seen.map(({ sd, honings }) => 1 / (sd ** 2 + USUAL_HAND ** 2 / honings));
  const besides = seen.reduce((sum, { beside = 0 }, i) => sum + (worths[i] as number) * beside, 0);
  return (OTHER_SD * besides) / worths.reduce((sum, each) => sum + each, 0);
}

/** How well a rate fits a reading, in ln and without what is the same for all. @param scale of the reading, squared */
type Fit = (rate: number, scale: number) => number;

/** By Student’s t. */
const about =
  ({ ratio }: RateSeen): Fit =>
  (rate, scale) => {
    const wide = scale + (ratio - rate) ** 2 / FREEDOM;
    return 0.5 * (FREEDOM * Math.log(scale / wide) - Math.log(wide));
  };

/** One look in ten is wrong (estimate): such a burr may have come anywhere, as widely as this in ln. */
const MISREAD = { share: 0.1, sd: 1.5 } as const;

/** By the chance that its burr came between two looks. */
function between({ ratio }: RateSeen, { upTo = Infinity }: NonNullable<RateSeen['looked']>): Fit {
  const wrong = shareBelow(Math.log(upTo) / MISREAD.sd) - shareBelow(Math.log(ratio) / MISREAD.sd);
  return (rate, scale) => {
    const sd = Math.sqrt(scale);
    const right = shareBelow((upTo - rate) / sd) - shareBelow((ratio - rate) / sd);
    return Math.log((1 - MISREAD.share) * Math.max(0, right) + MISREAD.share * wrong);
  };
}
