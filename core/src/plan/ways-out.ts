import { kindFacts, type AbrasiveKind } from '../abrasive/abrasive.js';
import type { StonesRecord } from '../abrasive/at-work.js';
import { isWheel } from '../abrasive/wheel.js';
import type { Condition } from '../blade/dulling.js';
import { honedDeg, shapeOfEdge, type Edge } from '../blade/edge.js';
import { GRINDING_PUSH_N, STOP_SHORT_MM } from '../grinding/grinding-work.js';
import { unlessRefused } from '../base/refusal.js';
import { familyFacts } from '../blade/families.js';
import type { ToolAtWork } from '../work/edge-at-work.js';
import { planOf, unjudged } from './compose.js';
import type { HoningPlan, WayOut } from './honing-plan.js';
import { strokesOfEach } from './knives-in-jig.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { PlanRequest } from './plan-request.js';

/** Past so many strokes on one stone, or so many minutes of rubbing, nobody would do it so (estimates). */
export const TOO_MANY_STROKES = 150;
const TOO_LONG_MIN = 20;

/**
 * {@link planOf}, and where nobody would do it so, the ways out of it.
 * @throws Refusal as {@link planOf}
 */
export function planHoning(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: StonesRecord = {},
): HoningPlan {
  const plan = planOf(tool, bench, request, record);
  // The ways of an old back were set beside each other before one was chosen.
  const judged = request.oldBack ? { ...plan, back: [] } : plan;
  const most = mostRubbed(judged);
  const rubbingMin =
    rubbedSteps(judged).reduce((sum, { strokes }) => sum + strokes, 0) / request.strokesPerMin;
  if (!most || (most.strokes <= TOO_MANY_STROKES && rubbingMin <= TOO_LONG_MIN)) return plan;
  const { id, strokes } = most;
  const ways = waysOut(tool, bench, request, record, plan);
  const ofEach = tool.edge.form === 'knife-set' && tool.edge.count > 1;
  return { ...plan, tooMuch: { id, strokes, rubbingMin, ...(ofEach && { ofEach }), ways } };
}

type Worked = Omit<HoningPlan, 'verdicts'>;

const rubbedSteps = ({
  shaping,
  steps,
  back = [],
  camber,
}: Worked): readonly { id: string; strokes: number }[] => [
  ...(shaping ? [shaping] : []),
  ...[...back, ...steps].map(({ id, strokes, rounds }) => ({
    id,
    // Of a set it is what each knife gets.
    strokes: rounds ? strokesOfEach(strokes, rounds) : strokes,
  })),
  ...(camber ? [camber] : []),
];

const mostRubbed = (plan: Worked): { id: string; strokes: number } | undefined =>
  [...rubbedSteps(plan)].sort((a, b) => b.strokes - a.strokes)[0];

const isWorkable = (plan: Worked | undefined): plan is Worked =>
  plan !== undefined && (mostRubbed(plan)?.strokes ?? 0) <= TOO_MANY_STROKES;

function waysOut(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  request: PlanRequest,
  record: StonesRecord,
  plan: Worked,
): readonly WayOut[] {
  // The curve takes as long by every way: it is not worked out anew.
  const curveMin = plan.camber?.minutes ?? 0;
  const planned: Planned = (more, stones = bench, blade = tool) => {
    const asked = { ...request, camber: undefined, ...more };
    const way = unlessRefused(() => unjudged(blade, stones, asked, record).plan);
    return way && { ...way, totalMin: way.totalMin + curveMin };
  };
  return [
    ...(plan.grinding ? [] : byWheel(bench, planned)),
    ...byCoarserStone(tool, bench, request, planned),
    ...bySteeper(tool, request, planned),
    ...byShim(tool, request, planned),
    ...byParts(request, planned),
    ...byShifting(tool.edge, request, planned),
  ]
    .filter(({ minutes = Infinity }) => minutes < plan.totalMin)
    .sort((a, b) => (a.minutes ?? Infinity) - (b.minutes ?? Infinity))
    .concat({ way: 'send-out' });
}

type Planned = (
  more: Partial<PlanRequest>,
  stones?: readonly OwnedAbrasive[],
  blade?: ToolAtWork,
) => Worked | undefined;

/** The quickest of the wheels at hand. */
function byWheel(bench: readonly OwnedAbrasive[], planned: Planned): readonly WayOut[] {
  const ways = bench.filter(isWheel).flatMap(({ id }): readonly WayOut[] => {
    const grind = { wheelId: id, stopShortMm: STOP_SHORT_MM, pushN: GRINDING_PUSH_N };
    const plan = planned({ grind });
    return plan ? [{ way: 'wheel', minutes: plan.totalMin, ask: { grind } as WayOut['ask'] & object }] : [];
  });
  return soonest(ways);
}

/** Sizes one can fetch, coarse to fine, µm, in the kind that follows the edge. */
const FETCHED_UM = [120, 80, 60, 45] as const;

