import { lnShareBelow } from '../base/normal.js';
import type { EdgeSpan } from './edge-spans.js';
import type { Steers } from './session.js';

/** An edge that was tried at an angle: what it was used for, how it ended, and how its hand felt it. */
export type EdgeTried = Required<Pick<EdgeSpan, 'deg' | 'amount' | 'ended'>> &
  Pick<EdgeSpan, 'leftDeg' | 'rightDeg' | 'felt'>;

/** The two sides of the next edge, degrees from the centre plane. */
export interface NextSides {
  readonly leftDeg: number;
  readonly rightDeg: number;
  readonly nowLeftDeg: number;
  readonly nowRightDeg: number;
  /** What the last edge did in its cut, where that moves a degree from one side to the other. */
  readonly steers?: Exclude<Steers, 'straight'>;
}

/** What the edges tried so far say of the next one. */
export interface NextAngle {
  /** The angle to try next, in whole steps of {@link STEP_DEG} from the one now, degrees. */
  readonly deg: number;
  readonly nowDeg: number;
  /** The angle that would last longest, as far as they tell: its mean, and where it lies four times in five. */
  readonly bestDeg: number;
  readonly lowDeg: number;
  readonly highDeg: number;
  /** Chances that the best lies flatter than now by more than half a step, about here, or steeper. */
  readonly flatter: number;
  readonly here: number;
  readonly steeper: number;
  readonly edges: number;
  /** They would have it flatter, or steeper, than is usual of its family: so far it goes by its owner’s own choice alone. */
  readonly unusual?: (typeof PAST_USUAL)[number];
  /** Of a blade whose sides are kept apart. */
  readonly sides?: NextSides;
}
export const PAST_USUAL = ['flatter', 'steeper'] as const;

/** A hand cannot tell finer steps apart. */
const STEP_DEG = 1;
/** So far at most from one edge to the next: what is learned far off is lost time when it is wrong. */
const MOST_STEPS = 2;
/** Before anything is seen the best lies about where one began, give or take so much (estimate). */
const BEGAN_SD_DEG = 4;
/** Edges of one angle scatter: standard deviation of the logarithm of what they last (estimate). */
const SCATTER = 0.5;
/** So far off the best an edge lasts half as long: it may be any of these (estimates). */
const HALF_AT_DEG = [3, 5, 8] as const;
/** An edge at the best angle chips now and then, by log-odds of one of these; the flatter, the oftener: one more for each so many degrees (estimates). */
const CHIPS_AT_BEST = [-4, -3, -2, -1.5] as const;
const CHIPS_PER_DEG = 1 / 1.5;
/** The hand calls fewer than one in five of the best edges unwilling to bite, or weak; the odds go by the angle as chips do (estimates). */
const FELT = { atBest: -1.5, perDeg: 1 / 1.5 } as const;
/** Angles looked among, either side of those tried, and lives, as logarithms either side of the usual. */
const REACH_DEG = 12;
const FINE_DEG = 0.5;
const LIFE_STEP = 0.2;
const LIVES_EACH = 10;
const LIVES = Array.from({ length: 2 * LIVES_EACH + 1 }, (_, i) => LIFE_STEP * (i - LIVES_EACH));

/** What lies so far below a fit that was found, in ln, weighs nothing. */
const NOTHING = 25;

/** How well a best angle and a width fit, whatever the life there. */
interface Fit {
  /** In ln, without what was lasted. */
  readonly before: number;
  /** By how much the edges of each angle fall short of the best, as a logarithm. */
  readonly shifts: readonly number[];
  /** Of the edges that went blunt: how many, and the logarithms of what they lasted, as it would be at the best. */
  readonly count: number;
  readonly sum: number;
  readonly squares: number;
}

/** How well a life fits, in ln, but for what still cut, which can only lower it. */
const lnMost = ({ before, count, sum, squares }: Fit, life: number): number =>
  before - (0.5 * (squares + life * (count * life - 2 * sum))) / SCATTER ** 2;

/** The life that fits best, but for what still cut, which speaks for the longest. */
const likelyLife = ({ count, sum }: Fit): number =>
  count === 0
    ? LIFE_STEP * LIVES_EACH
    : LIFE_STEP * Math.max(-LIVES_EACH, Math.min(LIVES_EACH, Math.round(sum / count / LIFE_STEP)));

/** How likely it is that what still cut outlasted what was seen of it, in ln. */
const lnOutlasted = (kinds: readonly OfOneAngle[], { shifts }: Fit, life: number): number =>
  kinds.reduce(
    (sum, { still }, i) =>
      still.reduce((all, log) => all + lnShareBelow((life - (shifts[i] as number) - log) / SCATTER), sum),
    0,
  );

