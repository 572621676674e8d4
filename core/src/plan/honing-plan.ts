import { grainOfMarksUm } from '../abrasive/removal.js';
import { kindFacts, servesShape, standsIn, type Abrasive } from '../abrasive/abrasive.js';
import { benchAtWork, type BenchRecord, type StoneAtWork } from '../abrasive/at-work.js';
import type { CareKind } from '../abrasive/care.js';
import type { Condition } from '../edge/dulling.js';
import { shapeOfEdge, type Edge } from '../edge/edge.js';
import { insist, unlessRefused } from '../refusal.js';
import { familyFacts } from '../tool/families.js';
import { STEELS, type Tool } from '../tool/tool.js';
import { backWork, type BackStep } from './back-work.js';
import {
  afterGrinding,
  grindingStep,
  groundFirst,
  type GrindRequest,
  type GrindingStep,
} from './grinding-first.js';
import { leftBySteps } from './left-by-steps.js';
import { camberWork, type CamberRequest, type CamberStep, type CamberWork } from './camber-work.js';
import { startOf, type HoningJob } from './honing-job.js';
import { BACK_SD, likelyMinutes, likelyStrokes, rateSd, spreadsOf } from './how-sure.js';
import { landMmOf, wholeLandMm, type EdgeAtWork, type ToolAtWork } from '../work/edge-at-work.js';
import { asFound } from '../work/found.js';
import { contactMm2, marksAtEdgeUm, steelToLowerMm3 } from '../work/worked.js';
import { intakeFrom, type Treatment } from './intake.js';
import { cuttingMm, pushN, type Way } from './pace.js';
import {
  progression,
  progressionIfAny,
  type Progression,
  type ProgressionInput,
  type ProgressionStep,
} from './progression.js';
import { underSchool, type School } from './schools.js';
import { SHAPED_SD, shapingStep, type ShapingStep } from './shaping-work.js';
import { stropSteps, type StropStep } from './strop-work.js';
import { verdicts, type Verdict } from './verdicts.js';
import type { TooMuch } from './ways-out.js';

/** What the person asks of a plan. */
export interface PlanRequest {
  readonly condition: Condition;
  /** Land as measured now; the tool's own figure, else an assumed one, where absent. */
  readonly landMm?: number;
  readonly finishUm: number;
  readonly forceN: number;
  readonly strokesPerMin: number;
  readonly minStrokes?: number;
  readonly maxRatio?: number;
  /** Most strokes on one stone; raised as far as it must be for some plan to keep to it. */
  readonly mostStrokes?: number;
  /** Least time unless said. */
  readonly school?: School;
  /** The stones of an exact order, coarse to fine. */
  readonly order?: readonly string[];
  /** Lighter as it gets finer. */
  readonly lighter?: boolean;
  /** Pulled unless said. */
  readonly way?: Way;
  /** Only what stands in this set. */
  readonly set?: string;
  /** Stropped only; honed unless said. */
  readonly stropOnly?: boolean;
  /** Finish on the strop; where there is one, unless said. */
  readonly strop?: boolean;
  /** The curve of the edge, where it is to be made or kept. */
  readonly camber?: CamberRequest;
  /** A wheel to grind the primary on first. */
  readonly grind?: GrindRequest;
  /** Abrasives laid aside for this plan. */
  readonly laidAside: readonly string[];
}

/** One stone of a plan, with the push it is to have. */
export interface PlanStep extends ProgressionStep {
  /** Strokes in four of five cases. */
  readonly low?: number;
  readonly high?: number;
  readonly forceN?: number;
  /** Strokes by place across the edge, so that its curve stays; together they are `strokes`. */
  readonly places?: readonly number[];
}

/** Care a stone of the plan wants first. */
export interface PlanCare {
  readonly id: string;
  readonly kind: CareKind;
  readonly minutes: number;
}

export interface HoningPlan {
  readonly treatment?: Treatment;
  readonly grinding?: GrindingStep;
  readonly care?: readonly PlanCare[];
  /** The primary made flatter on a stone, before all else. */
  readonly shaping?: ShapingStep;
  readonly job: HoningJob;
  readonly steps: readonly PlanStep[];
  /** Strokes by place on the shaping stone. */
  readonly camber?: CamberStep;
  /** The curve is ground to its template first: it is too deep to hone. */
  readonly curveToGrind?: CamberWork['grind'];
  readonly back?: readonly BackStep[];
  readonly strop?: StropStep;
  /** A bare strop after the charged one. */
  readonly bareStrop?: StropStep;
  /** Setting the guide; absent where nothing holds the blade. */
  readonly settingMin?: number;
  /** All of it: grinding, care, setting, stones, back and strop. */
  readonly totalMin: number;
  /** Minutes in four of five cases. */
  readonly lowMin?: number;
  readonly highMin?: number;
  readonly verdicts: readonly Verdict[];
  /** No work for these stones: why, and what else there is. */
  readonly tooMuch?: TooMuch;
}

