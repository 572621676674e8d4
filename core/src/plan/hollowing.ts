import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { sagittaMm } from '../base/arc.js';
import { insist } from '../base/refusal.js';
import { segmentMm2 } from '../blade/hollow-grind.js';
import type { Edge, SingleBevelEdge } from '../blade/edge.js';
import type { Steel } from '../blade/tool.js';
import {
  contactMin,
  GRINDING_PUSH_N,
  grindingPasses,
  wheelAtWork,
  type WheelAtWork,
} from '../grinding/grinding-work.js';
import type { WedgeHeat, WedgeHeatInput } from '../grinding/wedge-heat.js';
import { POLISHED_MM } from '../work/worked.js';
import type { HollowedBackInput } from '../grinding/hollowed-back.js';
import type { BackHollow, HollowShape } from './bench-step.js';
import { passesOf, passHeat, USUAL_PASS } from './grinding-first.js';
import type { OldBackRequest } from './plan-request.js';

/** A back hollowed on the wheel: how many hollows side by side, and what stays flat at the edge. */
export interface Hollowing extends HollowShape {
  readonly removeMm3: number;
  /** All of it: the wheel made ready, contact, dips. */
  readonly minutes: number;
}

interface HollowingInput {
  /** What stays flat at the edge, and how much is hollowed behind it, mm. */
  readonly edgeRimMm: number;
  readonly hollowMm: number;
  /** Hollows side by side; one unless said. */
  readonly passes?: number;
}

/**
 * The wheel’s part of saving a back: each hollow a segment of that wheel, its minutes by the one law of wear and the
 * usual pass of that kind of wheel.
 * @throws Refusal where there is no such wheel, or a hollow is wider than it
 */
export function hollowing(
  { widthMm }: SingleBevelEdge,
  { edgeRimMm: rimMm, hollowMm, passes: hollows = 1 }: HollowingInput,
  wheel: OwnedAbrasive | undefined,
): Hollowing {
  const work = wheelAtWork(wheel, GRINDING_PUSH_N);
  const chordMm = hollowMm / hollows;
  insist(
    chordMm < 2 * work.radiusMm,
    'passes',
    'So wide a hollow no wheel of that size makes in one: take more passes.',
  );
  const depthMm = sagittaMm(work.radiusMm, chordMm);
  const removeMm3 = hollows * segmentMm2(work.radiusMm, depthMm) * widthMm;
  const { longestS, dipS } = USUAL_PASS[work.kind];
  const { minutes } = grindingPasses(contactMin(removeMm3, work), longestS, dipS);
  return {
    wheelId: wheel?.id ?? '',
    rimMm,
    hollows,
    chordMm,
    depthMm,
    removeMm3,
    minutes: minutes + (wheel?.overheadMin ?? 0),
  };
}

/**
 * The hollow an edge is to have in its back, on the wheel that was asked for; nothing where none was.
 * @throws Refusal as {@link hollowing}, and for a back that is to have no hollow
 */
export function hollowingOf(
  edge: Edge,
  bench: readonly OwnedAbrasive[],
  { wheelId }: OldBackRequest,
): Hollowing | undefined {
  if (wheelId === undefined) return undefined;
  insist(
    edge.form === 'single-bevel' && edge.back === 'hollowed' && edge.hollowMm !== undefined,
    'oldBack.wheelId',
    'Only a back that is to be hollowed goes to the wheel: say so on the edge, and how wide the hollow is.',
  );
  const { polishedMm: edgeRimMm = POLISHED_MM, hollowMm, hollows: passes } = edge;
  const wheel = bench.find(({ id }) => id === wheelId);
  return hollowing(edge, { edgeRimMm, hollowMm, ...(passes !== undefined && { passes }) }, wheel);
}

type BackOfEdge = Pick<
  SingleBevelEdge,
  'back' | 'polishedMm' | 'farRimMm' | 'hollowMm' | 'hollows' | 'hollowDeepMm'
>;

/** The back of an edge that is to be hollowed so: its fields, in place of those it had. */
export function backHollowed(
  { backMm, edgeRimMm, farRimMm, passes = 1 }: Omit<HollowedBackInput, 'wheelRadiusMm'>,
  hollowDeepMm: number,
): BackOfEdge {
  return {
    back: 'hollowed',
    polishedMm: edgeRimMm,
    farRimMm,
    hollowMm: backMm - edgeRimMm - farRimMm,
    hollows: passes,
    hollowDeepMm,
  };
}

/** The back of an edge that is to be flattened whole. */
export function backFlattened({ backMm }: Pick<HollowedBackInput, 'backMm'>): BackOfEdge {
  return { back: 'flat', polishedMm: backMm };
}

/** An edge without what its back was. */
export function withBack(
  {
    shimMm: _s,
    shimAtMm: _at,
    hollowMm: _h,
    hollows: _n,
    hollowDeepMm: _d,
    farRimMm: _f,
    ...edge
  }: SingleBevelEdge,
  back: BackOfEdge,
): SingleBevelEdge {
  return { ...edge, ...back };
}

/** What is asked of the heat model for a hollow: the wedge of the bevel, met as far from its tip as the rim is wide. */
export const hollowHeat = (
  edge: SingleBevelEdge,
  steel: Steel,
  { rimMm }: Hollowing,
  work: WheelAtWork,
): WedgeHeatInput | undefined => passHeat(edge, steel, { stopShortMm: rimMm, pushN: work.pushN }, work);

/** A hollowing as it is taken to the bench: in passes no longer than the heat allows, each with its dip. */
export const hollowInPasses = (
  { removeMm3, minutes: _, ...hollow }: Hollowing,
  work: WheelAtWork,
  heat?: Pick<WedgeHeat, 'passS' | 'dipS'>,
): BackHollow => ({ ...hollow, ...passesOf(removeMm3, work, heat) });
