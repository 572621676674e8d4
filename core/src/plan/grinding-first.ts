import { depthOfMm, faultMm, type Condition } from '../blade/dulling.js';
import type { Edge, SingleBevelEdge } from '../blade/edge.js';
import { ASSUMED_LAND_MM } from '../blade/land-growth.js';
import {
  contactMin,
  grindingPasses,
  heatedWidthMm,
  wheelAtWork,
  type WheelAtWork,
} from '../grinding/grinding-work.js';
import { HEAT_LIMITS } from '../grinding/temper-colours.js';
import { ROOM_C, type WedgeHeat, type WedgeHeatInput } from '../grinding/wedge-heat.js';
import { Refusal, attempt } from '../base/refusal.js';
import type { EdgeAtWork, ToolAtWork } from '../work/edge-at-work.js';
import { grindingWork, groundTo } from '../work/ground.js';
import { startOf } from './honing-job.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { Steel } from '../blade/tool.js';
import type { RunGrinding, WheelPassesTaken } from './bench-step.js';
import type { GrindRequest, PlanRequest } from './plan-request.js';
import { reshapeMm3 } from './intake.js';

/** The grinding a plan begins with. */
export interface GrindingStep extends GrindRequest {
  readonly removeMm3: number;
  /** All of it: the wheel made ready, contact, dips and looks between the passes. */
  readonly minutes: number;
  readonly landBeforeMm: number;
  /** How far it sets the edge back, mm. */
  readonly backMm?: number;
}

/** How long a pass lasts before the blade is dipped, and the dip, s, before the heat of this one is reckoned (estimates). */
export const USUAL_PASS = {
  'dry-wheel': { longestS: 6, dipS: 3 },
  'wet-wheel': { longestS: undefined, dipS: 0 },
} as const;

/** The wheel’s part of a plan. @throws Refusal where there is nothing to grind, or no wheel */
export function grindingStep(
  edge: Edge,
  bench: readonly OwnedAbrasive[],
  { condition, landMm }: Pick<PlanRequest, 'condition' | 'landMm'>,
  grind: GrindRequest,
): GrindingStep {
  if (edge.form !== 'single-bevel') {
    throw new Refusal('edge.form', 'This version plans the grinding of flat-backed blades with one bevel.');
  }
  const wheel = bench.find(({ id }) => id === grind.wheelId);
  const work = wheelAtWork(wheel, grind.pushN);
  const landBeforeMm = landMm ?? edge.landMm ?? ASSUMED_LAND_MM;
  const found = condition.faults?.find(({ kind }) => kind === 'wrong-angle')?.foundDeg;
  const reshaped = found === undefined ? 0 : reshapeMm3(edge, found);
  const back = attempt(() =>
    grindingWork(edge, {
      landMm: landBeforeMm,
      nickMm: setBackMm(condition),
      stopShortMm: grind.stopShortMm,
      wheelRadiusMm: work.radiusMm,
    }),
  );
  // A bevel too steep is ground back to its angle, even where its land is narrow.
  if (back instanceof Refusal && reshaped === 0) throw back;
  const removeMm3 = reshaped + (back instanceof Refusal ? 0 : back.removeMm3);
  const contact = contactMin(removeMm3, work);
  const { longestS, dipS } = USUAL_PASS[work.kind];
  const minutes = grindingPasses(contact, longestS, dipS).minutes + (wheel?.overheadMin ?? 0);
  return { ...grind, removeMm3, minutes, landBeforeMm };
}

/** Half the way from the room to plain steel’s tempering, °C: the heat model is good to a factor of two. */
export const CAREFUL_C = (ROOM_C + HEAT_LIMITS['usual-tempering']) / 2;

/**
 * What is asked of the heat model for the passes of a grinding; nothing of a wet wheel, over which water runs all
 * the while.
 */
export function passHeat(
  edge: SingleBevelEdge,
  steel: Steel,
  { stopShortMm, pushN }: Omit<GrindRequest, 'wheelId'>,
  work: WheelAtWork,
): WedgeHeatInput | undefined {
  if (work.kind === 'wet-wheel') return undefined;
  const { primaryDeg: bevelDeg, thicknessMm, widthMm } = edge;
  return {
    bevelDeg,
    thicknessMm,
    widthMm: heatedWidthMm(widthMm, work),
    stopShortMm,
    pushN,
    rimMs: work.rimMs,
    steel,
    limitC: CAREFUL_C,
  };
}

/** A grinding as it is taken to the bench: in passes no longer than the heat allows, each with its dip. */
export const inPasses = (
  { wheelId, stopShortMm, removeMm3 }: GrindingStep,
  work: WheelAtWork,
  heat?: PassHeat,
): RunGrinding => ({ wheelId, stopShortMm, ...passesOf(removeMm3, work, heat) });

type PassHeat = Pick<WedgeHeat, 'passS' | 'dipS'>;

/** So much steel in passes no longer than the heat allows, each with its dip. */
export function passesOf(removeMm3: number, work: WheelAtWork, heat?: PassHeat): WheelPassesTaken {
  const dipS = heat?.dipS ?? 0;
  const { passes, passS } = grindingPasses(contactMin(removeMm3, work), heat?.passS, dipS);
  const tenths = (seconds: number): number => Math.round(seconds * 10) / 10;
  return { passes, passS: tenths(passS), ...(dipS > 0 && { dipS: tenths(dipS) }) };
}

/** How far the wheel sets the whole edge back for what is wrong with it, mm; out of square, half of that on the mean. */
export const setBackMm = (condition: Condition): number =>
  Math.max(condition.nickMm ?? 0, faultMm(condition, 'pits'), faultMm(condition, 'overheated')) +
  faultMm(condition, 'out-of-square') / 2;

/** What a wheel leaves of a condition: no nick and no fault, and an edge to be honed from very dull. */
export function afterGrinding({ faults: _, ...condition }: Condition): Condition {
  return ['nicked', 'unknown'].includes(condition.kind) ? { kind: 'very-dull' } : condition;
}

/** The edge as the wheel is to leave it: jointed square where a nick was, a narrow land left to hone. */
export function groundFirst(
  { edge, work }: Pick<ToolAtWork, 'edge' | 'work'>,
  { condition, landMm }: PlanRequest,
  { stopShortMm }: GrindingStep,
): EdgeAtWork {
  const start = startOf(edge, landMm, work);
  if (edge.form !== 'single-bevel') return start;
  return groundTo(edge, start, { nickMm: depthOfMm(condition), landLeftMm: stopShortMm });
}
