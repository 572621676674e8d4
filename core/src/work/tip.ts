import { cosDeg, sinDeg, tanDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';

/** A worn tip taken as a circle between two faces, and how far those were taken down, µm. */
interface TipInput {
  /** The tip's radius. */
  readonly tipUm: number;
  /** Down square to the left face, or the bevel; and to the right, or the back. */
  readonly leftUm: number;
  readonly rightUm: number;
  /** Between the two faces. */
  readonly includedDeg: number;
}

/**
 * The radius of the largest tip that faces taken down by hL and hR leave nothing of, µm: they meet within its
 * circle when a² + b² + 2ab·cos α ≤ ρ²·sin²α with a = ρ − hL, b = ρ − hR (each h counted up to ρ(1 + cos α)),
 * which solved for ρ is (hL + hR + √(2·hL·hR·(1 − cos α)))/(1 + cos α). Plane geometry.
 */
export function tipTakenUm({ leftUm, rightUm, includedDeg }: Omit<TipInput, 'tipUm'>): number {
  insist(includedDeg > 0 && includedDeg < 180, 'includedDeg', 'Choose an angle between 0° and 180°.');
  const cosine = cosDeg(includedDeg);
  return (leftUm + rightUm + Math.sqrt(2 * leftUm * rightUm * (1 - cosine))) / (1 + cosine);
}

/**
 * The tip's radius that is left, µm. In one face it is ρ − e·tan(α/2) once the edge went back e, in both alike
 * ρ − d/(1/sin(α/2) − 1); 0 where the tip is gone, so that a burr will stand.
 * @throws Refusal on `tipUm`, `includedDeg`
 * @example tipLeftUm({ tipUm: 5, leftUm: 3.7, rightUm: 3.7, includedDeg: 30 }) // 0: 14.32 µm along the middle
 */
export function tipLeftUm({ tipUm, ...down }: TipInput): number {
  insist(tipUm >= 0, 'tipUm', 'A tip’s radius is 0 µm or more.');
  const left = tipUm - tipTakenUm(down);
  return left > 1e-9 * tipUm ? left : 0;
}

/** How far the edge has to go back to leave a worn tip behind, mm: along the back, or along the middle where both sides are honed. */
export function recessionForTipMm(tipUm: number, includedDeg: number, sides: 1 | 2): number {
  insist(tipUm >= 0, 'tipRadiusUm', 'A tip’s radius is 0 µm or more.');
  insist(includedDeg > 0 && includedDeg < 180, 'includedDeg', 'Choose an angle between 0° and 180°.');
  return (tipUm / 1000) * (sides === 1 ? 1 / tanDeg(includedDeg / 2) : 1 / sinDeg(includedDeg / 2) - 1);
}
