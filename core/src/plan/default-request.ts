import { isWheel } from '../abrasive/wheel.js';
import { stonesAtWork, type StonesRecord, type StoneAtWork } from '../abrasive/at-work.js';
import { kindFacts, servesShape, setNames, standsIn } from '../abrasive/abrasive.js';
import { CURVED_FAMILIES } from '../camber/camber-jobs.js';
import type { Condition } from '../blade/dulling.js';
import { shapeOfEdge } from '../blade/edge.js';
import { ASSUMED_LAND_MM } from '../blade/land-growth.js';
import { GRINDING_PUSH_N, STOP_SHORT_MM } from '../grinding/grinding-work.js';
import { readiness } from '../record/readiness.js';
import type { EdgeState } from '../record/edge-state.js';
import { thickeningOf } from '../record/thickening.js';
import type { Standing } from '../record/tool-record.js';
import { unlessRefused } from '../base/refusal.js';
import { familyFacts } from '../blade/families.js';
import type { Tool } from '../blade/tool.js';
import type { ToolAtWork } from '../work/edge-at-work.js';
import { grindingWork } from '../work/ground.js';
import { isNear, type CamberRequest } from './camber-work.js';
import { setBackMm } from './grinding-first.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { PLAN_DEFAULTS, type PlanRequest } from './plan-request.js';
import { leastMinutes } from './compose.js';
import { intake } from './intake.js';

/** What the default request goes by. */
export interface AskedOf {
  readonly tool: ToolAtWork;
  readonly bench: readonly OwnedAbrasive[];
  /** What the tool’s record comes to, and what is known of the abrasives. */
  readonly record?: Standing | undefined;
  readonly stones?: StonesRecord;
}

/**
 * What is asked of a plan where nobody says: the condition by the record, as fine as the family asks or the
 * stones go, the push and the way of its work, the wheel where that is quicker, the strop where that is enough,
 * on the stones of the tool’s own set. What is asked stands over each.
 */
export function defaultRequest(of: AskedOf, asked: Partial<PlanRequest> = {}): PlanRequest {
  const { tool, record, stones } = of;
  const bench = stonesAtWork(of.bench, stones);
  const set = 'set' in asked ? asked.set : usualSet(of);
  const condition = asked.condition ?? conditionByRecord(tool, record);
  const { forceN, bothWays } = pushOf(tool);
  const request: PlanRequest = {
    condition,
    finishUm: usualFinishUm(tool, bench, set),
    forceN,
    lighter: true,
    ...(bothWays && { way: 'both' }),
    strokesPerMin: PLAN_DEFAULTS.strokesPerMin,
    maxRatio: PLAN_DEFAULTS.maxRatio,
    mostStrokes: PLAN_DEFAULTS.mostStrokes,
    laidAside: [],
    ...(tool.counts?.onStone && { stropOnStone: true }),
    // It has grown twice as thick behind its edge: strokes belong there.
    ...(record && thickeningOf(tool, record.state)?.thick && { thinBody: true }),
    ...asked,
    ...curveOf(tool, record?.state, asked.camber?.positions),
    ...(set !== undefined && { set }),
  };
  const strops = bench.some((stone) => kindFacts(stone.kind).strop && standsIn(stone, set));
  // A strop where that is enough, unless it is to be honed all the same.
  const stropOnly = asked.stropOnly ?? (strops && isFadedOnly(tool, condition));
  return stropOnly
    ? { ...request, stropOnly }
    : { ...('grind' in asked ? {} : wheelFirst(of, request)), ...request };
}

/** What the record says of the edge before anyone is asked how dull it is. */
function conditionByRecord(tool: ToolAtWork, record: Standing | undefined): Condition {
  const nickMm = record?.state.sinceHoned.deepestMm ?? 0;
  if (nickMm > 0) return { kind: 'nicked', nickMm };
  return { kind: record && readiness(tool, record).state === 'strop' ? 'fading' : 'dull' };
}

/** Only fading, with nothing else wrong: what a strop brings back. */
const isFadedOnly = (tool: ToolAtWork, condition: Condition): boolean =>
  unlessRefused(() => intake(tool.edge, condition).treatment) === 'strop';

/** Two hands and what stands behind them lean on a jig of machine knives, N (estimate). */
const JIG_PUSH_N = 80;

/** Push and way of a tool’s work: a jig under both hands, and whatever is rubbed rather than stroked, cut to and fro. */
function pushOf({ edge, family }: Tool): { readonly forceN: number; readonly bothWays: boolean } {
  if (edge.form === 'knife-set') return { forceN: JIG_PUSH_N, bothWays: true };
  // The abrasive is led round a curve and along a drawknife, a scrub iron rocked over the stone; a scraping edge
  // lies still until its burr is wanted.
  const rubbed =
    ['inside-curve', 'hook'].includes(shapeOfEdge(edge)) ||
    edge.form === 'scraping' ||
    family === 'drawknife' ||
    family === 'scrub-iron';
  return { forceN: PLAN_DEFAULTS.forceN, bothWays: rubbed };
}

