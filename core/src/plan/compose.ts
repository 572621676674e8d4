import { stonesAtWork, type StonesRecord } from '../abrasive/at-work.js';
import type { Edge } from '../blade/edge.js';
import { insist } from '../base/refusal.js';
import { landMmOf, wholeLandMm, type EdgeAtWork, type ToolAtWork } from '../work/edge-at-work.js';
import type { Tool } from '../blade/tool.js';
import { byTurns, honedFacet } from '../work/sides.js';
import { tipsFor } from '../work/found.js';
import { contactMm2 } from '../work/worked.js';
import { isLongOn, laidOnKnife, layAlong, rolledOn, swungOn, type LaidStep } from './along.js';
import { backWork, wholeBackMin, type BackStep } from './back-work.js';
import { pushOf } from './bench-step.js';
import { bodyStep, type BodyStep } from './body-work.js';
import { isOwnNumber, strokesByTurns } from './counting.js';
import { changingMin, inJig } from './knives-in-jig.js';
import { camberWork, type CamberWork } from './camber-work.js';
import { startOf } from './honing-job.js';
import { insideStep } from './inside-work.js';
import { BACK_SD, likelyMinutes, likelyStrokes, rateSd, spreadOn, spreadsOf } from './how-sure.js';
import { nextReading } from './next-reading.js';
import { itemOn, leftBySteps } from './left-by-steps.js';
import { belowMicro, isMicroLast, microStrokes } from './micro-last.js';
import { careMin, solverOf, unmixed, type PlanProblem } from './plan-problem.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { PLAN_DEFAULTS, type PlanRequest } from './plan-request.js';
import type { Progression, ProgressionInput, ProgressionStep } from './progression.js';
import { SHAPED_SD } from './shaping-work.js';
import { stoneStropStep, stropSteps, type StoneStropStep, type StropStep } from './strop-work.js';
import { eveningStep, wingsAndKeel, type EveningStep } from './uneven-work.js';
import { verdicts, type Verdict } from './verdicts.js';
import type { PlanStep, PlanCare, HoningPlan } from './honing-plan.js';

/** A guide set to an angle by a stop or a rule, min (estimate). */
const SETTING_MIN = 0.5;
const heldInGuide = ({ form }: Edge): boolean => form === 'single-bevel' || form === 'knife-set';

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
  record: StonesRecord = {},
): HoningPlan {
  const { plan, judge } = unjudged(tool, bench, request, record);
  return { ...plan, verdicts: judge() };
}

/** A plan whose abrasives nobody has judged yet: that takes longer than the plan. */
interface Unjudged {
  readonly plan: Omit<HoningPlan, 'verdicts'>;
  judge(): readonly Verdict[];
}

/** {@link planOf}, the verdicts only when they are asked for. @throws Refusal as that */
export function unjudged(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: StonesRecord = {},
): Unjudged {
  if (request.stropOnly) return stroppedOnly(tool, bench, request, record);
  const start = startOf(tool.edge, request.landMm, tool.work);
  if (!isMicroLast(tool, request, start)) return judgedLater(tool, bench, request, record);
  const { landMm: _measured, ...rest } = request;
  const below = solverOf(belowMicro(tool, start), bench, rest, record);
  const solved = unmixed(below.input, below.atHand, below.solve);
  // On one stone alone there is nothing to go back to the secondary on.
  const twoSettings = solved.chosen.steps.length > 1 ? { ...below, solved } : undefined;
  return judgedLater(tool, bench, request, record, twoSettings);
}

/** A problem with its answer; `renewed` is its last step where that makes a micro-bevel anew. */
interface Solved {
  readonly problem: PlanProblem;
  readonly input: ProgressionInput;
  readonly chosen: Progression;
  readonly renewed?: ProgressionStep;
}

