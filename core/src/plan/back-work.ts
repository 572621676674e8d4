import type { Condition } from '../blade/dulling.js';
import type { KnifeSetEdge, SingleBevelEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import { FOUND_MARKS_UM } from '../work/found.js';
import { polishedMm, steelToLowerBackMm3 } from '../work/worked.js';
import type { LaidStep } from './along.js';
import { oneByOne, type Rounds } from './knives-in-jig.js';
import type { OldBackRequest, PlanRequest } from './plan-request.js';
import { progression, type Progression, type ProgressionInput } from './progression.js';

/** Strokes of the back on one stone. */
export interface BackStep {
  readonly id: string;
  readonly strokes: number;
  readonly minutes: number;
  /** Strokes in four of five cases. */
  readonly low?: number;
  readonly high?: number;
  /** Push on it, N, where it is not the plan’s. */
  readonly forceN?: number;
  /** First preparation, or only the burr. */
  readonly prepares: boolean;
  /** Of an edge longer than its stone: how they are laid along it. */
  readonly along?: LaidStep;
  /** Of a set of knives: one after the other. */
  readonly rounds?: Rounds;
}

/** Strokes that take the burr off on the finest stone (common practice, no source: 10–20 short passes). */
const BURR_STROKES = 10;
/** How uneven a back is taken to be, new from a maker or of unknown history, µm (estimates). */
const UNEVEN_UM = { new: 15, unknown: 40 } as const;

/**
 * The work on a flat back. Once it is flat, only the finest stone of the plan touches it, to take the
 * burr off; a new or unknown blade's is prepared first, on every stone of the plan: the unevenness of
 * its rim, then the scratches of each stone before; over a shim, on the finest alone.
 * @returns nothing for edges without a flat back
 */
export function backWork(
  tool: Tool,
  { condition, oldBack }: Pick<PlanRequest, 'condition' | 'oldBack'>,
  input: ProgressionInput,
  chosen: Progression,
): readonly BackStep[] | undefined {
  const { edge } = tool;
  const finest = chosen.steps.at(-1);
  if ((edge.form !== 'single-bevel' && edge.form !== 'knife-set') || !finest) return undefined;
  const burr: BackStep = {
    id: finest.id,
    strokes: BURR_STROKES,
    minutes: BURR_STROKES / input.job.strokesPerMin,
    prepares: false,
  };
  if (edge.form === 'knife-set') return [...knivesBacks(edge, input, chosen), burr];
  const found = foundBack(condition, oldBack);
  return found ? [...preparedBack(edge, found, input, chosen), burr] : [burr];
}

/** How a back lies that wants preparing: an old one as its pits were measured, a new or unknown one by what is usual. */
function foundBack(condition: Condition, oldBack?: OldBackRequest): FoundBack | undefined {
  if (oldBack) return pittedBack(oldBack.pitsMm);
  const unevenUm = unevenUmOf(condition);
  return unevenUm === undefined ? undefined : { unevenUm, marksUm: FOUND_MARKS_UM[condition.kind] };
}

/** How uneven the other face of an edge is taken to be, µm: of one that is new or unknown; nothing of any that was honed. */
export const unevenUmOf = ({ kind }: Condition): number | undefined =>
  kind === 'new' || kind === 'unknown' ? UNEVEN_UM[kind] : undefined;

/** An old back with pits of a depth, mm: at least as uneven as any of unknown history. */
export const pittedBack = (pitsMm: number): FoundBack & { readonly unevenUm: number } => ({
  unevenUm: Math.max(UNEVEN_UM.unknown, 1000 * pitsMm),
  marksUm: FOUND_MARKS_UM.unknown,
});

/** Strokes on the back of each machine knife, on every abrasive of the plan (common practice, no source). */
const KNIFE_BACK_STROKES = 10;

/** The backs of a set, flat on every abrasive, coarse to fine, one knife after the other. */
function knivesBacks(
  { count }: KnifeSetEdge,
  { job }: ProgressionInput,
  chosen: Progression,
): readonly BackStep[] {
  const strokes = KNIFE_BACK_STROKES * count;
  return chosen.steps.map(({ id }) => ({
    id,
    strokes,
    minutes: strokes / job.strokesPerMin,
    prepares: true,
    rounds: oneByOne(count),
  }));
}

/** A back as it is found: how uneven what is polished is, and how deep its marks are, µm. */
interface FoundBack {
  readonly unevenUm: number;
  readonly marksUm?: number | undefined;
}

/** What is polished of a back, on every stone of the plan. */
export function preparedBack(
  edge: SingleBevelEdge,
  { unevenUm, marksUm }: FoundBack,
  input: ProgressionInput,
  chosen: Progression,
): readonly BackStep[] {
  const stones = chosen.steps.flatMap(({ id }) => input.abrasives.filter((abrasive) => abrasive.id === id));
  // Over a shim only the finest stone is used, and the polish need only reach the edge.
  const shimmed = edge.back === 'shim';
  const on = shimmed ? stones.slice(-1) : stones;
  const contactMm2 = polishedMm(edge) * edge.widthMm;
  const { steps } = progression({
    ...input,
    // A limit on strokes chooses among stones for the bevel; the back wants what it wants.
    abrasives: on.map((stone) => ({ ...stone, overheadMin: 0, mostStrokes: undefined })),
    job: {
      ...input.job,
      contactMm2,
      removeMm3: shimmed ? 0 : (contactMm2 * unevenUm) / 1000,
      foundUm: marksUm,
      clearMm3: (spentMm3, downUm) => steelToLowerBackMm3(edge, spentMm3, downUm / 1000),
    },
    maxRatio: undefined,
    startUm: undefined,
    stones: on.length,
  });
  return steps.map(({ id, strokes, minutes }) => ({ id, strokes, minutes, prepares: true }));
}

/** A back polished whole is polished as far as it lies on the stone, mm (estimate). */
const WHOLE_BACK_MM = 50;

/** Minutes the whole back would take in place of its rim or its edge over a shim; nothing where that is not spared. */
export function wholeBackMin(
  tool: Tool,
  request: Pick<PlanRequest, 'condition' | 'oldBack'>,
  input: ProgressionInput,
  chosen: Progression,
): number | undefined {
  const { edge } = tool;
  // An old back’s two ways are compared where it is asked for.
  if (request.oldBack) return undefined;
  const here = backWork(tool, request, input, chosen)?.filter(({ prepares }) => prepares) ?? [];
  if (edge.form !== 'single-bevel' || here.length === 0) return undefined;
  const whole = { ...tool, edge: { ...edge, back: 'flat' as const, polishedMm: WHOLE_BACK_MM } };
  return backWork(whole, request, input, chosen)
    ?.filter(({ prepares }) => prepares)
    .reduce((sum, { minutes }) => sum + minutes, 0);
}
