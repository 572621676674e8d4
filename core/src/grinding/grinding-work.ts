import { isWheel, rimSpeedMs, USUAL_RPM, wheelRadiusMm, type WheelKind } from '../abrasive/wheel.js';
import type { Abrasive } from '../abrasive/abrasive.js';
import type { SingleBevelEdge } from '../edge/edge.js';
import { landGrowth, recessionForLand } from '../edge/land-growth.js';
import { insist } from '../refusal.js';
import { hollowGrind, honedHollow } from './hollow-grind.js';
import { wheelRemovalMm3PerS, type GrindingHeat } from './wedge-heat.js';

/** How far from the edge grinding stops where a secondary follows: 0.5–1 mm (common practice, no source). */
export const STOP_SHORT_MM = 0.7;
/** Push against a wheel, N: a light hand (estimate). */
export const GRINDING_PUSH_N = 5;
/** A rim nobody measured (estimate). */
const USUAL_RIM_MM = 20;
/** Half across a wheel nobody measured: a small bench grinder's, and a wet one's (estimates). */
const USUAL_RADIUS_MM: Readonly<Record<WheelKind, number>> = { 'dry-wheel': 75, 'wet-wheel': 125 };

export interface GrindingWorkInput {
  /** The land as it stands. */
  readonly landMm: number;
  /** How far the edge has to go back for a nick; 0 where only the land is too wide. */
  readonly nickMm: number;
  /** The land left standing, so that the wheel never comes to the edge. */
  readonly stopShortMm: number;
  /** Of a wheel that hollows a bevel that is flat now; none for a flat grinding. */
  readonly wheelRadiusMm?: number;
}

export interface GrindingWork {
  /** How far the primary is set back along the back. */
  readonly setBackMm: number;
  readonly removeMm3: number;
  /** The land left. */
  readonly landMm: number;
}

/**
 * The steel one regrinding takes. With e the recession of a land and A its steel (`land-growth`), the
 * primary is set back by δ = e(land) + nick − e(land left), which takes δ·t − [A(e land) − A(e left)] a
 * millimetre of edge, and the hollow's own segment where a wheel hollows a flat bevel.
 * @throws Refusal on `stopShortMm` where nothing would be ground
 */
export function grindingWork(edge: SingleBevelEdge, input: GrindingWorkInput): GrindingWork {
  const { landMm, nickMm, stopShortMm, wheelRadiusMm: radius } = input;
  const { primaryDeg, secondaryDeg, thicknessMm, widthMm } = edge;
  const gone = (land: number): { readonly recessionMm: number; readonly steelMm2: number } => {
    if (secondaryDeg === undefined) return { recessionMm: 0, steelMm2: 0 };
    const recessionMm = recessionForLand(primaryDeg, secondaryDeg, land);
    return { recessionMm, steelMm2: landGrowth({ primaryDeg, secondaryDeg, recessionMm }).steelMm2 };
  };
  const [now, left] = [gone(landMm), gone(stopShortMm)];
  const setBackMm = now.recessionMm + nickMm - left.recessionMm;
  insist(
    setBackMm > 1e-6,
    'grind.stopShortMm',
    secondaryDeg === undefined
      ? 'A single bevel without a nick is honed, not ground: leave the wheel out.'
      : 'The land is no wider than what grinding would leave: leave the wheel out, or stop nearer the edge.',
  );
  const flatMm2 = setBackMm * thicknessMm - (now.steelMm2 - left.steelMm2);
  const hollowMm2 = radius === undefined || edge.grind === 'hollow' ? 0 : hollowMm2Of(edge, radius);
  return {
    setBackMm,
    removeMm3: (flatMm2 + hollowMm2) * widthMm,
    landMm: secondaryDeg === undefined ? 0 : stopShortMm,
  };
}

/** The segment a wheel takes out of a flat bevel: all that honing to flat would save. */
function hollowMm2Of({ thicknessMm, primaryDeg }: SingleBevelEdge, radius: number): number {
  const wheel = { wheelRadiusMm: radius, thicknessMm, bevelDeg: primaryDeg };
  const { depthMm, faceMm } = hollowGrind(wheel);
  return honedHollow(wheel, (depthMm * faceMm) / thicknessMm).savedMm2;
}

/** A wheel of the bench as grinding takes it: as measured, else as such wheels usually are. */
export interface WheelAtWork extends GrindingHeat {
  readonly kind: WheelKind;
  readonly radiusMm: number;
  readonly widthMm?: number;
  /** Whether its radius was measured. */
  readonly measured: boolean;
}

/** @throws Refusal on `grind.wheelId` for what is no wheel */
export function wheelAtWork(wheel: Abrasive | undefined, pushN: number): WheelAtWork {
  insist(
    wheel !== undefined && isWheel(wheel),
    'grind.wheelId',
    'This wheel is not on the bench any more: choose another.',
  );
  const kind = wheel.kind as WheelKind;
  const measured = wheelRadiusMm(wheel);
  const radiusMm = measured ?? USUAL_RADIUS_MM[kind];
  return {
    kind,
    radiusMm,
    widthMm: wheel.wheel?.widthMm,
    measured: measured !== undefined,
    pushN,
    rimMs: rimSpeedMs(radiusMm, wheel.wheel?.rpm ?? USUAL_RPM[kind]),
  };
}

/** What a wheel's heat spreads over: its rim or the edge, whichever is less, as if the blade stood still. */
export const heatedWidthMm = (edgeMm: number, { widthMm = USUAL_RIM_MM }: WheelAtWork): number =>
  Math.min(edgeMm, widthMm);

/** Minutes of contact for so much steel. */
export const contactMin = (removeMm3: number, heat: GrindingHeat): number =>
  removeMm3 / wheelRemovalMm3PerS(heat) / 60;

/** How the contact falls into passes with a dip after each. */
export interface GrindingPasses {
  readonly passes: number;
  /** Each as long as the others, at most what the heat allows. */
  readonly passS: number;
  readonly minutes: number;
}

/** Turning round, looking and dipping take about this long beside the pass itself, s (estimate). */
const BETWEEN_S = 5;

/** @param longestS what the heat model allows a pass, s; absent where heat sets no limit */
export function grindingPasses(
  contactMinutes: number,
  longestS: number | undefined,
  dipS: number,
): GrindingPasses {
  const contactS = contactMinutes * 60;
  const passes = Math.max(1, Math.ceil(contactS / Math.min(longestS ?? Infinity, contactS) - 1e-9));
  return { passes, passS: contactS / passes, minutes: (contactS + passes * (dipS + BETWEEN_S)) / 60 };
}