/** As fine as the tool’s family usually asks, or as fine as there is to hone on. */
function usualFinishUm(
  { family, edge }: Tool,
  bench: readonly StoneAtWork[],
  set: string | undefined,
): number {
  const { finishUm, finestUm = 0 } = familyFacts(family);
  const finest = Math.min(
    ...bench
      .filter((stone) => servesShape(stone, shapeOfEdge(edge)) && !kindFacts(stone.kind).strop)
      .filter((stone) => standsIn(stone, set) && stone.sizeUm >= finestUm)
      .map(({ sizeUm }) => sizeUm),
  );
  // To a tenth, upwards: a place by hand has no round figure.
  return Number.isFinite(finest) ? Math.max(Math.ceil(finest * 10) / 10, finishUm) : finishUm;
}

/** An edge within so many times of the usual finish is as good as there (estimate). */
const NEAR_FINISH = 1.6;

/**
 * The set of stones for a tool: the one chosen for it, else the one that brings a dull edge of its family to its
 * finish soonest; none, the whole bench, where that was chosen or no set can.
 */
export function usualSet({ tool, bench, stones = {} }: AskedOf): string | undefined {
  const sets = setNames(bench);
  const { stoneSet, family } = tool;
  if (stoneSet === '' || (stoneSet !== undefined && sets.includes(stoneSet))) return stoneSet || undefined;
  const { finishUm } = familyFacts(family);
  const ways = sets.flatMap((set) => {
    const reachedUm = usualFinishUm(tool, stonesAtWork(bench, stones), set);
    const request: PlanRequest = {
      ...PLAN_DEFAULTS,
      condition: { kind: 'dull' },
      finishUm: reachedUm,
      set,
      laidAside: [],
    };
    const minutes = unlessRefused(() => leastMinutes(tool, bench, request, stones));
    return minutes === undefined ? [] : [{ set, near: reachedUm <= NEAR_FINISH * finishUm, minutes }];
  });
  return ways.sort((a, b) => Number(b.near) - Number(a.near) || a.minutes - b.minutes)[0]?.set;
}

/** An iron that is curved, or is to be, has its curve asked of the plan: from what the record says it has now. */
function curveOf(
  { edge, family }: Tool,
  state: EdgeState | undefined,
  positions: CamberRequest['positions'] = 5,
): Pick<PlanRequest, 'camber'> {
  const camber = state?.camber;
  if (!camber || edge.form !== 'single-bevel' || !CURVED_FAMILIES.includes(family)) return {};
  if (edge.front.shape === 'straight' && isNear(camber.camberMm, 0)) return {};
  const { camberMm, leanMm, factor } = camber;
  return { camber: { positions, nowMm: camberMm, leanMm, factor } };
}

/**
 * The wheel first: where the record asks for it, and where what is wrong is sooner ground away than honed away,
 * set-up and dips counted.
 */
function wheelFirst(of: AskedOf, request: PlanRequest): Pick<PlanRequest, 'grind'> {
  const { tool, bench, record, stones } = of;
  const { edge } = tool;
  const { condition } = request;
  const wheel = bench.find(isWheel);
  if (!wheel || edge.form !== 'single-bevel') return {};
  const grind = { wheelId: wheel.id, stopShortMm: STOP_SHORT_MM, pushN: GRINDING_PUSH_N };
  const asked = record && ['regrind', 'repair'].includes(readiness(tool, record).state);
  const landMm = request.landMm ?? record?.state.landMm ?? edge.landMm ?? ASSUMED_LAND_MM;
  const steep = condition.faults?.some(({ kind }) => kind === 'wrong-angle') ?? false;
  const damaged =
    steep || setBackMm(condition) > 0 || condition.kind === 'unknown' || (condition.faults?.length ?? 0) > 0;
  if (!asked && !damaged) return {};
  const worth = unlessRefused(() =>
    grindingWork(edge, { landMm, nickMm: setBackMm(condition), stopShortMm: STOP_SHORT_MM }),
  );
  if (!worth && !steep) return {};
  if (asked || steep) return { grind };
  const minutes = (change: Partial<PlanRequest>): number =>
    unlessRefused(() => leastMinutes(tool, bench, { ...request, ...change }, stones)) ?? Infinity;
  return minutes({ grind }) < minutes({ grind: undefined }) ? { grind } : {};
}
