import { curveRolled } from '../curve/curve-rolled.js';
import { cornerBackMm } from '../camber/camber-jobs.js';
import {
  cornerPerStrokeMm,
  parabolaOf,
  spreadStrokes,
  strokesTo,
  type CamberStrokes,
  type PlaceCount,
  type PlacedWork,
} from '../camber/camber-strokes.js';
import type { SingleBevelEdge } from '../blade/edge.js';
import { frontProfile } from '../blade/front-line.js';
import { estimatedRemovalMm3PerNm, removalPerStrokeMm3 } from '../abrasive/removal.js';
import type { Tool } from '../blade/tool.js';
import { placedWork } from '../work/placed.js';
import type { Progression, ProgressionAbrasive, ProgressionInput } from './progression.js';

/** The curve a plan is to make, from what the edge has now. */
export interface CamberRequest {
  /** Places a finger presses at; 0 leaves the curve alone this time. */
  readonly positions: 0 | PlaceCount;
  /** Sagitta the edge has now, mm, and how much further back its right corner stands than its left. */
  readonly nowMm: number;
  readonly leanMm?: number;
  /** How many times as fast strokes by place really work as reckoned; 1 until readings taught it. */
  readonly factor?: number;
}

/** Strokes by place on the shaping stone. */
export interface CamberStep {
  readonly id: string;
  readonly places: readonly number[];
  readonly strokes: number;
  readonly minutes: number;
  /** Push on it, N, where it is not the plan’s. */
  readonly forceN?: number;
  /** On a coarser stone, ahead of the others: too much for the first of them. */
  readonly before: boolean;
  readonly deviationMm: number;
  readonly furthestMm: number;
  readonly middleLossMm: number;
  readonly steelMm3: number;
  /** Sagitta wanted, and what these strokes are reckoned to leave. */
  readonly wantedMm: number;
  readonly comesToMm: number;
  /** The plan nearest to the curve, where another was chosen for what it leaves in the middle. */
  readonly nearest?: {
    readonly places: readonly number[];
    readonly furthestMm: number;
    readonly middleLossMm: number;
  };
}

export interface CamberWork {
  /** Absent where the edge is curved as wanted. */
  readonly step?: CamberStep;
  /** So deep a curve is ground to its template, not honed. */
  readonly grind?: { readonly wantedMm: number; readonly nowMm: number };
  /** Strokes by place on the stones after it, by id, so that the curve stays. */
  readonly spread: ReadonlyMap<string, readonly number[]>;
}

/** Off the wanted curve by less than this nobody sees it in a shaving: 20 µm or 15 % of the camber, whichever is more. */
export const CAMBER_NEAR = { mm: 0.02, share: 0.15 } as const;
/** Half of that is left alone: a plan that chases its own noise wears the iron. */
const LEFT_ALONE = 0.5;
/** Past so many strokes on one stone a coarser one is taken; past so many on the coarsest it is a wheel's work (estimates). */
const MANY_STROKES = 80;
const WHEEL_STROKES = 300;
/** Less curve than this asks for no strokes by place on the finer stones. */
const FLAT_MM = 0.01;

/** Whether a camber is as near to the wanted one as a shaving shows. */
export const isNear = (mm: number, wantedMm: number, share = 1): boolean =>
  Math.abs(mm - wantedMm) <= share * Math.max(CAMBER_NEAR.mm, CAMBER_NEAR.share * Math.abs(wantedMm));

/**
 * The camber in a plan, on its shaping stone: the first, or a coarser one where that would take too many
 * strokes; and the finer stones' strokes spread over the places. Common practice has it after the first burr.
 * @param contactMm2 what of the edge lies on a stone
 * @returns nothing for edges that have no curve to make and none to keep
 */
export function camberWork(
  tool: Tool,
  request: CamberRequest | undefined,
  input: ProgressionInput,
  chosen: Progression,
  contactMm2: number,
): CamberWork | undefined {
  const { edge } = tool;
  const first = chosen.steps[0];
  if (!request || request.positions === 0 || edge.form !== 'single-bevel' || !first) return undefined;
  const { positions, nowMm, leanMm = 0, factor = 1 } = request;
  const wantedMm = cornerBackMm(edge.front, edge.widthMm);
  const straight = wantedMm < FLAT_MM && isNear(nowMm, 0, LEFT_ALONE);
  const asWanted = isNear(nowMm, wantedMm, LEFT_ALONE) && isNear(leanMm, 0);
  if (straight && asWanted) return undefined;
  const work = (abrasive: ProgressionAbrasive): PlacedWork =>
    placedWork(edge, positions, contactMm2 / edge.widthMm, factor * perStrokeMm3(abrasive, input));
  const shaping = asWanted
    ? undefined
    : shapingStep(edge, input, first.id, work, { wantedMm, nowMm, leanMm });
  const spread = new Map<string, readonly number[]>();
  // Nearly all of an eased edge is straight: its finer stones are worked as ever. A strong curve is rolled, not pressed.
  if (wantedMm >= FLAT_MM && edge.front.shape === 'arc' && !curveRolled(edge)) {
    // A plan that needs no curve made keeps the one there is on every stone.
    const from = shaping?.step && !shaping.step.before ? 1 : 0;
    for (const step of chosen.steps.slice(from)) {
      const stone = input.abrasives.find(({ id }) => id === step.id);
      if (stone) spread.set(step.id, spreadStrokes(work(stone), Math.max(step.strokes, positions), wantedMm));
    }
  }
  return { ...shaping, spread };
}

