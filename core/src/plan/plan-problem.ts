import { kindFacts, servesShape, standsIn } from '../abrasive/abrasive.js';
import { stonesAtWork, type StonesRecord, type StoneAtWork } from '../abrasive/at-work.js';
import { grainOfMarksUm } from '../abrasive/removal.js';
import { faultMm } from '../blade/dulling.js';
import { shapeOfEdge } from '../blade/edge.js';
import { insist, unlessRefused } from '../base/refusal.js';
import { familyFacts } from '../blade/families.js';
import { STEELS, type Tool } from '../blade/tool.js';
import type { EdgeAtWork, ToolAtWork } from '../work/edge-at-work.js';
import { asFound, asRound } from '../work/found.js';
import { marksAtEdgeUm, steelToLowerMm3 } from '../work/worked.js';

import { afterGrinding, grindingStep, groundFirst, type GrindingStep } from './grinding-first.js';
import { hollowingOf, type Hollowing } from './hollowing.js';
import { perStrokeMm3 } from './fastest.js';
import { tooLarge } from './fits.js';
import { startOf, type HoningJob } from './honing-job.js';
import { intakeFrom, type Treatment } from './intake.js';
import { leftBySteps } from './left-by-steps.js';
import { cuttingMm, pushN } from '../work/pace.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { PLAN_DEFAULTS, type PlanRequest } from './plan-request.js';
import { progression, progressionIfAny, type Progression, type ProgressionInput } from './progression.js';
import { underSchool } from './schools.js';
import { shapingStep, type ShapingStep } from './shaping-work.js';

/** A plan's problem as the one solver takes it, under its school. */
export interface PlanProblem {
  readonly input: ProgressionInput;
  readonly job: HoningJob;
  readonly treatment: Treatment;
  /** The edge as the stones find it. */
  readonly found: EdgeAtWork;
  readonly grinding?: GrindingStep;
  readonly shaping?: ShapingStep;
  readonly hollowing?: Hollowing;
  readonly atHand: readonly StoneAtWork[];
  /** Why an abrasive does not come into it at all, by id. */
  readonly outOfReach: ReadonlyMap<string, string>;
  solve(input: ProgressionInput): { readonly input: ProgressionInput; readonly chosen: Progression };
}

/** @throws Refusal as {@link planOf} */
export function solverOf(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: StonesRecord,
): PlanProblem {
  const grinding =
    request.grind && !request.stropOnly ? grindingStep(tool.edge, bench, request, request.grind) : undefined;
  const hollowing = request.oldBack && hollowingOf(tool.edge, bench, request.oldBack);
  const asFoundNow = startOf(tool.edge, request.landMm, tool.work);
  const start = grinding ? groundFirst(tool, request, grinding) : asFoundNow;
  const said = grinding ? afterGrinding(request.condition) : request.condition;
  const condition = asRound(said, tool.tips);
  const atHand = stonesAtWork(bench, record);
  const outOfReach = new Map(
    atHand.flatMap((stone) => {
      const why = whyOut(tool, stone, request);
      return why === undefined ? [] : [[stone.id, why] as const];
    }),
  );
  const shape = shapeOfEdge(tool.edge);
  const honing = atHand.filter((stone) => servesShape(stone, shape) && !kindFacts(stone.kind).strop);
  const candidates = honing.filter(({ id }) => !outOfReach.has(id));
  insist(
    honing.length > 0,
    'abrasives',
    shape === 'straight'
      ? 'A plan needs something flat to hone on: add a stone, a plate or film on glass.'
      : 'Nothing on the rail follows this curve: add a slip, paper on a rod, or say on a stone’s page that it serves it.',
  );
  insist(
    candidates.length > 0 || request.laidAside.length === 0,
    'laidAside',
    'Every stone is laid aside; put at least one back.',
  );
  const large = honing.map((stone) => tooLarge(tool.edge, stone)).find((why) => why !== undefined);
  insist(
    candidates.length > 0,
    large === undefined ? 'set' : 'abrasives',
    large ?? 'Nothing of this set hones this edge: choose another set.',
  );
  const way = request.way ?? 'pull';
  const abrasives = candidates.map((stone) => ({
    ...stone,
    strokeMm: cuttingMm(stone.strokeMm, way),
    forceN: stone.forceN ?? pushN(request.forceN, stone.sizeUm, request.lighter ?? false),
    overheadMin: stone.overheadMin + careMin(stone.id, record),
  }));
  const { forceN, strokesPerMin } = request;
  const minStrokes = request.minStrokes ?? PLAN_DEFAULTS.minStrokes;
  const steelFactor = STEELS[tool.steel].factor;
  const asSeen = asFound(tool.edge, start, condition);
  const shaping = shapingStep(tool.edge, asSeen, abrasives, {
    forceN,
    strokesPerMin,
    steelFactor,
    minStrokes,
  });
  const found = shaping
    ? leftBySteps(tool, asSeen, { abrasives, job: { forceN } }, [{ ...shaping, facet: 'primary' }])
    : asSeen;
  const { job, treatment } = intakeFrom(tool.edge, found, condition);
  const foundUm = marksAtEdgeUm(tool.edge, found);
  const asked: ProgressionInput = {
    ...(foundUm !== undefined && { startUm: startAfterUm(foundUm, candidates, request.maxRatio) }),
    abrasives,
    job: {
      removeMm3: job.removeMm3,
      contactMm2: job.contactMm2,
      forceN,
      strokesPerMin,
      steelFactor,
      foundUm,
      clearMm3: (spentMm3, downUm) => steelToLowerMm3(tool.edge, found, spentMm3, downUm / 1000),
    },
    finishUm: request.finishUm,
    minStrokes,
    maxRatio: request.maxRatio,
  };
  const school = {
    school: request.school ?? 'least-time',
    order: request.order,
    damaged:
      condition.kind === 'unknown' ||
      faultMm(condition, 'unsharpened') > 0 ||
      (treatment !== 'hone' && treatment !== 'strop'),
  };
  const most = request.mostStrokes;
  const solve = (given: ProgressionInput): ReturnType<PlanProblem['solve']> => {
    const asSchooled = withinStrokes(underSchool(given, school), most);
    if (school.damaged || asSchooled.chosen.steps.every(({ strokes }) => strokes <= (most ?? Infinity))) {
      return asSchooled;
    }
    // Too long for the stone such an edge begins on: as if it were damaged, where that is shorter.
    const coarser = unlessRefused(() =>
      withinStrokes(underSchool(given, { ...school, damaged: true }), most),
    );
    return coarser && coarser.chosen.totalMin < asSchooled.chosen.totalMin ? coarser : asSchooled;
  };
  const backMm = start.recessionMm - asFoundNow.recessionMm;
  return {
    input: asked,
    ...(shaping && { shaping }),
    job,
    treatment,
    found,
    ...(grinding && { grinding: { ...grinding, backMm } }),
    ...(hollowing && { hollowing }),
    atHand,
    outOfReach,
    solve,
  };
}

