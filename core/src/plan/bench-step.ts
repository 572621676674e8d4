import type { Facet } from '../work/facet.js';
import type { LaidStep } from './along.js';
import type { Count } from '../blade/manner.js';
import type { Rounds } from './knives-in-jig.js';
import type { StropPurpose } from './strop-work.js';

/** Strokes on one abrasive, as they are made at the bench. */
export interface BenchStep {
  readonly abrasiveId: string;
  readonly strokes: number;
  /** Push on this abrasive, N, in place of the plan's; on a strop at the first stroke, `lastN` at the last. */
  readonly forceN?: number;
  readonly lastN?: number;
  /** Each stroke cuts to and fro. */
  readonly bothWays?: boolean;
  /** Strokes by place across the edge, left to right; together they are `strokes`. */
  readonly places?: readonly number[];
  /** Of an edge longer than its stone: how they are laid along it. */
  readonly along?: LaidStep;
  /** Of a set: which knives are in the jig, round by round; every round has as many strokes. */
  readonly rounds?: Rounds;
  /** Evens what stands proud of a curved edge, ahead of all else on it. */
  readonly evens?: boolean;
  /** Shapes the curve: comes after the burr of the first stone, or ahead of it. */
  readonly curve?: boolean;
  /** How its strokes are counted; straight through unless said. */
  readonly count?: Count;
  /** The facet worked; the one at the edge, or both sides, unless said. */
  readonly facet?: Facet;
  /** The one side worked, of an edge that is worked on two. */
  readonly side?: 0 | 1;
  /** Prepares a new blade's back, in a run of a release before facets were named. */
  readonly back?: boolean;
  /** Comes after the burr is off: the strop. */
  readonly afterBurr?: boolean;
  /** What a strop is for. */
  readonly purpose?: StropPurpose;
  /** A strop that gives: the blade laid so much lower than its bevel, degrees. */
  readonly lowerDeg?: number;
}

/** The facet a step is on, where it names one. */
export const facetOfStep = ({ facet, back }: BenchStep): Facet | undefined =>
  facet ?? (back ? 'back' : undefined);

/** Push all through a step, N: half way from its first stroke to its last where it falls; the plan’s unless said. */
export const pushOf = ({ forceN, lastN }: Pick<BenchStep, 'forceN' | 'lastN'>, plannedN: number): number =>
  forceN === undefined ? plannedN : (forceN + (lastN ?? forceN)) / 2;

/**
 * What a step is for: a primary, a knife’s body, the back of a blade, the inside of a gouge, its curve, the facet at its
 * edge, or the strop at the end.
 */
export function purposeOf(
  step: BenchStep,
): 'primary' | 'evening' | 'body' | 'back' | 'inside' | 'curve' | 'edge' | 'strop' {
  if (step.afterBurr) return 'strop';
  if (step.curve) return 'curve';
  if (step.evens) return 'evening';
  const facet = facetOfStep(step);
  return facet === 'back' || facet === 'primary' || facet === 'body' || facet === 'inside' ? facet : 'edge';
}

/** Passes at the wheel and how long each may last, and a dip after it, s, by the heat model. */
export interface WheelPassesTaken {
  readonly passes?: number;
  readonly passS?: number;
  readonly dipS?: number;
}

/** Grinding as it is taken to the wheel. */
export interface RunGrinding extends WheelPassesTaken {
  readonly wheelId: string;
  /** The land to be left standing. */
  readonly stopShortMm: number;
}

/** A hollow in the back as a wheel leaves it, mm. */
export interface HollowShape {
  readonly wheelId: string;
  readonly rimMm: number;
  readonly hollows: number;
  readonly chordMm: number;
  readonly depthMm: number;
}

/** The same as it is taken to the wheel. */
export interface BackHollow extends HollowShape, WheelPassesTaken {}
