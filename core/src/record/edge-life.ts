import { insist } from '../base/refusal.js';

/** How long one edge was used, in minutes or any other measure of use. */
export interface LifeInterval {
  readonly minutes: number;
  /** It was sharpened although it still cut: it would have lasted longer, nobody knows how much. */
  readonly censored: boolean;
}

interface EdgeLifeInput {
  readonly intervals: readonly LifeInterval[];
}

/** A step of the share of edges that still cut. */
interface Surviving {
  readonly minutes: number;
  readonly share: number;
}

interface EdgeLifeFit {
  /** Of the Weibull law: over 1, an edge goes the sooner the longer it was used. */
  readonly shape: number;
  /** 63 % of edges last no longer, min. */
  readonly scale: number;
  /** Half of them do, by the fit, min. */
  readonly medianMin: number;
  readonly survival: readonly Surviving[];
}

/** Halvings of the bracket the shape is found in: to the last digits. */
const HALVINGS = 200;

/**
 * How long edges last, from those that were used up and those that were not: a Weibull law by maximum likelihood with
 * right-censoring, and the estimate of Kaplan and Meier (1958), which asks for no law.
 *
 * The likelihood of d used-up edges among all t is greatest at scale^k = Σ t^k / d, with the shape k where
 * 1/k + mean ln t (of those used up) = Σ t^k·ln t / Σ t^k: the left side falls below the right once and for all.
 * @throws Refusal on `intervals` where no shape is greatest: none used up, or all of those the longest of all
 * @example
 * edgeLife({ intervals: [{ minutes: 60, censored: false }, { minutes: 90, censored: false }] }).survival;
 * // [{ minutes: 60, share: 0.5 }, { minutes: 90, share: 0 }]
 */
export function edgeLife({ intervals }: EdgeLifeInput): EdgeLifeFit {
  intervals.forEach(({ minutes }, i) => {
    insist(minutes > 0, `intervals.${i}.minutes`, 'An edge is used for some time: give more than 0 minutes.');
  });
  const used = intervals.filter(({ censored }) => !censored).map(({ minutes }) => minutes);
  insist(
    used.length > 0,
    'intervals',
    'No edge here was used until it no longer cut: note one that was, or nothing tells how long they last.',
  );
  const longest = Math.max(...intervals.map(({ minutes }) => minutes));
  insist(
    used.some((minutes) => minutes < longest),
    'intervals',
    'Every edge that was used up lasted the longest time here: note one more that went sooner, or was used longer, to tell how they spread.',
  );
  const all = intervals.map(({ minutes }) => minutes / longest);
  const meanLog = mean(used.map((minutes) => Math.log(minutes / longest)));
  const short = (k: number): number => {
    const powers = all.map((t) => Math.exp(k * Math.log(t)));
    return 1 / k + meanLog - sum(all.map((t, i) => (powers[i] as number) * Math.log(t))) / sum(powers);
  };
  let [low, high] = [1e-6, 1];
  while (short(high) > 0) [low, high] = [high, 2 * high];
  for (let i = 0; i < HALVINGS && high - low > 1e-14 * high; i++) {
    const middle = (low + high) / 2;
    if (short(middle) > 0) low = middle;
    else high = middle;
  }
  const shape = (low + high) / 2;
  const scale = longest * (sum(all.map((t) => t ** shape)) / used.length) ** (1 / shape);
  return { shape, scale, medianMin: scale * Math.LN2 ** (1 / shape), survival: surviving(intervals) };
}

/**
 * The share of edges still cutting after each time one was used up (Kaplan and Meier, 1958): at a tie those used up go
 * before those that were sharpened sooner.
 * @example
 * surviving([{ minutes: 6, censored: false }, { minutes: 6, censored: true }]); // [{ minutes: 6, share: 0.5 }]
 */
export function surviving(intervals: readonly LifeInterval[]): readonly Surviving[] {
  const ends = [...new Set(intervals.filter(({ censored }) => !censored).map(({ minutes }) => minutes))];
  let share = 1;
  return ends
    .sort((a, b) => a - b)
    .map((minutes) => {
      const there = intervals.filter((each) => each.minutes >= minutes).length;
      const gone = intervals.filter((each) => !each.censored && each.minutes === minutes).length;
      share *= 1 - gone / there;
      return { minutes, share };
    });
}

const sum = (values: readonly number[]): number => values.reduce((all, each) => all + each, 0);
const mean = (values: readonly number[]): number => sum(values) / values.length;
