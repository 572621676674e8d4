import { parabolaOf, placedProfile, type PlacedWork } from '../camber/camber-strokes.js';
import type { CamberRead } from '../camber/camber-read.js';
import { CALIPER_DIVISION_MM, profileReading } from '../camber/profile-reading.js';
import { camberReading } from '../camber/camber-reading.js';
import { sinDeg } from '../base/trig.js';
import { simulatedReadings } from './caliper.js';

/** A made-up iron as it really is. */
export interface TrueCurve {
  readonly camberMm: number;
  readonly leanMm: number;
}

/** The iron after strokes by place that cut `rate` times as fast as reckoned. */
export function curveHoned(
  curve: TrueCurve,
  work: PlacedWork,
  places: readonly number[],
  rate: number,
): TrueCurve {
  const really = { ...work, removalPerStrokeMm3: rate * work.removalPerStrokeMm3 };
  const change = parabolaOf(placedProfile(really, places, curve.camberMm));
  return { camberMm: curve.camberMm + change.camberMm, leanMm: curve.leanMm + change.leanMm };
}

/** The iron as the caliper reads it at nine places. */
export function calipered(curve: TrueCurve, widthMm: number, random: () => number): CamberRead {
  const points = simulatedReadings({ widthMm, ...curve }, 9, random);
  const { camber, lean } = profileReading({ widthMm, points, divisionMm: CALIPER_DIVISION_MM });
  return { by: 'caliper', camberMm: camber.mm, pmMm: camber.pmMm, leanMm: lean.mm };
}

/** How a shaving’s thickness is taken: to a division, and how far a curled shaving misleads (standard deviation), mm. */
interface Gauge {
  readonly divisionMm: number;
  readonly heldSdMm: number;
}
const MICROMETER: Gauge = { divisionMm: 0.005, heldSdMm: 0 };
export const CALIPER: Gauge = { divisionMm: CALIPER_DIVISION_MM, heldSdMm: 0.004 };

/** The iron as one shaving reads it: its thickness by a gauge, its width to the half millimetre. */
export function shaved(
  curve: TrueCurve,
  { widthMm, bedDeg }: { readonly widthMm: number; readonly bedDeg: number },
  shavingMm: number,
  random: () => number,
  { divisionMm, heldSdMm } = MICROMETER,
): CamberRead {
  const noise = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const thickMm = Math.max(0.02, shavingMm + 0.004 * noise());
  const trueWidth = widthMm * Math.sqrt(thickMm / sinDeg(bedDeg) / Math.max(curve.camberMm, 1e-4));
  const seenMm = Math.round(2 * Math.min(widthMm, trueWidth + 0.4 * noise())) / 2;
  const heldMm = thickMm + (heldSdMm > 0 ? heldSdMm * noise() : 0);
  const seen = Math.max(1, Math.round(heldMm / divisionMm)) * divisionMm;
  const read = camberReading({
    widthMm,
    bedDeg,
    shavingMm: seen,
    shavingWidthMm: Math.min(widthMm, seenMm),
    shavingPmMm: 0.01,
    shavingWidthPmMm: 1,
  });
  return { by: 'shaving', camberMm: read.camberMm, pmMm: read.pmMm, ...(read.bound && { atMost: true }) };
}
