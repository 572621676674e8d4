import { FOUR_IN_FIVE_SD } from '../base/normal.js';

/**
 * How long things last, with its doubt: a Weibull law of a known shape, whose rate 1/scale^shape is known as well as
 * `worth` ends seen would tell it (a gamma distribution, which one more end or one more survivor only shifts).
 */
export interface Lasting {
  readonly shape: number;
  readonly scale: number;
  readonly worth: number;
  /** Standard deviation of the logarithm of the median that comes of not knowing the shape; 0 unless said. */
  readonly shapeDoubt?: number;
}

/** So much of use, and whether it was the end of it. */
export interface Span {
  readonly amount: number;
  readonly ended: boolean;
  /** How much it counts, 1 unless said. */
  readonly weight?: number;
}

/** What is expected of a shape before anything is seen (estimate): 2.5, give or take a factor of 1.6. */
const SHAPE_EXPECTED = { middle: 2.5, sdLog: 0.45 } as const;
/** Shapes looked among: 0.8 to 8 in steps of 8 %, finer than what is known of them ever comes to. */
const SHAPES = Array.from({ length: 30 }, (_, i) => SHAPE_EXPECTED.middle * 1.08 ** (i - 14.5));

/**
 * How long they last, from what was seen and what was expected before.
 *
 * The rate is taken out of the likelihood, which leaves one of the shape k alone:
 * d·ln k + (k − 1)·Σ ln t (ended) + a·ln(a·s^k) − (d + a)·ln(a·s^k + Σ t^k) with a prior of worth a and scale s; it is
 * taken together with what is expected of a shape. What is expected gives way where what was seen says
 * otherwise: s^k counts as no more than e times what was seen, and no less than the e-th part. Shape and median are
 * their means over the shapes, each by its likelihood.
 * @param before how long they are thought to last, and how many ends that is worth: it shrinks beside what is seen
 */
export function lastingOf(
  spans: readonly Span[],
  before: { readonly scale: number; readonly worth: number },
): Lasting {
  const seen = spans.filter(({ amount }) => amount > 0);
  const ends = seen.filter(({ ended }) => ended);
  const count = ends.reduce((sum, { weight = 1 }) => sum + weight, 0);
  // In units of what is expected, so that no power runs away.
  const logs = ends.reduce(
    (sum, { amount, weight = 1 }) => sum + weight * Math.log(amount / before.scale),
    0,
  );
  const allLogs = seen.map(({ amount, weight = 1 }) => ({ weight, log: Math.log(amount / before.scale) }));
  const used = (k: number): number => {
    let sum = 0;
    for (const { weight, log } of allLogs) sum += weight * Math.exp(k * log);
    return sum;
  };
  const { worth } = before;
  const expected = (sum: number): number =>
    count === 0 ? worth : worth * Math.min(Math.E, Math.max(1 / Math.E, count / sum)) * (sum / count);
  const laws = SHAPES.map((k) => {
    const sum = used(k);
    const own = expected(sum);
    const scale = before.scale * ((own + sum) / (worth + count)) ** (1 / k);
    return {
      k,
      logMedian: Math.log(scale) + Math.log(Math.LN2) / k,
      likelihood:
        count * Math.log(k) +
        (k - 1) * logs +
        worth * Math.log(own) -
        (count + worth) * Math.log(own + sum) -
        0.5 * (Math.log(k / SHAPE_EXPECTED.middle) / SHAPE_EXPECTED.sdLog) ** 2,
    };
  });
  const most = Math.max(...laws.map(({ likelihood }) => likelihood));
  const chances = laws.map(({ likelihood }) => Math.exp(likelihood - most));
  const all = chances.reduce((sum, each) => sum + each, 0);
  /** The mean over the shapes, each by its chance. */
  const meanOf = (of: (law: (typeof laws)[number]) => number): number =>
    laws.reduce((sum, law, i) => sum + (chances[i] as number) * of(law), 0) / all;
  const middle = meanOf(({ logMedian }) => logMedian);
  const shape = Math.exp(meanOf(({ k }) => Math.log(k)));
  return {
    shape,
    scale: Math.exp(middle - Math.log(Math.LN2) / shape),
    worth: worth + count,
    shapeDoubt: Math.sqrt(meanOf(({ logMedian }) => (logMedian - middle) ** 2)),
  };
}

/** Two tellings of one thing, each by what it is worth, half as long as far off as twice; shape and its doubt are the first one’s. */
export function withOther(one: Lasting, other: { readonly scale: number; readonly worth: number }): Lasting {
  const worth = one.worth + other.worth;
  const log = (one.worth * Math.log(one.scale) + other.worth * Math.log(other.scale)) / worth;
  return { ...one, scale: Math.exp(log), worth };
}

/** The share that last past an amount, the doubt of the rate counted in: (1 + (t/scale)^shape/worth)^−worth. */
export const lastPast = ({ shape, scale, worth }: Lasting, amount: number): number =>
  (1 + (Math.max(0, amount) / scale) ** shape / worth) ** -worth;

/** The chance that what has lasted to an amount is at its end by a later one. */
export const chanceOfEnd = (lasting: Lasting, from: number, to: number): number =>
  1 - lastPast(lasting, to) / lastPast(lasting, from);

/** Lives follow no law exactly: a median is told as wider by so much (by simulated shops of other laws). */
const LAW_DOUBT = 1.45;

/** What half of them last, and between which it lies four times in five. */
export function usualOf({ shape, scale, worth, shapeDoubt = 0 }: Lasting): {
  readonly amount: number;
  readonly low: number;
  readonly high: number;
} {
  const amount = scale * Math.LN2 ** (1 / shape);
  const sd = LAW_DOUBT * Math.hypot(Math.sqrt(logGammaVariance(worth)) / shape, shapeDoubt);
  const by = Math.exp(FOUR_IN_FIVE_SD * sd);
  return { amount, low: amount / by, high: amount * by };
}

/** Variance of the logarithm of a gamma quantity: the trigamma function, by its series (Abramowitz and Stegun, 6.4.12). */
const logGammaVariance = (shape: number): number =>
  shape < 1
    ? logGammaVariance(shape + 1) + 1 / shape ** 2
    : 1 / shape + 1 / (2 * shape ** 2) + 1 / (6 * shape ** 3) - 1 / (30 * shape ** 5);

/** The amount that a share of them last past. */
export const amountAt = ({ shape, scale, worth }: Lasting, share: number): number =>
  scale * (worth * (share ** (-1 / worth) - 1)) ** (1 / shape);

/** Shares of them still at it, between which the cheapest age is looked for. */
const SHARES = Array.from({ length: 120 }, (_, i) => 1 - (i + 1) / 122);

/**
 * The age at which it costs least to renew them, after Barlow and Hunter (1960): a renewal costs 1, one that came too
 * late ‘late’ more, and what counts is the cost of an hour of use, (1 + late·F(w)) / ∫₀^w S.
 * @returns undefined where waiting for the end costs least, as where they do not age
 */
export function cheapestAge(lasting: Lasting, late: number): number | undefined {
  let [best, at] = [Infinity, 0];
  let [lived, before, still] = [0, 0, 1];
  for (const share of SHARES) {
    const age = amountAt(lasting, share);
    lived += ((age - before) * (share + still)) / 2;
    [before, still] = [age, share];
    const cost = (1 + late * (1 - share)) / lived;
    if (cost < best) [best, at] = [cost, age];
  }
  return at === before ? undefined : at;
}