/** {@link unjudged}; `below` is the problem of the secondary alone, where a micro-bevel is made anew on the last stone. */
function judgedLater(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: StonesRecord,
  below?: PlanProblem & { readonly solved: ReturnType<PlanProblem['solve']> },
): Unjudged {
  const asIs = solverOf(tool, bench, request, record);
  const problem = below ? { ...below, found: asIs.found } : asIs;
  const { input, chosen } = below?.solved ?? unmixed(problem.input, problem.atHand, problem.solve);
  const renewed = below && renewedMicro(tool, problem, input, chosen);
  const solved: Solved = { problem, input, chosen, ...(renewed && { renewed }) };
  const parts = partsOf(tool, bench, request, record, solved);
  return {
    plan: summedUp(tool, request, record, solved, parts),
    judge: () => {
      const judged = new Map(
        verdicts(input, chosen, request.school ?? 'least-time').map((verdict) => [verdict.id, verdict]),
      );
      return bench.map(
        ({ id }): Verdict => judged.get(id) ?? verdictOn(id, parts.strops, problem.outOfReach),
      );
    },
  };
}

/** What a plan consists of, beside what its problem begins with: stones, the curve, the back, the strop. */
interface Parts {
  readonly steps: readonly PlanStep[];
  readonly curve?: CamberWork | undefined;
  readonly back?: readonly BackStep[] | undefined;
  readonly evening?: EveningStep | undefined;
  readonly body?: BodyStep | undefined;
  readonly inside?: ReturnType<typeof insideStep>;
  readonly stoneStrop?: StoneStropStep | undefined;
  readonly strops: readonly StropStep[];
}

function partsOf(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: StonesRecord,
  solved: Solved,
): Parts {
  const { problem, input, chosen, renewed } = solved;
  const stones = renewed ? [...chosen.steps.slice(0, -1), renewed] : chosen.steps;
  const { contactMm2: face } = problem.job;
  const curve = camberWork(tool, request.camber, input, { ...chosen, steps: stones }, face);
  const spreads = spreadsOf(tool, request.condition, request.landMm);
  const steps = stones.map((step, i): PlanStep => {
    const places = curve?.spread.get(step.id);
    // Of two sides each gets as many, as its user counts them; of several knives each.
    const turned = byTurns(tool.edge);
    const count = turned && !places ? tool.counts?.stone : undefined;
    const paired = turned ? strokesByTurns(step.strokes, i === 0, count) : step.strokes;
    const wings = tool.edge.form === 'v' ? wingsAndKeel(tool.edge, paired) : undefined;
    const jig = tool.edge.form === 'knife-set' ? inJig(tool.edge, paired, request.strokesEach) : undefined;
    const laid = places ? undefined : laidOn(tool.edge, bench, step.id, paired, request);
    const strokes =
      jig?.strokes ??
      places?.reduce((sum, count) => sum + count, 0) ??
      laid?.strokes ??
      wings?.strokes ??
      paired;
    // The knives that are in the jig stay for the next abrasive.
    const rounds = jig && (i % 2 === 0 ? jig.rounds : jig.rounds.toReversed());
    return {
      ...pushed(step, input),
      strokes,
      // What is done by count has no range.
      ...(!(i > 0 && isOwnNumber(count)) &&
        likelyStrokes(
          jig ? step.strokes : strokes,
          ...spreadOn(spreads, i, step.id, rateSd(record, step.id)),
        )),
      minutes:
        step.minutes + (strokes - step.strokes) / request.strokesPerMin + (rounds ? changingMin(rounds) : 0),
      ...(renewed && { facet: step === renewed ? ('micro' as const) : ('secondary' as const) }),
      ...(places && { places }),
      ...(wings && { places: wings.places }),
      ...(rounds && { rounds }),
      ...(laid && { along: laid.along }),
    };
  });
  const back = backWork(tool, request, input, chosen)?.map((step) => {
    const laid = step.prepares ? laidOn(tool.edge, bench, step.id, step.strokes, request) : undefined;
    const strokes = laid?.strokes ?? step.strokes;
    return {
      ...pushed(step, input),
      strokes,
      minutes: step.minutes + (strokes - step.strokes) / request.strokesPerMin,
      ...(laid && { along: laid.along }),
      // What is done by count has no range.
      ...(step.prepares && !step.rounds && likelyStrokes(strokes, BACK_SD, rateSd(record, step.id))),
    };
  });
  const finest = input.abrasives.find(({ id }) => id === chosen.steps.at(-1)?.id);
  return {
    steps,
    curve,
    back,
    evening: eveningStep(tool, request.condition, input, chosen.steps[0]?.id),
    body: request.thinBody
      ? bodyStep(tool, leftBySteps(tool, problem.found, input, steps), input, chosen.steps[0]?.id)
      : undefined,
    inside: insideStep(tool, problem.atHand, request),
    stoneStrop: stoneStropStep(tool, request, finest?.id),
    strops: stropSteps(tool, problem.atHand, request, finest?.sizeUm),
  };
}

