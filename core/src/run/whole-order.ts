import { kindFacts, type Abrasive } from '../abrasive/abrasive.js';
import type { PlanCare } from '../plan/honing-plan.js';
import { shapeOfEdge } from '../edge/edge.js';
import type { Tool } from '../tool/tool.js';
import { purposeOf, type RunPlan, type RunPlanStep } from './run-plan.js';
import type { Lift, Station } from './station.js';

/** What the order of work depends on beside the plan. */
export interface OrderInput {
  readonly plan: RunPlan;
  readonly tool: Tool;
  /** Stones that want seeing to first. */
  readonly care?: readonly PlanCare[];
  /** The curve is ground to its template first. */
  readonly template?: boolean;
  /** Held by hand, in place of a guide. */
  readonly lift?: Lift;
  readonly stoneOf: (id: string) => Abrasive | undefined;
}

/**
 * The whole order of work for a tool and its plan: the bench and its stones made ready, a look, the wheel,
 * the back of a new blade, the guide set and checked with a marker, each stone with a wash before it and a look at
 * its scratches after, the burr proved, the curve, the burr off, the edge proved before and after the strop,
 * wiped, refitted, put away, the stones seen to for next time. What is not needed is not in it. Common
 * practice, no source.
 */
export function wholeOrder(input: OrderInput): readonly Station[] {
  const { plan, tool, care = [], template, lift, stoneOf } = input;
  const { steps, grinding, setting } = plan;
  const wanted = tool.edge.form === 'scraping';
  const honing = steps.some(({ afterBurr }) => !afterBurr);
  const places = steps.map((_, i) => i);
  const of = (what: ReturnType<typeof purposeOf>): readonly number[] =>
    places.filter((i) => purposeOf(steps[i] as RunPlanStep) === what);
  const stones = of('edge');
  const [first] = stones;
  const curves = of('curve');
  const curveFirst = curves.filter((i) => first !== undefined && i < first);
  const curveAfter = curves.filter((i) => !curveFirst.includes(i));
  const strops = of('strop');
  const marked = first !== undefined && shapeOfEdge(tool.edge) === 'straight';
  // Where a land is honed, colour stays at the heel as it should.
  const steeper = tool.edge.form === 'single-bevel' && tool.edge.secondaryDeg !== undefined;
  return [
    ...(tool.edge.form === 'knife-set' && honing ? [{ kind: 'isolate' } as const] : []),
    ...(honing || grinding ? [{ kind: 'ready' } as const] : []),
    ...care.map(({ id, kind }): Station => ({ kind: 'care', abrasiveId: id, care: kind })),
    ...(honing || grinding ? [{ kind: 'look' } as const] : []),
    ...(template ? [{ kind: 'template' } as const] : []),
    ...(grinding ? [{ kind: 'grind', grinding } as const, { kind: 'heat' } as const] : []),
    ...of('primary').flatMap((step): Station[] => [{ kind: 'stone', step }, washAfter(step, input)]),
    ...washed(of('back'), input),
    ...holding(first !== undefined, setting, lift),
    ...(marked ? [{ kind: 'marker', ...(steeper && { steeper }) } as const] : []),
    ...curveFirst.flatMap((step): Station[] => [{ kind: 'stone', step }, washAfter(step, input)]),
    ...stones.flatMap((step): Station[] => {
      if (step === first) {
        return [
          { kind: 'stone', step },
          { kind: 'burr', ...(wanted && { wanted }) },
          ...curveAfter.map((curve): Station => ({ kind: 'stone', step: curve })),
        ];
      }
      const before = stones[stones.indexOf(step) - 1] as number;
      return [washAfter(before, input), { kind: 'stone', step }, { kind: 'scratch', step }];
    }),
    // The finest stone of a scraping edge raises the burr that stays: nothing takes it off again.
    ...(honing && !wanted && first !== undefined ? [{ kind: 'burr-off' } as const] : []),
    ...(honing && strops.length > 0 ? [{ kind: 'proof', before: true } as const] : []),
    ...(wanted ? [] : strops.map((step): Station => ({ kind: 'stone', step }))),
    { kind: 'proof' },
    ...(honing || grinding ? [{ kind: 'wipe' } as const] : []),
    ...(tool.host || tool.edge.form === 'knife-set' ? [{ kind: 'refit' } as const] : []),
    ...(honing ? [{ kind: 'away' } as const, ...forNextTime(stones, plan, stoneOf)] : []),
  ];
}

function holding(honed: boolean, setting: RunPlan['setting'], lift: Lift | undefined): readonly Station[] {
  if (!honed) return [];
  if (lift) return [{ kind: 'lift', lift }];
  return setting ? [{ kind: 'set', setting }] : [];
}

function washed(steps: readonly number[], input: OrderInput): readonly Station[] {
  return steps.flatMap((step, i): Station[] =>
    i === 0 ? [{ kind: 'stone', step }] : [washAfter(steps[i - 1] as number, input), { kind: 'stone', step }],
  );
}

/** Wash after a stone; the oil wiped off first where it was oiled. */
function washAfter(step: number, { plan, stoneOf }: OrderInput): Station {
  const oil = stoneOf(plan.steps[step]?.abrasiveId ?? '')?.lubricant === 'oil';
  return { kind: 'wash', ...(oil && { oil }) };
}

/** Stones that dish are flattened when the work is done, each once. */
function forNextTime(
  stones: readonly number[],
  { steps }: RunPlan,
  stoneOf: OrderInput['stoneOf'],
): readonly Station[] {
  const ids = [...new Set(stones.map((i) => steps[i]?.abrasiveId ?? ''))];
  return ids
    .filter((id) => {
      const stone = stoneOf(id);
      return stone?.kind === 'water-stone' && kindFacts(stone.kind).upkeep === 'flatten';
    })
    .map((abrasiveId): Station => ({ kind: 'care', abrasiveId, care: 'flattened', after: true }));
}
