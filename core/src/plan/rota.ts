import { insist } from '../base/refusal.js';

interface RotaInput {
  /** Knives of the set. */
  readonly pieces: number;
  /** How many of them the jig holds at once. */
  readonly slots: number;
  /** Strokes each knife is owed. */
  readonly strokesEach: number;
  /** Strokes made between two loadings of the jig. */
  readonly strokesPerRound: number;
}

interface Rota {
  /** The knives of each round, numbered from 1, place by place. */
  readonly rounds: readonly (readonly number[])[];
  /** Knives that enter a place between rounds. */
  readonly swaps: number;
}

/** As many knives as a set or a jig is thought to have. */
const MOST = { pieces: 24, slots: 12, rounds: 10_000 } as const;

/**
 * Which knives go into the jig in which round, so that each gets the same strokes, in the fewest rounds, and with the
 * fewest changes among those. N knives owed m rounds each need R = max(m, ⌈N·m/slots⌉). Places are filled one after the
 * other and wrap over (McNaughton 1959): a knife cut in two by the end of a place goes on in the next from the first
 * round, and never meets itself because m ≤ R. Every place a knife has to itself or shares in a group that comes out
 * whole saves one change, so the places are parted into as many such groups as hold N knives: the changes are N less
 * those groups.
 * @throws Refusal where a figure is no whole number of its range, or `strokesEach` no multiple of `strokesPerRound`
 * @example rota({ pieces: 3, slots: 2, strokesEach: 20, strokesPerRound: 10 }).rounds // [[1, 2], [1, 3], [2, 3]]
 */
export function rota({ pieces, slots, strokesEach, strokesPerRound }: RotaInput): Rota {
  const whole = (value: number, field: string, most: number): void =>
    insist(
      Number.isInteger(value) && value >= 1 && value <= most,
      field,
      `Give a whole number from 1 to ${most}.`,
    );
  whole(pieces, 'pieces', MOST.pieces);
  whole(slots, 'slots', MOST.slots);
  whole(strokesPerRound, 'strokesPerRound', MOST.rounds);
  whole(strokesEach, 'strokesEach', MOST.rounds);
  insist(
    strokesEach % strokesPerRound === 0,
    'strokesEach',
    `Strokes are made ${strokesPerRound} to a round: owe each knife a multiple of that.`,
  );
  const owed = strokesEach / strokesPerRound;
  const places = Math.min(slots, pieces);
  const count = Math.max(owed, Math.ceil((pieces * owed) / places));
  const rows = groupsOf(pieces, places, (size) => Math.floor((size * count) / owed))
    .reduce<{ readonly from: number; readonly rows: readonly (readonly number[])[] }>(
      ({ from, rows: before }, { size, holds }) => ({
        from: from + holds,
        rows: [...before, ...wrapped(from, holds, size, owed, count)],
      }),
      { from: 1, rows: [] },
    )
    // Places that fall empty sooner come last, so that a round’s knives stand in the places of the one before.
    .rows.toSorted((a, b) => b.length - a.length);
  const rounds = Array.from({ length: count }, (_, round) => rows.flatMap((row) => row[round] ?? []));
  return { rounds, swaps: changesOf(rounds).reduce((sum, { putIn }) => sum + putIn.length, 0) };
}

/** Knives one after the other into the places of a group, each its rounds, over the end of a place into the next. */
function wrapped(
  from: number,
  knives: number,
  places: number,
  owed: number,
  count: number,
): readonly (readonly number[])[] {
  const line = Array.from({ length: knives * owed }, (_, i) => from + Math.floor(i / owed));
  return Array.from({ length: places }, (_, place) => line.slice(place * count, (place + 1) * count));
}

interface Group {
  readonly size: number;
  readonly holds: number;
}

/** The places in as many groups as together hold every knife, and how many knives each takes, one at least. */
function groupsOf(pieces: number, places: number, holdsOf: (size: number) => number): readonly Group[] {
  /** The groups that so many places make and the knives they hold: most knives for every number of groups. */
  const best: (readonly Group[] | undefined)[][] = [[[]]];
  const held = (groups: readonly Group[]): number => groups.reduce((sum, { holds }) => sum + holds, 0);
  for (let used = 1; used <= places; used++) {
    best[used] = [];
    for (let count = 1; count <= used; count++) {
      for (let size = 1; size <= used - count + 1; size++) {
        const before = best[used - size]?.[count - 1];
        if (!before) continue;
        const groups = [...before, { size, holds: holdsOf(size) }];
        const so = best[used]?.[count];
        if (!so || held(groups) > held(so)) (best[used] as (typeof best)[number])[count] = groups;
      }
    }
  }
  const groups = best[places]?.findLast((each) => each && held(each) >= pieces) ?? [];
  let left = pieces;
  return groups.map(({ size, holds }, i) => {
    const takes = Math.min(holds, left - (groups.length - 1 - i));
    left -= takes;
    return { size, holds: takes };
  });
}

/** Knives that come out of the jig, and those that go in. */
export interface Change {
  readonly takeOut: readonly number[];
  readonly putIn: readonly number[];
}

/** From each round to the next: the knives that come out, and those that go in. */
export function changesOf(rounds: readonly (readonly number[])[]): readonly Change[] {
  return rounds.slice(1).map((now, i) => changeTo(now, rounds[i] ?? []));
}

/** What comes out of the jig and what goes in, from one loading to another. */
export const changeTo = (now: readonly number[], before: readonly number[]): Change => ({
  takeOut: before.filter((piece) => !now.includes(piece)),
  putIn: now.filter((piece) => !before.includes(piece)),
});

/**
 * How many rounds each knife is owed so that the jig is full in every one: alone in it a knife would bear the whole
 * push, and get more than the others. @example fullRounds(3, 2) // 2
 */
export function fullRounds(pieces: number, slots: number): number {
  const places = Math.min(slots, pieces);
  return places / gcd(pieces, places);
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
