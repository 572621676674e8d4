import { insist } from '../base/refusal.js';

interface CountdownInput {
  /** Strokes of the first visit to each side. */
  readonly from: number;
  /** Sides taken in turn, default 2. */
  readonly sides?: number;
}

interface Countdown {
  /** All sides together. */
  readonly strokes: number;
  /** Strokes of each visit, the sides in turn: 3, 3, 2, 2, 1, 1. */
  readonly sequence: readonly number[];
}

/**
 * A countdown of strokes by side, one fewer each round, so that the burr is turned over more and more
 * gently. 5-4-3-2-1 a side on stones, 10…1 on the strop are common practice, no source.
 * @throws Refusal on `from` and `sides` unless whole numbers, 1–100 and 1–12
 */
export function countdown({ from, sides = 2 }: CountdownInput): Countdown {
  const whole = (value: number, most: number): boolean =>
    Number.isInteger(value) && value >= 1 && value <= most;
  insist(whole(from, 100), 'from', 'Count down from a whole number, 1 to 100.');
  insist(whole(sides, 12), 'sides', 'Give a whole number of sides, 1 to 12.');
  const sequence = Array.from({ length: from * sides }, (_, i) => from - Math.floor(i / sides));
  return { strokes: sequence.reduce((sum, count) => sum + count, 0), sequence };
}
