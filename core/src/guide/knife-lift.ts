import { insist } from '../base/refusal.js';
import { cosDeg, sinDeg, toDeg } from '../base/trig.js';

export interface KnifeBlade {
  /** Edge to spine, along the blade's centre plane. */
  readonly widthMm: number;
  readonly spineThicknessMm?: number;
}

export interface KnifeLiftInput extends KnifeBlade {
  /** Per side, from the blade's centre plane. */
  readonly bevelDeg: number;
}

/**
 * How high the spine's lower corner stands above the stone, for a blade that tapers straight from
 * spine to edge: w·sin β − (s/2)·cos β. Plane geometry. 22 mm at 15° → 5.694 (spine 0), 4.245 (spine 3).
 * @throws Refusal on `bevelDeg` when the blade already lies on its own face at that angle.
 */
export function knifeLift(input: KnifeLiftInput): { readonly liftMm: number } {
  const { widthMm, spineThicknessMm = 0, bevelDeg } = input;
  const liftMm = widthMm * sinDeg(bevelDeg) - (spineThicknessMm / 2) * cosDeg(bevelDeg);
  insist(liftMm > 0, 'bevelDeg', () => {
    const flat = lyingDeg({ widthMm, spineThicknessMm }).toFixed(1);
    return `Lying on its own face this blade already stands at ${flat}° to the stone: choose a steeper bevel.`;
  });
  return { liftMm };
}

/** The bevel per side, in degrees, that a lift of the spine gives: {@link knifeLift} solved for β. */
export function liftAngle(blade: KnifeBlade, liftMm: number): { readonly bevelDeg: number } {
  const { widthMm, spineThicknessMm = 0 } = blade;
  const reach = Math.hypot(widthMm, spineThicknessMm / 2);
  insist(
    liftMm > 0 && liftMm < reach,
    'liftMm',
    'The spine cannot stand higher than the blade is wide: give a smaller lift.',
  );
  return { bevelDeg: lyingDeg(blade) + toDeg(Math.asin(liftMm / reach)) };
}

/** The angle of the blade's own taper: where it lies when put down flat. */
const lyingDeg = ({ widthMm, spineThicknessMm = 0 }: KnifeBlade): number =>
  toDeg(Math.atan(spineThicknessMm / 2 / widthMm));
