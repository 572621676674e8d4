import type { Condition } from '../blade/dulling.js';
import type { BenchStep, RunGrinding } from '../plan/bench-step.js';
import { handSet } from '../plan/held.js';
import type { WorkOrder } from '../plan/order-of-work.js';
import type { PlanRequest } from '../plan/plan-request.js';
import type { Station } from '../plan/station.js';
import type { Manner } from '../blade/manner.js';
import type { SessionSetting } from '../guide/setting.js';

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
  readonly steps: readonly BenchStep[];
  /** How much of the order is walked; all of it unless said. */
  readonly manner?: Manner;
  /** The order of work as it is walked; plans of releases before it was kept go by {@link stationsOf}. */
  readonly order?: readonly Station[];
}

/** What is taken to the bench beside a plan and its order. */
interface TakenInput {
  readonly toolId: string;
  readonly request: PlanRequest;
  readonly work: WorkOrder;
  readonly manner: Manner;
}

/** A plan as it is taken to the bench; none where there is no stroke in it. */
export function takenToBench({ toolId, request, work, manner }: TakenInput): RunPlan | undefined {
  const { condition, landMm, finishUm, forceN, strokesPerMin } = request;
  const { steps, order } = work;
  if (steps.length === 0) return undefined;
  const held = order.findLast((station) => station.kind === 'set' || station.kind === 'lift');
  const wheel = order.find((station) => station.kind === 'grind')?.grinding;
  return {
    toolId,
    condition,
    ...(landMm !== undefined && { landMm }),
    finishUm,
    forceN,
    strokesPerMin,
    ...(held?.kind === 'set' && { setting: held.setting }),
    // The angle of a knife is found, honing by honing: it is kept with each.
    ...(held?.kind === 'lift' && held.lift.sides === 2 && { setting: handSet(held.lift) }),
    ...(wheel && { grinding: wheel }),
    manner,
    steps: steps.map(({ part: _, ...step }) => step),
    order,
  };
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
