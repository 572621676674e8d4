import type { KnifeSetEdge } from '../blade/edge.js';
import { changesOf, fullRounds, rota } from './rota.js';

/** The knives in the jig, round by round and place by place, numbered from 1; every round has as many strokes. */
export type Rounds = readonly (readonly number[])[];

/** A jig nobody measured holds two, at a right angle to each other. */
const USUAL_PLACES = 2;
/** One taken out, one put in, pressed home and tightened, min (estimate). */
const CHANGE_MIN = 0.5;

/**
 * How many knives the jig holds at once: two rows at a right angle to each other, each as many knives as its length is
 * knives long; no more than there are. @example placesInJig({ count: 6, lengthMm: 150, jigMm: 310 }) // 4
 */
export function placesInJig({ count, lengthMm, jigMm }: KnivesOfJig): number {
  const places =
    jigMm === undefined ? USUAL_PLACES : USUAL_PLACES * Math.max(1, Math.floor(jigMm / lengthMm));
  return Math.min(count, places);
}

type KnivesOfJig = Pick<KnifeSetEdge, 'count' | 'lengthMm' | 'jigMm'>;

/** Strokes on one abrasive as a jig of several knives makes them. */
interface InJig {
  /** Of the jig, whichever knives are in it; as many in every round. */
  readonly strokes: number;
  readonly rounds: Rounds;
}

/**
 * Strokes of the jig so that every knife gets the same, its share of what the whole set wants at least: the push is
 * shared by the knives in it, so it is full in every round.
 * @param wanted strokes as if the set were one long edge under the whole push
 * @param each so many on every knife instead
 * @example inJig({ count: 3, lengthMm: 260 }, 60) // 60 strokes, 20 a round: 1 and 2, 1 and 3, 2 and 3; 40 each
 */
export function inJig(knives: KnivesOfJig, wanted: number, each?: number): InJig {
  const { count } = knives;
  const slots = placesInJig(knives);
  const owed = fullRounds(count, slots);
  const perRound = Math.ceil((each ?? (wanted * slots) / count) / owed);
  const { rounds } = rota({
    pieces: count,
    slots,
    strokesEach: perRound * owed,
    strokesPerRound: perRound,
  });
  return { strokes: perRound * rounds.length, rounds };
}

/** One knife after the other, laid down by hand: a back. */
export const oneByOne = (count: number): Rounds => Array.from({ length: count }, (_, i) => [i + 1]);

/** Minutes the changes between rounds take. */
export const changingMin = (rounds: Rounds): number =>
  CHANGE_MIN * changesOf(rounds).reduce((sum, { putIn }) => sum + putIn.length, 0);

/** What every knife gets of strokes that are made in rounds. */
export const strokesOfEach = (strokes: number, rounds: Rounds): number =>
  (strokes / rounds.length) * rounds.filter((round) => round.includes(1)).length;