/**
 * Starting figures for a plan: about 20 N on the blade and 40 strokes a minute (estimates, the
 * user's to change); jumps up to 10 times in grain let 1000 be followed by 8000 (common practice); past
 * some 60 strokes people take a coarser stone (estimate).
 */
export const PLAN_DEFAULTS = {
  forceN: 20,
  strokesPerMin: 40,
  minStrokes: 4,
  maxRatio: 10,
  mostStrokes: 60,
} as const;

/** A guide set to an angle by a stop or a rule, min (estimate). */
export const SETTING_MIN = 0.5;
const heldInGuide = ({ form }: Edge): boolean => form === 'single-bevel' || form === 'knife-set';

/** An abrasive of the bench set with its identity. */
export type OwnedAbrasive = Abrasive & { readonly id: string };

/**
 * The plan for a tool on the abrasives at hand: the steel to move, which abrasives in which order with
 * strokes and minutes by the school asked for, the care they want first, the back and the strop, and why
 * each abrasive is in or out.
 * @param record what is known of the abrasives beside their own figures: learned rates, due care
 * @throws Refusal where the edge, the land, the finish, the school or the jumps leave no plan.
 */
export function planOf(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: BenchRecord = {},
): HoningPlan {
  const { plan, judge } = unjudged(tool, bench, request, record);
  return { ...plan, verdicts: judge() };
}

/** A plan whose abrasives nobody has judged yet: that takes longer than the plan. */
export interface Unjudged {
  readonly plan: Omit<HoningPlan, 'verdicts'>;
  judge(): readonly Verdict[];
}

/** {@link planOf}, the verdicts only when they are asked for. @throws Refusal as that */
export function unjudged(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: BenchRecord = {},
): Unjudged {
  if (request.stropOnly) return stroppedOnly(tool, bench, request, record);
  const asked = solverOf(tool, bench, request, record);
  const { grinding, shaping, job, treatment, atHand, outOfReach } = asked;
  const { input, chosen } = unmixed(asked.input, atHand, asked.solve);
  const curve = camberWork(tool, request.camber, input, chosen, job.landAfterMm);
  /** A step with the push its stone is to have. */
  const pushed = <S extends { readonly id: string }>(step: S): S & { readonly forceN?: number } => {
    const forceN = input.abrasives.find(({ id }) => id === step.id)?.forceN;
    return { ...step, ...(forceN !== undefined && { forceN }) };
  };
  const { wornSd, clearingSd } = spreadsOf(tool.edge, request.condition, request.landMm);
  const steps = chosen.steps.map((step, i): PlanStep => {
    const places = curve?.spread.get(step.id);
    const strokes = places?.reduce((sum, count) => sum + count, 0) ?? step.strokes;
    return {
      ...pushed(step),
      strokes,
      ...likelyStrokes(strokes, i === 0 ? wornSd : clearingSd, rateSd(record, step.id)),
      minutes: step.minutes + (strokes - step.strokes) / request.strokesPerMin,
      ...(places && { places }),
    };
  });
  const back = backWork(tool, request.condition, input, chosen)?.map((step) => ({
    ...pushed(step),
    ...(step.prepares && likelyStrokes(step.strokes, BACK_SD, rateSd(record, step.id))),
  }));
  const left = leftBySteps(tool, asked.found, input, [
    ...(back ?? []).flatMap((step) => (step.prepares ? [{ ...step, facet: 'back' as const }] : [])),
    ...steps,
    ...(curve?.step ? [curve.step] : []),
  ]);
  const lastUm = input.abrasives.find(({ id }) => id === chosen.steps.at(-1)?.id)?.sizeUm;
  const strops = stropSteps(tool, atHand, request, lastUm);
  const settings = shaping ? 2 : 1;
  const settingMin = heldInGuide(tool.edge) ? settings * SETTING_MIN : 0;
  const parts = [
    ...(shaping ? [shaping] : []),
    ...steps,
    ...(curve?.step ? [curve.step] : []),
    ...(back ?? []),
    ...strops,
    ...(grinding ? [grinding] : []),
  ];
  const totalMin =
    parts.reduce((sum, { minutes }) => sum + minutes, settingMin) +
    strops.reduce((sum, { id }) => sum + careMin(id, record), 0);
  const likely = likelyMinutes(
    totalMin,
    [...(shaping ? [shaping] : []), ...steps, ...(back ?? [])],
    request.strokesPerMin,
  );
  const used = [...chosen.steps, ...(curve?.step?.before ? [curve.step] : []), ...strops];
  return {
    plan: {
      treatment,
      ...(grinding && { grinding }),
      ...(shaping && {
        shaping: { ...shaping, ...likelyStrokes(shaping.strokes, SHAPED_SD, rateSd(record, shaping.id)) },
      }),
      ...careOf(used, record),
      job: {
        ...job,
        // What the record will say of it, should it be done so: finer stones take their share too.
        recessionMm: left.recessionMm - asked.found.recessionMm,
        landAfterMm: landMmOf(tool.edge, left),
      },
      steps,
      ...(curve?.step && { camber: pushed(curve.step) }),
      ...(curve?.grind && { curveToGrind: curve.grind }),
      ...(back && { back }),
      ...stropsOf(strops),
      ...(settingMin > 0 && { settingMin }),
      totalMin,
      lowMin: likely.low,
      highMin: likely.high,
    },
    judge: () => {
      const judged = new Map(
        verdicts(input, chosen, request.school ?? 'least-time').map((verdict) => [verdict.id, verdict]),
      );
      return bench.map(({ id }): Verdict => judged.get(id) ?? verdictOn(id, strops, outOfReach));
    },
  };
}

