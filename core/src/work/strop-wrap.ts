import type { StropFace } from '../abrasive/abrasive.js';
import { toDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';

interface StropWrapInput {
  readonly forceN: number;
  /** Of the edge on the strop. */
  readonly widthMm: number;
  /** Along the stroke, from the edge. */
  readonly contactMm: number;
  readonly leatherMm: number;
  readonly modulusMPa: number;
}

/** How stiff a strop’s face is under an edge, MPa (estimates); wood and card do not give. */
const FACE_MPA: Readonly<Partial<Record<StropFace['face'], number>>> = {
  'smooth-leather': 30,
  'rough-leather': 10,
  felt: 10,
};
/** Leather nobody measured, how much of a bevel lies on it, and the push that tidies an honed edge (estimates). */
const USUAL_LEATHER_MM = 2;
const USUAL_CONTACT_MM = 1;
const STROP_TIDY_N = 5;

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

/**
 * How much lower than its bevel an edge is laid on a strop so that the tip is not rounded, degrees; none where
 * the strop does not give, or so little that no hand would notice.
 */
export function layLowerDeg(face: StropFace | undefined, edgeMm: number): number | undefined {
  const modulusMPa = face && FACE_MPA[face.face];
  if (!modulusMPa) return undefined;
  const { wrapDeg } = stropWrap({
    forceN: STROP_TIDY_N,
    widthMm: edgeMm,
    contactMm: USUAL_CONTACT_MM,
    leatherMm: face.thicknessMm ?? USUAL_LEATHER_MM,
    modulusMPa,
  });
  return wrapDeg < 0.5 ? undefined : wrapDeg;
}
