/**
 * What things cost in the made-up shops, in minutes of the hand’s own time (estimates, set before anything was tuned).
 */
export const COSTS = {
  /** A minute at the stones, the strop or the wheel. */
  work: 1,
  /** A minute at work with an edge that no longer cuts well, over what it would have taken. */
  dull: 0.6,
  /** A minute of planing more: passes that lie closer, tracks that are taken off again. */
  planing: 1,
  /** An edge that gives out in the work: put down, walked over, fetched back. */
  givesOut: 5,
  /** A surface spoilt by an edge that had given out. */
  spoilt: 8,
  /** A gram of steel: a blade of twenty grams that may be used up is worth some two hours. */
  gram: 6,
} as const;

/** Shops a rule may be tuned on, and those it is judged on: never the same. */
export const SEEDS = {
  tuning: { from: 1, shops: 200 },
  heldOut: { from: 1_000_001, shops: 1000 },
} as const;
