import { toDeg } from '../measure/trig.js';
import { insist } from '../refusal.js';

export interface StropWrapInput {
  readonly forceN: number;
  /** Of the edge on the strop. */
  readonly widthMm: number;
  /** Along the stroke, from the edge. */
  readonly contactMm: number;
  readonly leatherMm: number;
  readonly modulusMPa: number;
}

/** What leather and suede give under an edge, MPa (estimates); wood and card do not. */
export const LEATHER_MPA = 30;
export const SUEDE_MPA = 10;

/**
 * How far a strop gives under an edge, and by how much it then wraps round the tip: δ = F·h/(w·b·E), wrap =
 * atan(δ/b). Lay the blade lower by that. An elastic layer pressed evenly (Hooke).
 * @throws Refusal on a length, push or modulus that is not above 0
 * @example stropWrap({ forceN: 22, widthMm: 20, contactMm: 1, leatherMm: 2, modulusMPa: 30 }) // 0.073333 mm, 4.194183°
 */
export function stropWrap(input: StropWrapInput): { readonly indentMm: number; readonly wrapDeg: number } {
  for (const [field, value] of Object.entries(input)) insist(value > 0, field, 'Give more than 0.');
  const { forceN, widthMm, contactMm, leatherMm, modulusMPa } = input;
  const indentMm = (forceN * leatherMm) / (widthMm * contactMm * modulusMPa);
  return { indentMm, wrapDeg: toDeg(Math.atan(indentMm / contactMm)) };
}
