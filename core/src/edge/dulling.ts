import { insist } from '../refusal.js';

/** How dull an edge is, as people say it. */
export const CONDITIONS = ['fading', 'dull', 'very-dull', 'nicked'] as const;
export type ConditionKind = (typeof CONDITIONS)[number];

export interface Condition {
  readonly kind: ConditionKind;
  /** Depth of the deepest nick, along the blade; only with `nicked`. */
  readonly nickMm?: number;
  /** The tip's radius if the user knows better than the word. */
  readonly tipRadiusUm?: number;
}

/**
 * Tip radius in µm behind each word. Estimates (common practice puts a touch-up at 2–5 µm; the
 * rest is ours), good to perhaps a factor of two, replaced by the user's own figure where given.
 */
export const TIP_RADIUS_UM: Readonly<Record<ConditionKind, number>> = {
  fading: 2,
  dull: 4,
  'very-dull': 10,
  nicked: 4,
};

/**
 * How far the edge must recede along the back to leave a rounded tip behind, honing only the bevel
 * against a sound back: e = ρ·cot(α/2), in mm, for a tip radius in µm and an included angle.
 * 30°, 5 µm → 0.0187 mm.
 */
export function dullRecessionMm(tipRadiusUm: number, includedDeg: number): number {
  insist(tipRadiusUm >= 0, 'tipRadiusUm', 'A tip’s radius is 0 µm or more.');
  insist(includedDeg > 0 && includedDeg < 180, 'includedDeg', 'Choose an angle between 0° and 180°.');
  return tipRadiusUm / 1000 / Math.tan((includedDeg * Math.PI) / 360);
}

/** Recession in mm that clears a condition: the worn tip, and the whole depth of a nick. */
export function conditionRecessionMm(condition: Condition, includedDeg: number): number {
  const tip = dullRecessionMm(condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind], includedDeg);
  return tip + (condition.kind === 'nicked' ? (condition.nickMm ?? 0) : 0);
}