/** One coarser stone, the one that takes the least time. */
function byCoarserStone(
  tool: ToolAtWork,
  bench: readonly OwnedAbrasive[],
  { set }: PlanRequest,
  planned: Planned,
): readonly WayOut[] {
  const kind: AbrasiveKind = ['inside-curve', 'hook'].includes(shapeOfEdge(tool.edge))
    ? 'rod-paper'
    : 'diamond-plate';
  const ways = FETCHED_UM.flatMap((sizeUm): readonly WayOut[] => {
    const fetched: OwnedAbrasive = {
      id: 'fetched',
      name: kindFacts(kind).label,
      kind,
      grade: { standard: 'UM', grade: String(sizeUm) },
      lubricant: 'water',
      strokeMm: kind === 'rod-paper' ? 60 : 150,
      overheadMin: 1,
      serves: [shapeOfEdge(tool.edge)],
      ...(set !== undefined && { sets: [set] }),
    };
    const plan = planned({}, [...bench, fetched]);
    return plan && rubbedSteps(plan).some(({ id }) => id === fetched.id)
      ? [{ way: 'coarser-stone', minutes: plan.totalMin, stone: { kind, sizeUm } }]
      : [];
  });
  return soonest(ways);
}

/** So much steeper a micro-bevel cuts for now, degrees, and no steeper than this in all (estimates). */
const STEEPER_DEG = 4;
const STEEPEST_DEG = 45;

/** A narrow micro-bevel on what is there. */
function bySteeper(
  { edge, work: _as, ...tool }: ToolAtWork,
  request: PlanRequest,
  planned: Planned,
): readonly WayOut[] {
  if (edge.form !== 'single-bevel' || edge.microDeg !== undefined || request.grind) return [];
  const way = { way: 'steeper-for-now', microDeg: honedDeg(edge) + STEEPER_DEG } as const;
  if (way.microDeg > STEEPEST_DEG) return [];
  const plan = planned({}, undefined, { ...tool, edge: edgeByWay(edge, way) });
  return isWorkable(plan) ? [{ ...way, minutes: plan.totalMin }] : [];
}

/** A facet that is only begun, mm: as little as can be entered. */
const BARELY = { landMm: 0.01, microLandMm: 0.005 } as const;

/** An edge as a way out makes it from then on; as it is, where the way leaves it so. */
export function edgeByWay(edge: Edge, { way, microDeg }: Pick<WayOut, 'way' | 'microDeg'>): Edge {
  if (edge.form !== 'single-bevel') return edge;
  if (way === 'shim-back') return { ...edge, back: 'shim', ...SHIM };
  if (way !== 'steeper-for-now' || microDeg === undefined) return edge;
  return edge.secondaryDeg === undefined
    ? { ...edge, secondaryDeg: microDeg, landMm: BARELY.landMm }
    : { ...edge, microDeg, microLandMm: BARELY.microLandMm };
}

/** A shim under a back nobody registers on, mm, and how far from the edge it lies (common practice, no source). */
const SHIM = { shimMm: 0.5, shimAtMm: 45 } as const;

/** A back that is polished at the very edge alone. */
function byShim(
  { edge, work: _as, ...tool }: ToolAtWork,
  request: PlanRequest,
  planned: Planned,
): readonly WayOut[] {
  const prepares = ['new', 'unknown'].includes(request.condition.kind);
  if (edge.form !== 'single-bevel' || edge.back === 'shim' || !prepares) return [];
  if (familyFacts(tool.family).backRegisters) return [];
  const plan = planned({}, undefined, { ...tool, edge: edgeByWay(edge, { way: 'shim-back' }) });
  return plan ? [{ way: 'shim-back', minutes: plan.totalMin }] : [];
}

/** A nick taken in parts comes off in steps no finer than this, mm. */
const PART_MM = 0.02;

/** As much of the nick as these stones take in one sitting, the rest as the next honings come to it. */
function byParts(request: PlanRequest, planned: Planned): readonly WayOut[] {
  const { nickMm = 0 } = request.condition;
  const by = (
    parts: number,
  ): { readonly nowMm: number; readonly condition: Condition; readonly plan?: Worked } => {
    const nowMm = Number((parts * PART_MM).toFixed(2));
    const condition = { ...request.condition, nickMm: nowMm };
    const plan = planned({ condition });
    return { nowMm, condition, ...(isWorkable(plan) && { plan }) };
  };
  // More of a nick is never fewer strokes: halved until the most that is workable is known.
  let [least, most] = [0, Math.ceil(nickMm / PART_MM - 1e-9)];
  while (most - least > 1) {
    const half = Math.floor((least + most) / 2);
    if (by(half).plan) least = half;
    else most = half;
  }
  const { nowMm, condition, plan } = by(least);
  if (least === 0 || !plan) return [];
  const honingsAfter = Math.ceil((nickMm - nowMm) / nowMm - 1e-9);
  return [{ way: 'part-now', minutes: plan.totalMin, nickMm: nowMm, honingsAfter, ask: { condition } }];
}

/** Two knives of a set shifted sideways, so that what one leaves the next one takes: honed as if only dull (from memory). */
function byShifting(edge: Edge, { condition }: PlanRequest, planned: Planned): readonly WayOut[] {
  if (edge.form !== 'knife-set' || edge.count < 2 || condition.kind !== 'nicked') return [];
  const dull: Condition = { kind: 'dull' };
  const plan = planned({ condition: dull });
  if (!isWorkable(plan)) return [];
  const { totalMin, job } = plan;
  return [{ way: 'shift-knives', minutes: totalMin, removeMm3: job.removeMm3, ask: { condition: dull } }];
}

const soonest = (ways: readonly WayOut[]): readonly WayOut[] =>
  [...ways].sort((a, b) => (a.minutes ?? Infinity) - (b.minutes ?? Infinity)).slice(0, 1);
