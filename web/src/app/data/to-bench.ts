import type { Stored } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import type { Manner, Tool } from '@mellow-anvil/core/blade';
import {
  type BackHollow,
  liftOf,
  orderOfWork,
  type RunGrinding,
  type WorkOrder,
} from '@mellow-anvil/core/plan';
import { type RunPlan, takenToBench } from '@mellow-anvil/core/run';
import { settingFor, type Answer, type SetUp } from './desk';

/** What the order of work depends on beside tool and plan. */
export interface Bench {
  readonly setUp: SetUp | undefined;
  readonly stones: readonly Stored<Abrasive>[];
  readonly grinding?: RunGrinding;
  readonly hollow?: BackHollow;
  readonly manner?: Manner;
}

/** The order of work of a plan, as it is held: in the guide it is set up in, or by hand. */
export function workOf(
  tool: Tool,
  { plan, request }: Answer,
  { setUp, stones, grinding, hollow, manner }: Bench,
): WorkOrder | undefined {
  if (!plan) return undefined;
  const byId = new Map(stones.map((stone) => [stone.id, stone]));
  const byHand = setUp === undefined || setUp.guide.form === 'freehand';
  return orderOfWork({
    plan,
    tool,
    request,
    ...(grinding && { grinding }),
    ...(hollow && { hollow }),
    ...(manner && { manner }),
    ...(byHand ? { lift: liftOf(tool.edge) } : { settingOf: (facet) => settingFor(setUp, facet) }),
    stoneOf: (id) => byId.get(id),
  });
}

/** A plan as it is taken to the bench. */
export function runPlanOf(tool: Stored<Tool>, answer: Answer, bench: Bench): RunPlan | undefined {
  const work = workOf(tool, answer, bench);
  const taken =
    work &&
    takenToBench({
      toolId: tool.id,
      request: answer.request,
      work,
      manner: bench.manner ?? 'thorough',
    });
  if (!taken) return undefined;
  // By hand nothing is set; the record keeps the angle it was held at all the same.
  const setting =
    taken.setting ?? (bench.setUp && answer.plan?.steps.length ? settingFor(bench.setUp) : undefined);
  return { ...taken, ...(setting && { setting }) };
}