function shapingStep(
  edge: SingleBevelEdge,
  input: ProgressionInput,
  firstId: string,
  work: (abrasive: ProgressionAbrasive) => PlacedWork,
  { wantedMm, nowMm, leanMm }: { readonly wantedMm: number; readonly nowMm: number; readonly leanMm: number },
): Pick<CamberWork, 'step' | 'grind'> {
  if (edge.front.shape === 'corners-relieved')
    return easedStep(edge.front.widthMm, input, firstId, work, { wantedMm, nowMm });
  const wanted = wantedRemoval(edge, nowMm, leanMm);
  // Worked down from one curve to another, the edge is on the mean as deep as half way between.
  const bow = Math.max(0, (nowMm + wantedMm) / 2);
  const first = input.abrasives.find(({ id }) => id === firstId) as ProgressionAbrasive;
  const coarser = input.abrasives
    .filter(({ sizeUm }) => sizeUm > first.sizeUm)
    .sort((a, b) => a.sizeUm - b.sizeUm);
  const planOn = (abrasive: ProgressionAbrasive): CamberStrokes => {
    const plan = strokesTo(work(abrasive), wanted, bow);
    // Too much camber is worked off in the middle: nothing is to be spared there.
    return wantedMm < nowMm ? { ...plan.nearest, nearest: plan.nearest } : plan;
  };
  let [stone, plan] = [first, planOn(first)];
  for (const next of coarser) {
    if (countOf(plan.strokes) <= MANY_STROKES) break;
    [stone, plan] = [next, planOn(next)];
  }
  const strokes = countOf(plan.strokes);
  if (strokes > WHEEL_STROKES) return { grind: { wantedMm, nowMm } };
  if (strokes === 0) return {};
  return { step: stepOf(stone, plan, input, { wantedMm, nowMm, before: stone !== first }) };
}

/** Corners eased: strokes pressed over each of them; what is eased too far only honing straight brings back. */
function easedStep(
  reliefMm: number,
  input: ProgressionInput,
  firstId: string,
  work: (abrasive: ProgressionAbrasive) => PlacedWork,
  { wantedMm, nowMm }: { readonly wantedMm: number; readonly nowMm: number },
): Pick<CamberWork, 'step' | 'grind'> {
  const stone = input.abrasives.find(({ id }) => id === firstId) as ProgressionAbrasive;
  const each = cornerPerStrokeMm(work(stone), reliefMm);
  const count = Math.max(0, Math.round((wantedMm - nowMm) / each));
  if (count === 0) return {};
  if (2 * count > WHEEL_STROKES) return { grind: { wantedMm, nowMm } };
  const comesToMm = nowMm + count * each;
  return {
    step: {
      id: stone.id,
      places: [count, 0, count],
      strokes: 2 * count,
      minutes: (2 * count) / input.job.strokesPerMin,
      before: false,
      deviationMm: 0,
      furthestMm: Math.abs(comesToMm - wantedMm),
      middleLossMm: 0,
      steelMm3: 2 * count * perStrokeMm3(stone, input),
      wantedMm,
      comesToMm,
    },
  };
}

function stepOf(
  stone: ProgressionAbrasive,
  plan: CamberStrokes,
  input: ProgressionInput,
  at: {
    readonly wantedMm: number;
    readonly nowMm: number;
    readonly before: boolean;
  },
): CamberStep {
  const strokes = countOf(plan.strokes);
  const other = plan.nearest;
  const change = parabolaOf(plan.profile.map(({ removedMm }) => removedMm)).camberMm;
  return {
    id: stone.id,
    places: plan.strokes,
    strokes,
    minutes: strokes / input.job.strokesPerMin + (at.before ? stone.overheadMin : 0),
    before: at.before,
    deviationMm: plan.deviationMm,
    furthestMm: plan.furthestMm,
    middleLossMm: plan.middleLossMm,
    steelMm3: strokes * perStrokeMm3(stone, input),
    wantedMm: at.wantedMm,
    comesToMm: at.nowMm + change,
    ...(other.strokes.join() !== plan.strokes.join() && {
      nearest: { places: other.strokes, furthestMm: other.furthestMm, middleLossMm: other.middleLossMm },
    }),
  };
}

/** What is to come off across the width, −1..1, from the curve there is to the one wanted. */
export function wantedRemoval(edge: SingleBevelEdge, nowMm: number, leanMm: number): (u: number) => number {
  const profile = frontProfile(edge.front, edge.widthMm, 201);
  const wantedAt = (u: number): number => {
    const place = ((u + 1) / 2) * (profile.length - 1);
    const i = Math.min(Math.floor(place), profile.length - 2);
    const [a, b] = [profile[i]?.backMm ?? 0, profile[i + 1]?.backMm ?? 0];
    return a + (b - a) * (place - i);
  };
  const deepest = cornerBackMm(edge.front, edge.widthMm);
  // Eased corners that are there in part are taken to be so in their own shape; any other curve is a parabola.
  const eased = edge.front.shape === 'corners-relieved' && deepest > 0;
  return (u) => wantedAt(u) - (eased ? (nowMm / deepest) * wantedAt(u) : nowMm * u * u) - (leanMm / 2) * u;
}

function perStrokeMm3(abrasive: ProgressionAbrasive, { job }: ProgressionInput): number {
  const rate = abrasive.removalMm3PerNm ?? estimatedRemovalMm3PerNm(abrasive.sizeUm, abrasive.kind);
  return removalPerStrokeMm3(rate, abrasive.forceN ?? job.forceN, abrasive.strokeMm, job.steelFactor ?? 1);
}

const countOf = (strokes: readonly number[]): number => strokes.reduce((sum, count) => sum + count, 0);
