import type { Condition } from '../edge/dulling.js';
import type { Count } from './counting.js';
import type { SessionSetting } from '../session/session.js';
import type { Facet } from '../work/facet.js';
import type { Station } from './station.js';

/** A plan as it is taken to the bench. */
export interface RunPlan {
  readonly toolId: string;
  readonly condition: Condition;
  /** The land where it was measured for this plan. */
  readonly landMm?: number;
  readonly finishUm: number;
  readonly forceN: number;
  readonly strokesPerMin: number;
  readonly setting?: SessionSetting;
  readonly who?: string;
  /** The wheel comes first. */
  readonly grinding?: RunGrinding;
  readonly steps: readonly RunPlanStep[];
  /** The whole order of work; plans of releases before it was kept go by {@link stationsOf}. */
  readonly order?: readonly Station[];
}

/** Grinding as it is taken to the wheel. */
export interface RunGrinding {
  readonly wheelId: string;
  /** The land to be left standing. */
  readonly stopShortMm: number;
  /** Passes and how long each may last, and a dip after it, s, by the heat model. */
  readonly passes?: number;
  readonly passS?: number;
  readonly dipS?: number;
}

export interface RunPlanStep {
  readonly abrasiveId: string;
  readonly strokes: number;
  /** Push on this abrasive, N, in place of the plan's. */
  readonly forceN?: number;
  /** Each stroke cuts to and fro. */
  readonly bothWays?: boolean;
  /** Strokes by place across the edge, left to right; together they are `strokes`. */
  readonly places?: readonly number[];
  /** Shapes the curve: comes after the burr of the first stone, or ahead of it. */
  readonly curve?: boolean;
  /** How its strokes are counted; straight through unless said. */
  readonly count?: Count;
  /** The facet worked; the one at the edge, or both sides, unless said. */
  readonly facet?: Facet;
  /** Prepares a new blade's back, in a run of a release before facets were named. */
  readonly back?: boolean;
  /** Comes after the burr is off: the strop. */
  readonly afterBurr?: boolean;
}

/** The facet a step is on, where it names one. */
export const facetOfStep = ({ facet, back }: RunPlanStep): Facet | undefined =>
  facet ?? (back ? 'back' : undefined);

/** What a step is for: a primary, the back of a blade, its curve, the facet at its edge, or the strop at the end. */
export function purposeOf(step: RunPlanStep): 'primary' | 'back' | 'curve' | 'edge' | 'strop' {
  if (step.afterBurr) return 'strop';
  if (step.curve) return 'curve';
  const facet = facetOfStep(step);
  return facet === 'back' || facet === 'primary' ? facet : 'edge';
}

/**
 * The order of a run of an earlier release: the wheel where it is wanted, set the guide, each stone, the burr
 * after the first, off with it, the strop, prove.
 */
export function stationsOf({ grinding, setting, steps, order }: RunPlan): readonly Station[] {
  if (order) return order;
  const places = steps.map((_, i) => i);
  const [stones, strops] = [false, true].map((after) =>
    places.filter((i) => (steps[i]?.afterBurr ?? false) === after),
  ) as [number[], number[]];
  return [
    ...(grinding ? [{ kind: 'grind', grinding } as const] : []),
    ...(setting ? [{ kind: 'set', setting } as const] : []),
    ...stones.flatMap((step): Station[] =>
      step === stones[0] ? [{ kind: 'stone', step }, { kind: 'burr' }] : [{ kind: 'stone', step }],
    ),
    ...(stones.length > 0 ? [{ kind: 'burr-off' } as const] : []),
    ...strops.map((step): Station => ({ kind: 'stone', step })),
    { kind: 'proof' },
  ];
}