/** The finest stone to begin on after marks that were found: they count as the stone before it, where any is as coarse. */
const startAfterUm = (
  foundUm: number,
  candidates: readonly StoneAtWork[],
  maxRatio: number = PLAN_DEFAULTS.maxRatio,
): number =>
  Math.min(grainOfMarksUm(foundUm) / maxRatio, Math.max(...candidates.map(({ sizeUm }) => sizeUm)));

/** A limit nothing keeps to is raised by so much at a time. */
const RAISED = 1.2;

/**
 * The best way with the most of strokes on each stone as asked, or a fifth more until some way keeps to it: a
 * large job goes to the stone that is fastest at it, and none is refused for its size.
 */
function withinStrokes(
  input: ProgressionInput,
  asked: number | undefined,
): { readonly input: ProgressionInput; readonly chosen: Progression } {
  const free = { input, chosen: progression(input) };
  const longest = Math.max(...free.chosen.steps.map(({ strokes }) => strokes));
  // What keeps to a limit unasked is the best that keeps to it.
  const fewest = fewestFirstStrokes(input);
  for (let most = asked ?? longest; most < longest; most = Math.ceil(most * RAISED)) {
    if (most < fewest) continue;
    const mostStrokes = most;
    const limited = { ...input, abrasives: input.abrasives.map((each) => ({ ...each, mostStrokes })) };
    const chosen = progressionIfAny(limited);
    if (chosen) return { input: limited, chosen };
  }
  return free;
}

/** No way takes fewer strokes on its first stone than the fastest of all would. */
const fewestFirstStrokes = ({ abrasives, job }: ProgressionInput): number =>
  Math.min(...abrasives.map((stone) => job.removeMm3 / perStrokeMm3(stone, job)));

/** What it is worth not to mix oil and water, min (estimate). */
const MIXING_MIN = 1.5;

/**
 * Oil and water stones are not mixed in one job: the better of the plans without the one and without the
 * other. Both are allowed only where neither leads to the finish, or where that saves more than wiping all oil
 * away is worth.
 */
export function unmixed(
  input: ProgressionInput,
  stones: readonly Pick<OwnedAbrasive, 'id' | 'lubricant'>[],
  solve: PlanProblem['solve'],
): ReturnType<PlanProblem['solve']> {
  const wetWith = new Map(stones.map(({ id, lubricant }) => [id, lubricant]));
  const without = (lubricant: 'oil' | 'water'): ProgressionInput => ({
    ...input,
    abrasives: input.abrasives.filter(({ id }) => wetWith.get(id) !== lubricant),
  });
  const [noOil, noWater] = [without('oil'), without('water')];
  const all = input.abrasives.length;
  if (noOil.abrasives.length === all || noWater.abrasives.length === all) return solve(input);
  const [apart] = [noOil, noWater]
    .map((each) => unlessRefused(() => solve(each)))
    .filter((each) => each !== undefined)
    .sort((a, b) => a.chosen.totalMin - b.chosen.totalMin);
  const mixed = solve(input);
  return apart && apart.chosen.totalMin <= mixed.chosen.totalMin + MIXING_MIN ? apart : mixed;
}

function whyOut(tool: Tool, stone: StoneAtWork, request: PlanRequest): string | undefined {
  const { label, strop, factor } = kindFacts(stone.kind);
  const { finestUm } = familyFacts(tool.family);
  if (request.laidAside.includes(stone.id)) return 'Laid aside for this plan.';
  if (!standsIn(stone, request.set)) return 'Stands in another set.';
  if (strop && factor !== undefined) return 'A strop finishes an edge; it does not hone one.';
  if (!servesShape(stone, shapeOfEdge(tool.edge))) {
    return shapeOfEdge(tool.edge) === 'straight'
      ? `A ${label.toLowerCase()} does not hone a flat bevel.`
      : 'It does not follow this curve.';
  }
  const large = tooLarge(tool.edge, stone);
  if (large) return large;
  return finestUm !== undefined && stone.sizeUm < finestUm
    ? 'Finer than P600: so fine an edge is too brittle at this work.'
    : undefined;
}

/** Care an abrasive wants before it is worked on, min. */
export const careMin = (id: string, record: StonesRecord): number => record[id]?.care.due?.minutes ?? 0;