/**
 * Which angle next? Keep it, a little flatter or a little steeper, by what the edges honed so far lasted and how they
 * ended.
 *
 * The rule: the logarithm of what an edge lasts falls with the square of how far its angle lies off the best one, ln T =
 * a − ln 2·((θ − m)/h)² with scatter; one that was sharpened while it still cut lasted at least so long; a chip is
 * likelier the flatter the edge, as is one that its hand calls weak; one that would not bite the steeper. Best angle m, life a and width h are each weighed by how well they fit every edge
 * (Bayes over a grid), beginning from where the hand began. The next edge goes towards the mean of m, by whole
 * degrees, two at most; where that is less than half a degree it stays. It goes no further than is usual of its family.
 * @param edges oldest first; the last one’s angle is the one now
 * @param usualDeg of its family, least and most, a side
 * @returns undefined without an edge
 */
export function nextAngle(
  edges: readonly EdgeTried[],
  usualDeg: readonly [least: number, most: number] = [0, Infinity],
): NextAngle | undefined {
  const [first, last] = [edges[0], edges.at(-1)];
  if (!first || !last) return undefined;
  const nowDeg = last.deg;
  const tried = edges.map(({ deg }) => deg);
  const from = Math.min(...tried) - REACH_DEG;
  const angles = Array.from(
    { length: Math.round((Math.max(...tried) + REACH_DEG - from) / FINE_DEG) + 1 },
    (_, i) => from + FINE_DEG * i,
  ).filter((deg) => deg > 0);
  const logs = edges.map(({ amount }) => Math.log(amount));
  const usual = logs.reduce((sum, each) => sum + each, 0) / logs.length;
  const kinds = byAngle(edges, usual);
  // All but what still cut: that lowers a fit, so that the rest is as much as it can be.
  const most = angles.map((best): readonly Fit[] => {
    const began = -0.5 * ((best - first.deg) / BEGAN_SD_DEG) ** 2;
    // That none chipped says little of the angle while nobody knows how often the best would.
    const chips = logSum(
      CHIPS_AT_BEST.map((atBest) =>
        kinds.reduce((sum, { deg, all, chips: n }) => {
          const odds = { atBest, perDeg: CHIPS_PER_DEG };
          return sum + n * flawed(odds, best - deg, true) + (all - n) * flawed(odds, best - deg, false);
        }, 0),
      ),
    );
    const felt = edges.reduce(
      (sum, { deg, felt: { bites, holds } = {} }) =>
        sum +
        (bites === undefined ? 0 : flawed(FELT, deg - best, !bites)) +
        (holds === undefined ? 0 : flawed(FELT, best - deg, !holds)),
      0,
    );
    return HALF_AT_DEG.map((half): Fit => {
      const shifts = kinds.map(({ deg }) => Math.LN2 * ((deg - best) / half) ** 2);
      const summed = (of: (kind: OfOneAngle, shift: number) => number): number =>
        kinds.reduce((sum, kind, i) => sum + of(kind, shifts[i] as number), 0);
      return {
        before: began + chips + felt,
        shifts,
        count: summed(({ ends }) => ends.count),
        sum: summed(({ ends }, shift) => ends.sum + shift * ends.count),
        squares: summed(({ ends }, shift) => ends.squares + shift * (2 * ends.sum + shift * ends.count)),
      };
    });
  });
  const whole = (fit: Fit, life: number): number => lnMost(fit, life) + lnOutlasted(kinds, fit, life);
  const mostOf = (fit: Fit): number => lnMost(fit, likelyLife(fit));
  const likely = most.flat().reduce((one, other) => (mostOf(other) > mostOf(one) ? other : one));
  const least = whole(likely, likelyLife(likely)) - NOTHING;
  const wholes = most.map((fits) =>
    fits.flatMap((fit) =>
      mostOf(fit) < least
        ? []
        : LIVES.map((life) => (lnMost(fit, life) < least ? -Infinity : whole(fit, life))),
    ),
  );
  const best = wholes.flat().reduce((one, other) => Math.max(one, other));
  const weights = wholes.map((each) => each.reduce((sum, ln) => sum + Math.exp(ln - best), 0));
  const all = weights.reduce((sum, each) => sum + each, 0);
  const share = (of: (deg: number) => boolean): number =>
    angles.reduce((sum, deg, i) => (of(deg) ? sum + (weights[i] as number) : sum), 0) / all;
  /** The first angle at or below which so great a share of them lies. */
  const angleAt = (wanted: number): number => {
    let below = 0;
    return angles.find((_, i) => (below += weights[i] as number) >= wanted * all) ?? bestDeg;
  };
  const bestDeg = angles.reduce((sum, deg, i) => sum + deg * (weights[i] as number), 0) / all;
  const wanted = Math.max(-MOST_STEPS, Math.min(MOST_STEPS, Math.round((bestDeg - nowDeg) / STEP_DEG)));
  const steps = withinUsual(wanted, nowDeg, usualDeg);
  const flatter = share((deg) => deg < nowDeg - STEP_DEG / 2);
  const steeper = share((deg) => deg > nowDeg + STEP_DEG / 2);
  return {
    deg: nowDeg + STEP_DEG * steps,
    nowDeg,
    bestDeg,
    lowDeg: angleAt(0.1),
    highDeg: angleAt(0.9),
    flatter,
    here: Math.max(0, 1 - flatter - steeper),
    steeper,
    edges: edges.length,
    ...(steps !== wanted && { unusual: wanted < steps ? ('flatter' as const) : ('steeper' as const) }),
    ...sidesOfNext(last, STEP_DEG * steps),
  };
}

