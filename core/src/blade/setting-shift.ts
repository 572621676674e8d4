import { cosDeg, sinDeg, tanDeg } from '../base/trig.js';
import type { Point } from './section.js';
import { edgeKeep } from './edge-keep.js';
import { landGrowth, recessionForLand, widestLandMm } from './land-growth.js';

interface SettingShiftInput {
  readonly primaryDeg: number;
  readonly thicknessMm: number;
  readonly widthMm: number;
  /** The land as it stands, honed at `lastDeg`. */
  readonly landMm: number;
  readonly lastDeg: number;
  readonly nextDeg: number;
  /** What the next honing has to take off along the back, mm. */
  readonly recessionMm: number;
}

export interface SettingShift {
  readonly kind: 'same' | 'steeper' | 'shallower';
  readonly byDeg: number;
  /** Less steep: steel, mm³, to come off before the stone touches the very edge. Else 0. */
  readonly beforeEdgeMm3: number;
  /** Steeper: steel, mm³, put off until the old angle is wanted again. Else 0. */
  readonly putOffMm3: number;
  /** Of the old edge's useful wear. */
  readonly keepRatio: number;
}

/** Settings closer than this are the same for all a bench can tell (estimate). */
export const SAME_SETTING_DEG = 0.25;

/**
 * What it costs to hone at another setting than the last. Less steep, the stone rides the heel of the
 * land and has to take off everything outside the new face before it reaches the edge: the polygon
 * between the two. Steeper, it touches only the very edge, and what it leaves of the land's own share
 * (`land-growth`) comes due when the old angle is wanted again.
 */
export function settingShift(input: SettingShiftInput): SettingShift {
  const { primaryDeg, lastDeg, nextDeg, widthMm } = input;
  const byDeg = nextDeg - lastDeg;
  const keepRatio = edgeKeep({ angleDeg: nextDeg, referenceDeg: lastDeg }).ratio;
  const nothing = { byDeg, keepRatio, beforeEdgeMm3: 0, putOffMm3: 0 };
  if (Math.abs(byDeg) < SAME_SETTING_DEG || lastDeg <= primaryDeg) return { ...nothing, kind: 'same' };
  return byDeg < 0
    ? { ...nothing, kind: 'shallower', beforeEdgeMm3: overhangMm2(input) * widthMm }
    : { ...nothing, kind: 'steeper', putOffMm3: Math.max(0, putOffMm2(input)) * widthMm };
}

function overhangMm2({ primaryDeg, thicknessMm, landMm, lastDeg, nextDeg }: SettingShiftInput): number {
  const land = Math.min(landMm, widestLandMm(thicknessMm, lastDeg));
  const heel = { x: land * cosDeg(lastDeg), y: land * sinDeg(lastDeg) };
  // On the old profile at height y, and on the new face there.
  const top = { x: heel.x + (thicknessMm - heel.y) / tanDeg(primaryDeg), y: thicknessMm };
  const edge = { x: 0, y: 0 };
  if (nextDeg <= primaryDeg) {
    return area([edge, heel, top, { x: thicknessMm / tanDeg(nextDeg), y: thicknessMm }]);
  }
  // Where the new face meets the primary: y/tan θ = heel.x + (y − heel.y)/tan θ1.
  const [next, primary] = [1 / tanDeg(nextDeg), 1 / tanDeg(primaryDeg)];
  const y = Math.min(thicknessMm, (heel.x - heel.y * primary) / (next - primary));
  return area(
    y >= thicknessMm
      ? [edge, heel, top, { x: thicknessMm * next, y: thicknessMm }]
      : [edge, heel, { x: y * next, y }],
  );
}

function putOffMm2({
  primaryDeg,
  thicknessMm,
  landMm,
  lastDeg,
  nextDeg,
  recessionMm,
}: SettingShiftInput): number {
  const fromMm = recessionForLand(primaryDeg, lastDeg, Math.min(landMm, widestLandMm(thicknessMm, lastDeg)));
  const old = (mm: number): number =>
    landGrowth({ primaryDeg, secondaryDeg: lastDeg, recessionMm: mm, thicknessMm }).steelMm2;
  const ridge = landGrowth({ primaryDeg: lastDeg, secondaryDeg: nextDeg, recessionMm, thicknessMm }).steelMm2;
  return old(fromMm + recessionMm) - old(fromMm) - ridge;
}

/** Shoelace. */
function area(points: readonly Point[]): number {
  const twice = points.reduce((sum, { x, y }, i) => {
    const next = points[(i + 1) % points.length] as Point;
    return sum + x * next.y - next.x * y;
  }, 0);
  return Math.abs(twice) / 2;
}