/** Strokes laid along an edge that is too long for its stone, or swept up to its tip; nothing where it is neither. */
function laidOn(
  edge: Edge,
  bench: readonly OwnedAbrasive[],
  id: string,
  wanted: number,
  { along: way = 'parts' }: PlanRequest,
): { readonly strokes: number; readonly along: LaidStep } | undefined {
  const { widthMm: stoneMm, radiusMm } = bench.find((stone) => stone.id === id) ?? {};
  const rolls = rolledOn(edge, radiusMm) ?? swungOn(edge);
  if (rolls) return { strokes: wanted, along: rolls };
  if (edge.form === 'knife') {
    const along = laidOnKnife(edge, stoneMm, way);
    return along && { strokes: wanted, along };
  }
  if (edge.form !== 'single-bevel' || stoneMm === undefined || !isLongOn(edge.widthMm, stoneMm))
    return undefined;
  const { visits, strokes } = layAlong(way, { edgeMm: edge.widthMm, stoneMm, strokes: wanted });
  return { strokes, along: { way, visits } };
}

/** A step with the push its stone is to have. */
function pushed<S extends { readonly id: string }>(
  step: S,
  { abrasives }: ProgressionInput,
): S & { readonly forceN?: number } {
  const forceN = abrasives.find(({ id }) => id === step.id)?.forceN;
  return { ...step, ...(forceN !== undefined && { forceN }) };
}

/** The edge as the parts leave it, in the order they are done. */
function edgeAfter(
  tool: Tool,
  { problem, input, renewed }: Solved,
  { steps, curve, back = [], evening, body, inside, stoneStrop }: Parts,
): EdgeAtWork {
  const shaped = curve?.step ? [{ ...curve.step, ...(renewed && { facet: 'secondary' as const }) }] : [];
  const abrasives = [...input.abrasives, ...(inside ? [inside.stone] : [])];
  return leftBySteps(tool, problem.found, { ...input, abrasives }, [
    ...(evening ? [evening] : []),
    ...(body ? [{ ...body, facet: 'body' as const }] : []),
    ...back.flatMap((step) => (step.prepares ? [{ ...step, facet: 'back' as const }] : [])),
    ...steps.slice(0, 1),
    ...shaped,
    ...steps.slice(1),
    ...(inside ? [{ ...inside.step, facet: 'inside' as const }] : []),
    ...(stoneStrop ? [onStone(tool.edge, stoneStrop)] : []),
  ]);
}

/** The finest stone as a strop, as work on the facet at the edge. */
function onStone(
  edge: Edge,
  { id, strokes, firstN, lastN }: StoneStropStep,
): Parameters<typeof leftBySteps>[3][number] {
  const facet = honedFacet(edge);
  return { id, strokes, forceN: pushOf({ forceN: firstN, lastN }, firstN), ...(facet && { facet }) };
}

/** Minutes of setting, of all of it, and of all of it in four of five cases. */
function minutesOf(
  tool: Tool,
  request: PlanRequest,
  record: StonesRecord,
  { problem: { grinding, shaping, hollowing }, renewed }: Solved,
  { steps, curve, back = [], evening, body, inside, stoneStrop, strops }: Parts,
): Pick<HoningPlan, 'settingMin' | 'totalMin' | 'lowMin' | 'highMin' | 'reading'> {
  const settings = 1 + (shaping ? 1 : 0) + (renewed ? 1 : 0);
  const settingMin = heldInGuide(tool.edge) ? settings * SETTING_MIN : 0;
  const first = shaping ? [shaping] : [];
  const all = [
    ...first,
    ...steps,
    ...(curve?.step ? [curve.step] : []),
    ...back,
    ...strops,
    ...[grinding, hollowing, evening, body, inside?.step, stoneStrop].filter((part) => part !== undefined),
  ];
  const totalMin =
    all.reduce((sum, { minutes }) => sum + minutes, settingMin) +
    strops.reduce((sum, { id }) => sum + careMin(id, record), 0);
  const { low, high } = likelyMinutes(totalMin, [...first, ...steps, ...back], request.strokesPerMin);
  const reading = nextReading(tool, request, record, steps);
  return {
    ...(settingMin > 0 && { settingMin }),
    totalMin,
    lowMin: low,
    highMin: high,
    ...(reading && { reading }),
  };
}

