import { Refusal } from '../base/refusal.js';
import type { ProgressionAbrasive, ProgressionInput } from './progression.js';

/** Ways people go from coarse to fine; each is a set of limits on one solver. */
export const SCHOOLS = ['least-time', 'doubling', 'two-stones', 'exact'] as const;
export type School = (typeof SCHOOLS)[number];

/** What a school asks beside the school’s name. */
interface SchoolRequest {
  readonly school: School;
  /** The abrasives of an exact order, in that order. */
  readonly order?: readonly string[] | undefined;
  /** Whether the edge is damaged: then doubling begins on the coarse stone. */
  readonly damaged: boolean;
}

/** Doubling the grit halves the grain. */
const DOUBLE = 2;
/** A tool that was sharp lately starts at the middle stone, only a damaged one at the coarse (common practice, no source). */
const START_UM = { middle: 10, coarse: 25 } as const;

/**
 * A progression’s input under a school. *Least time* adds nothing. *Doubling* begins on a middle stone (a
 * coarse one where there is damage) and takes the smallest largest jump the set allows, twice at the least.
 * *Two stones* takes exactly two. *Exact* takes those named and no other.
 * @throws Refusal on `order` where an exact order is empty, names what is not here, or does not get finer
 */
export function underSchool(
  input: ProgressionInput,
  { school, order = [], damaged }: SchoolRequest,
): ProgressionInput {
  switch (school) {
    case 'least-time':
      return input;
    case 'two-stones':
      return { ...input, stones: 2 };
    case 'exact':
      return exactly(input, order);
    case 'doubling': {
      const startUm = Math.min(
        damaged ? START_UM.coarse : START_UM.middle,
        Math.max(...input.abrasives.map(({ sizeUm }) => sizeUm)),
      );
      const needed = Math.max(DOUBLE, leastLargestJump(input.abrasives, startUm, input.finishUm));
      return {
        ...input,
        startUm: Math.max(startUm, input.startUm ?? 0),
        maxRatio: Math.min(needed, input.maxRatio ?? Infinity),
      };
    }
  }
}

function exactly(input: ProgressionInput, order: readonly string[]): ProgressionInput {
  if (order.length === 0) throw new Refusal('order', 'Name the stones of this order, coarse to fine.');
  const chosen = order.map((id) => {
    const found = input.abrasives.find((abrasive) => abrasive.id === id);
    if (!found) {
      throw new Refusal(
        'order',
        'A stone of this order is not here, or does not serve this edge: leave it out.',
      );
    }
    return found;
  });
  const rises = chosen.some(
    (abrasive, i) => i > 0 && abrasive.sizeUm >= (chosen[i - 1] as ProgressionAbrasive).sizeUm,
  );
  if (rises) {
    throw new Refusal(
      'order',
      'Each stone of an order has to be finer than the one before: leave one out, or give it its place by hand.',
    );
  }
  return { ...input, abrasives: chosen, stones: chosen.length };
}

/** The smallest largest ratio of neighbours on any way from a stone of at least `startUm` to the finish; Infinity without one. */
export function leastLargestJump(
  abrasives: readonly ProgressionAbrasive[],
  startUm: number,
  finishUm: number,
): number {
  const sizes = [...new Set(abrasives.map(({ sizeUm }) => sizeUm))].sort((a, b) => a - b);
  const jump = new Map<number, number>();
  for (const size of sizes) {
    const finer = sizes.filter((other) => other < size);
    const onward = Math.min(...finer.map((other) => Math.max(size / other, jump.get(other) as number)));
    jump.set(size, size <= finishUm ? 1 : onward);
  }
  return Math.min(...sizes.filter((size) => size >= startUm).map((size) => jump.get(size) as number));
}