/** No stone at all. @throws Refusal on `stropOnly` without a strop that serves this edge */
function stroppedOnly(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: BenchRecord,
): Unjudged {
  const { edge } = tool;
  const atHand = benchAtWork(bench, record);
  const strops = stropSteps(tool, atHand, request, undefined);
  insist(
    strops.length > 0,
    'stropOnly',
    'There is no strop at hand for this edge: hone it, or put a strop on the rail.',
  );
  const start = startOf(edge, request.landMm, tool.work);
  const landMm = landMmOf(edge, start);
  return {
    plan: {
      treatment: 'strop',
      job: {
        recessionMm: 0,
        removeMm3: 0,
        contactMm2: contactMm2(edge, start),
        landBeforeMm: landMm,
        landAfterMm: landMm,
        wholeBevel: landMm >= wholeLandMm(edge) - 1e-6,
      },
      steps: [],
      ...stropsOf(strops),
      ...careOf(strops, record),
      totalMin: strops.reduce((sum, { id, minutes }) => sum + minutes + careMin(id, record), 0),
    },
    judge: () =>
      atHand.map(({ id }) => {
        const used = strops.some((strop) => strop.id === id);
        return { id, used, why: stropWhy(used) };
      }),
  };
}

const stropsOf = ([strop, bareStrop]: readonly StropStep[]): Pick<HoningPlan, 'strop' | 'bareStrop'> => ({
  ...(strop && { strop }),
  ...(bareStrop && { bareStrop }),
});

/** Minutes of grinding and stones of the plan {@link planOf} would give, without working out the rest of it. */
export function leastMinutes(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: BenchRecord = {},
): number {
  const { input, atHand, solve, grinding } = solverOf(tool, bench, request, record);
  return unmixed(input, atHand, solve).chosen.totalMin + (grinding?.minutes ?? 0);
}

/** A plan's problem as the one solver takes it, under its school. */
export interface PlanProblem {
  readonly input: ProgressionInput;
  readonly job: HoningJob;
  readonly treatment: Treatment;
  /** The edge as the stones find it. */
  readonly found: EdgeAtWork;
  readonly grinding?: GrindingStep;
  readonly shaping?: ShapingStep;
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
  record: BenchRecord,
): PlanProblem {
  const grinding =
    request.grind && !request.stropOnly ? grindingStep(tool.edge, bench, request, request.grind) : undefined;
  const asFoundNow = startOf(tool.edge, request.landMm, tool.work);
  const start = grinding ? groundFirst(tool, request, grinding) : asFoundNow;
  const condition = grinding ? afterGrinding(request.condition) : request.condition;
  const atHand = benchAtWork(bench, record);
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
  insist(candidates.length > 0, 'set', 'Nothing of this set hones this edge: choose another set.');
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
  const { job, treatment } = intakeFrom(tool.edge, shaping ? found : start, condition);
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
    damaged: condition.kind === 'unknown' || (treatment !== 'hone' && treatment !== 'strop'),
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
  for (let most = asked ?? longest; most < longest; most = Math.ceil(most * RAISED)) {
    const mostStrokes = most;
    const limited = { ...input, abrasives: input.abrasives.map((each) => ({ ...each, mostStrokes })) };
    const chosen = progressionIfAny(limited);
    if (chosen) return { input: limited, chosen };
  }
  return free;
}

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
  return finestUm !== undefined && stone.sizeUm < finestUm
    ? 'Finer than P600: so fine an edge is too brittle at this work.'
    : undefined;
}

function verdictOn(
  id: string,
  strops: readonly StropStep[],
  outOfReach: ReadonlyMap<string, string>,
): Verdict {
  if (strops.some((strop) => strop.id === id)) return { id, used: true, why: stropWhy(true) };
  return { id, used: false, why: outOfReach.get(id) ?? 'Oil and water stones are not mixed in one job.' };
}

const stropWhy = (used: boolean): string =>
  used
    ? 'About ten strokes a side, edge trailing, aligns what the last stone left.'
    : 'A strop is enough for an edge that only fades.';

const careMin = (id: string, record: BenchRecord): number => record[id]?.care.due?.minutes ?? 0;

function careOf(
  used: readonly { readonly id: string }[],
  record: BenchRecord,
): { readonly care?: readonly PlanCare[] } {
  const care = used.flatMap(({ id }) => {
    const due = record[id]?.care.due;
    return due ? [{ id, ...due }] : [];
  });
  return care.length > 0 ? { care } : {};
}