/** The parts as the plan that is shown. */
function summedUp(
  tool: ToolAtWork,
  request: PlanRequest,
  record: StonesRecord,
  solved: Solved,
  parts: Parts,
): Unjudged['plan'] {
  const { problem, input, chosen } = solved;
  const { grinding, shaping, hollowing, job, treatment, found } = problem;
  const { steps, curve, back, evening, body, inside, stoneStrop, strops } = parts;
  const left = edgeAfter(tool, solved, parts);
  const tips = tipsFor(request.condition, tool.tips);
  const wholeMin = wholeBackMin(tool, request, input, chosen);
  const used = [
    ...chosen.steps,
    ...(curve?.step?.before ? [curve.step] : []),
    ...[evening, body, inside?.step].filter((part) => part !== undefined),
    ...strops,
  ];
  return {
    treatment,
    ...(grinding && { grinding }),
    ...(hollowing && { hollowing }),
    ...(shaping && {
      shaping: { ...shaping, ...likelyStrokes(shaping.strokes, SHAPED_SD, rateSd(record, shaping.id)) },
    }),
    ...careOf(used, record),
    ...(evening && { evening }),
    ...(body && { body }),
    job: {
      ...job,
      // What the record will say of it, should it be done so: finer stones take their share too.
      recessionMm: left.recessionMm - found.recessionMm,
      landAfterMm: landMmOf(tool.edge, left),
    },
    ...(tips && { tips }),
    steps,
    ...(curve?.step && { camber: pushed(curve.step, input) }),
    ...(curve?.grind && { curveToGrind: curve.grind }),
    ...(back && { back }),
    ...(inside && { inside: inside.step }),
    ...(wholeMin !== undefined && { wholeBackMin: wholeMin }),
    ...(stoneStrop && { stoneStrop }),
    ...stropsOf(strops),
    ...minutesOf(tool, request, record, solved, parts),
  };
}

/** The last stone's step at the micro-bevel, on the edge as the stones before it leave it. */
function renewedMicro(
  tool: Tool,
  { found }: PlanProblem,
  input: ProgressionInput,
  { steps }: Progression,
): ProgressionStep | undefined {
  const last = steps.at(-1);
  const stone = input.abrasives.find(({ id }) => id === last?.id);
  if (!last || !stone) return undefined;
  const before = leftBySteps(
    tool,
    found,
    input,
    steps.slice(0, -1).map((step) => ({ ...step, facet: 'secondary' as const })),
  );
  const { minStrokes = PLAN_DEFAULTS.minStrokes } = input;
  const strokes = microStrokes(tool.edge, before, itemOn(tool, stone, input.job), minStrokes);
  return { ...last, strokes, minutes: last.minutes + (strokes - last.strokes) / input.job.strokesPerMin };
}

/** No stone at all. @throws Refusal on `stropOnly` without a strop that serves this edge */
function stroppedOnly(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: StonesRecord,
): Unjudged {
  const { edge } = tool;
  const atHand = stonesAtWork(bench, record);
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
  record: StonesRecord = {},
): number {
  const { input, atHand, solve, grinding, hollowing } = solverOf(tool, bench, request, record);
  const wheelMin = (grinding?.minutes ?? 0) + (hollowing?.minutes ?? 0);
  return unmixed(input, atHand, solve).chosen.totalMin + wheelMin;
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

function careOf(
  used: readonly { readonly id: string }[],
  record: StonesRecord,
): { readonly care?: readonly PlanCare[] } {
  const care = [...new Set(used.map(({ id }) => id))].flatMap((id) => {
    const due = record[id]?.care.due;
    return due ? [{ id, ...due }] : [];
  });
  return care.length > 0 ? { care } : {};
}
