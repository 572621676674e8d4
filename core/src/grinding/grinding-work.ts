import { isWheel, rimSpeedMs, USUAL_RPM, wheelRadiusMm, type WheelKind } from '../abrasive/wheel.js';
import type { Abrasive } from '../abrasive/abrasive.js';
import { insist } from '../base/refusal.js';
import { wheelRemovalMm3PerS, type GrindingHeat } from './wedge-heat.js';

/** How far from the edge grinding stops where a secondary follows: 0.5–1 mm (common practice, no source). */
export const STOP_SHORT_MM = 0.7;
/** Push against a wheel, N: a light hand (estimate). */
export const GRINDING_PUSH_N = 5;
/** A rim nobody measured (estimate). */
const USUAL_RIM_MM = 20;
/** Half across a wheel nobody measured: a small bench grinder's, and a wet one's (estimates). */
const USUAL_RADIUS_MM: Readonly<Record<WheelKind, number>> = { 'dry-wheel': 75, 'wet-wheel': 125 };

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
  const widthMm = wheel.wheel?.widthMm;
  return {
    kind,
    radiusMm,
    ...(widthMm !== undefined && { widthMm }),
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