/** Steps that do not leave what is usual; where it is outside of that already, none further out. */
const withinUsual = (steps: number, nowDeg: number, [least, most]: readonly [number, number]): number =>
  Math.max(
    Math.min(0, Math.ceil((least - nowDeg) / STEP_DEG)),
    Math.min(Math.max(0, Math.floor((most - nowDeg) / STEP_DEG)), steps),
  );

/**
 * Sides kept apart go on alike: what a person made uneven is never evened. One that steers into the work is ridden out
 * by a degree more on the side that lies on the work, the flatter one, and a degree less on the other; one that climbs
 * out the other way round.
 */
function sidesOfNext({ leftDeg, rightDeg, felt }: EdgeTried, byDeg: number): { readonly sides?: NextSides } {
  if (leftDeg === undefined || rightDeg === undefined) return {};
  const steers = leftDeg !== rightDeg && felt?.steers !== 'straight' ? felt?.steers : undefined;
  const onWork = leftDeg < rightDeg ? 1 : -1;
  const over = steers === undefined ? 0 : STEP_DEG * onWork * (steers === 'in' ? 1 : -1);
  return {
    sides: {
      leftDeg: leftDeg + byDeg + over,
      rightDeg: rightDeg + byDeg - over,
      nowLeftDeg: leftDeg,
      nowRightDeg: rightDeg,
      ...(steers && { steers }),
    },
  };
}

/** The edges of one angle: how many, how many chipped, and the logarithms of what they lasted, to what is usual. */
interface OfOneAngle {
  readonly deg: number;
  readonly all: number;
  readonly chips: number;
  readonly ends: { readonly count: number; readonly sum: number; readonly squares: number };
  /** Of those that still cut. */
  readonly still: readonly number[];
}

function byAngle(edges: readonly EdgeTried[], usual: number): readonly OfOneAngle[] {
  return [...new Set(edges.map(({ deg }) => deg))].map((deg) => {
    const own = edges.filter((each) => each.deg === deg);
    const logs = (of: (each: EdgeTried) => boolean): readonly number[] =>
      own.filter(of).map(({ amount }) => Math.log(amount) - usual);
    // A chip ends an edge by accident: it would have cut on.
    const ended = ({ ended: how }: EdgeTried): boolean => how === 'blunt';
    const ends = logs(ended);
    return {
      deg,
      all: own.length,
      chips: own.filter(({ ended: how }) => how === 'chipped').length,
      ends: {
        count: ends.length,
        sum: ends.reduce((sum, each) => sum + each, 0),
        squares: ends.reduce((sum, each) => sum + each ** 2, 0),
      },
      still: logs((each) => !ended(each)),
    };
  });
}

/** Log-likelihood of a flaw, or of none, so many degrees from the best towards where it grows likelier. */
function flawed(
  { atBest, perDeg }: { readonly atBest: number; readonly perDeg: number },
  towardsDeg: number,
  flaw: boolean,
): number {
  const odds = atBest + perDeg * towardsDeg;
  return -Math.log1p(Math.exp(flaw ? -odds : odds));
}

/** Logarithm of a sum, from the logarithms of what is summed. */
function logSum(logs: readonly number[]): number {
  const most = Math.max(...logs);
  return most + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - most), 0));
}
