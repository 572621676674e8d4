import type { LaidStep } from './along.js';
import type { Rounds } from './knives-in-jig.js';
import type { Count } from '../blade/manner.js';
import { countdown } from './countdown.js';

/** Strokes of one visit: to a side, or to a place across the edge. */
interface Visit {
  readonly side?: 0 | 1;
  readonly place?: number;
  /** The knives in the jig. */
  readonly knives?: readonly number[];
  /** Of an edge longer than its stone: which part, or about which end, from the left. */
  readonly part?: number;
  readonly strokes: number;
}

/** What a number of strokes is made by, where it is not made straight through. */
interface MadeBy {
  readonly places?: readonly number[] | undefined;
  readonly rounds?: Rounds | undefined;
  readonly along?: LaidStep | undefined;
}

/**
 * The visits a number of strokes is made in: straight through; half on each side; a countdown from five or ten
 * a side, or from as many as the number holds; singles in turn. Countdowns have their own number of strokes
 * (5-4-3-2-1 a side on stones, 10…1 on the strop: common practice, no source).
 */
export function visitsOf(
  count: Count,
  strokes: number,
  { places, rounds, along }: MadeBy = {},
): readonly Visit[] {
  const evenly = (visits: number, i: number): number =>
    Math.floor((strokes * (i + 1)) / visits) - Math.floor((strokes * i) / visits);
  const byShare = (shares: readonly number[], i: number): number => {
    const whole = shares.reduce((sum, share) => sum + share, 0);
    const upTo = (n: number): number => shares.slice(0, n).reduce((sum, share) => sum + share, 0) / whole;
    return Math.round(strokes * upTo(i + 1)) - Math.round(strokes * upTo(i));
  };
  if (rounds) return rounds.map((knives, i) => ({ knives, strokes: evenly(rounds.length, i) }));
  if (places) return places.flatMap((each, place) => (each > 0 ? [{ place, strokes: each }] : []));
  if (along && along.visits > 1)
    return Array.from({ length: along.visits }, (_, i) => ({
      part: along.tipFirst ? along.visits - 1 - i : i,
      strokes: along.shares ? byShare(along.shares, i) : evenly(along.visits, i),
    }));
  switch (count) {
    case 'through':
      return [{ strokes }];
    case 'half':
      return [
        { side: 0, strokes: Math.ceil(strokes / 2) },
        { side: 1, strokes: Math.floor(strokes / 2) },
      ];
    case 'singles':
      return Array.from({ length: strokes }, (_, i) => ({ side: (i % 2) as 0 | 1, strokes: 1 }));
    case 'five-down':
      return fallingFrom(5);
    case 'ten-down':
      return fallingFrom(10);
    case 'falling': {
      const from = fallingFor(strokes);
      return from === 0 ? [{ strokes }] : fallingFrom(from);
    }
  }
}

const fallingFrom = (from: number): readonly Visit[] =>
  countdown({ from }).sequence.map((strokes, i) => ({ side: (i % 2) as 0 | 1, strokes }));

/** The countdown that a number of strokes holds: from 3 it is 12, both sides together. */
const fallingFor = (strokes: number): number =>
  Math.min(100, Math.max(0, Math.floor((Math.sqrt(4 * strokes + 1) - 1) / 2)));

/** The most strokes, no more than so many, that are a countdown of two sides. @example fallingWithin(7) // 6: 2-2-1-1 */
function fallingWithin(strokes: number): number {
  const from = fallingFor(strokes);
  return from * (from + 1);
}

/** How many strokes a count comes to; those that have no number of their own keep the plan's. */
export const strokesOf = (count: Count, planned: number): number =>
  visitsOf(count, planned).reduce((sum, { strokes }) => sum + strokes, 0);

/** What a count comes to whatever is planned: a countdown from five is 30. None of the others has such a number. */
const ownStrokes = (count: Count): number => strokesOf(count, 0);

/** Whether a count is made as it is, however many strokes would do. */
export const isOwnNumber = (count: Count = 'half'): boolean => ownStrokes(count) > 0;

/**
 * Strokes of the first stone of an edge with two sides: on each side until its burr stands, then some by turns, a
 * quarter of them at most unless its user's count has a number of its own.
 * @param strokes all of them, as {@link strokesByTurns} has them
 * @example raisedAndTurned(44) // { sides: [19, 19], turns: 6 }
 */
export function raisedAndTurned(
  strokes: number,
  count: Count = 'falling',
): { readonly sides: readonly [number, number]; readonly turns: number } {
  const turns = ownStrokes(count) || fallingWithin(strokes / 4);
  const each = (strokes - turns) / 2;
  return { sides: [Math.ceil(each), Math.floor(each)], turns };
}

/**
 * Strokes of a stone on an edge with two sides, as its user counts them, of so many that would do: on the first
 * stone only those by turns are counted so.
 * @example strokesByTurns(44, true, 'five-down') // 68: 19 a side, then 5-4-3-2-1 a side
 */
export function strokesByTurns(wanted: number, first: boolean, count?: Count): number {
  const paired = 2 * Math.ceil(wanted / 2);
  if (count === undefined) return paired;
  if (!first) return strokesOf(count, paired);
  const own = ownStrokes(count);
  return own === 0 ? paired : paired - fallingWithin(paired / 4) + own;
}

/** The visit at hand after so many strokes, and what is left of it; undefined once all are made. */
export function visitAt(
  visits: readonly Visit[],
  made: number,
): (Visit & { readonly index: number; readonly left: number }) | undefined {
  let before = 0;
  for (const [index, visit] of visits.entries()) {
    if (made < before + visit.strokes) return { ...visit, index, left: before + visit.strokes - made };
    before += visit.strokes;
  }
  return undefined;
}

/** Strokes by place that so many strokes come to, the places taken in turn from the left. */
export function placesMade(places: readonly number[], made: number): readonly number[] {
  let left = made;
  const counted = places.map((each) => {
    const here = Math.min(each, left);
    left -= here;
    return here;
  });
  // What was made beyond the plan went on at the last place that had any.
  const last = counted.findLastIndex((each) => each > 0);
  return left > 0 && last >= 0 ? counted.map((each, i) => (i === last ? each + left : each)) : counted;
}
