import type { Stored } from '@mellow-anvil/contract';
import {
  honedAtDeg,
  honedFacet,
  knifeLift,
  unlessRefused,
  wholeOrder,
  type Abrasive,
  type Edge,
  type Lift,
  type RunGrinding,
  type RunPlan,
  type RunPlanStep,
  type Tool,
} from '@mellow-anvil/core';
import { honedSetting, type Answer, type SetUp } from './desk';

/** A plan as it is taken to the bench, with the setting of the facet that is honed. */
export function runPlanOf(
  tool: Stored<Tool>,
  { plan, request }: Answer,
  setUp: SetUp | undefined,
  stones: readonly Stored<Abrasive>[],
  grinding?: RunGrinding,
): RunPlan | undefined {
  if (!plan || (plan.steps.length === 0 && !plan.strop)) return undefined;
  const { condition, landMm, finishUm, forceN, strokesPerMin, way } = request;
  const bothWays = way === 'both' && { bothWays: true };
  const setting = setUp && honedSetting(setUp);
  /** What every step on a stone takes along from the plan. */
  const onStone = (step: StoneStep): Pick<RunPlanStep, 'abrasiveId' | 'strokes' | 'forceN' | 'bothWays'> => ({
    abrasiveId: step.id,
    strokes: step.strokes,
    ...(step.forceN !== undefined && { forceN: step.forceN }),
    ...bothWays,
  });
  const facet = honedFacet(tool.edge);
  const atEdge = facet && { facet };
  const shaping = plan.camber
    ? [{ ...onStone(plan.camber), ...atEdge, places: plan.camber.places, curve: true }]
    : [];
  const lift = liftOf(tool.edge, setUp);
  const twoSided = sidesOf(tool.edge) === 2;
  const run: RunPlan = {
    toolId: tool.id,
    condition,
    ...(landMm !== undefined && { landMm }),
    finishUm,
    forceN,
    strokesPerMin,
    ...(setting && plan.steps.length > 0 && { setting }),
    ...(plan.grinding && grinding && { grinding }),
    steps: [
      ...(plan.shaping ? [{ ...onStone(plan.shaping), facet: 'primary' as const }] : []),
      ...(plan.back ?? [])
        .filter(({ prepares }) => prepares)
        .map((step) => ({ ...onStone(step), facet: 'back' as const })),
      ...shaping.filter(() => plan.camber?.before),
      ...plan.steps.flatMap((step, i) => [
        {
          ...onStone(step),
          ...atEdge,
          ...(step.places && { places: step.places }),
          ...(twoSided && !step.places && { count: 'half' as const }),
        },
        ...(i === 0 ? shaping.filter(() => !plan.camber?.before) : []),
      ]),
      ...[plan.strop, plan.bareStrop].flatMap((strop) =>
        strop
          ? [
              {
                abrasiveId: strop.id,
                strokes: strop.strokes,
                ...(strop.firstN !== undefined && { forceN: strop.firstN }),
                afterBurr: true,
                count: 'half' as const,
              },
            ]
          : [],
      ),
    ],
  };
  const byId = new Map(stones.map((stone) => [stone.id, stone]));
  const order = wholeOrder({
    plan: run,
    tool,
    care: plan.care,
    template: plan.curveToGrind !== undefined,
    ...(lift && { lift }),
    stoneOf: (id) => byId.get(id),
  });
  return { ...run, order };
}

/** A step of a plan on a stone, whatever it is for. */
interface StoneStep {
  readonly id: string;
  readonly strokes: number;
  readonly forceN?: number;
}

/** Sides that are worked by turns. */
const sidesOf = ({ form }: Edge): 1 | 2 =>
  form === 'knife' || form === 'double-bevel' || form === 'scraping' ? 2 : 1;

/** How a blade is held where no guide takes it: at its bevel, a knife's spine so far above the stone. */
function liftOf(edge: Edge, setUp: SetUp | undefined): Lift | undefined {
  const sides = sidesOf(edge);
  if (setUp && setUp.guide.form !== 'freehand') return undefined;
  if (edge.form === 'knife') {
    const { widthMm, spineMm, leftDeg } = edge;
    const lift = unlessRefused(() => knifeLift({ widthMm, spineThicknessMm: spineMm, bevelDeg: leftDeg }));
    return { bevelDeg: leftDeg, sides, ...(lift && { liftMm: Number(lift.liftMm.toFixed(2)) }) };
  }
  const bevelDeg = edge.form === 'double-bevel' ? edge.leftDeg : honedAtDeg(edge);
  return { bevelDeg, sides };
}
