import { sinDeg, toDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';

export interface HollowGrindInput {
  readonly wheelRadiusMm: number;
  readonly thicknessMm: number;
  /** Of the chord across the hollow. */
  readonly bevelDeg: number;
}

interface HollowGrind {
  /** Length of the bevel from edge to heel, straight across the hollow: t/sin β. */
  readonly faceMm: number;
  /** Depth of the hollow at its middle: the sagitta. */
  readonly depthMm: number;
  /** The angle at the very edge: β − asin(face/2R). */
  readonly edgeDeg: number;
}

/**
 * The hollow a wheel leaves in a bevel. Plane geometry. R 75, t 4, 25° → face 9.465, depth 0.1495,
 * edge 21.382°.
 * @throws Refusal on `wheelRadiusMm` when the wheel is too small to leave an edge.
 */
export function hollowGrind({ wheelRadiusMm, thicknessMm, bevelDeg }: HollowGrindInput): HollowGrind {
  insist(wheelRadiusMm > 0, 'wheelRadiusMm', 'A wheel has some radius: give more than 0 mm.');
  insist(thicknessMm > 0, 'thicknessMm', 'A blade has some thickness: give more than 0 mm.');
  insist(bevelDeg > 0 && bevelDeg < 90, 'bevelDeg', 'Choose a bevel above 0° and below 90°.');
  const faceMm = thicknessMm / sinDeg(bevelDeg);
  const turn = chordTurnDeg(faceMm, wheelRadiusMm);
  insist(
    turn < bevelDeg,
    'wheelRadiusMm',
    `A wheel of ${wheelRadiusMm} mm radius hollows a ${faceMm.toFixed(1)} mm face past its own edge: take a larger wheel, or grind steeper.`,
  );
  const depthMm = wheelRadiusMm - Math.sqrt(wheelRadiusMm ** 2 - (faceMm / 2) ** 2);
  return { faceMm, depthMm, edgeDeg: bevelDeg - turn };
}

/** How far a circle's tangent at one end of a chord turns from the chord, degrees; none past its diameter. */
export const chordTurnDeg = (chordMm: number, radiusMm: number): number =>
  chordMm < 2 * radiusMm ? toDeg(Math.asin(chordMm / 2 / radiusMm)) : Infinity;

/** A hollow bevel after some honing on its two rims. Lengths mm, areas mm². */
interface HonedHollow {
  /** Steel given up, against the blade as the wheel left it. */
  readonly steelMm2: number;
  /** What the same recession costs on a flat bevel, e·t, less that. */
  readonly savedMm2: number;
  /** Width of each rim the stone touches; half the face once the hollow is gone. */
  readonly rimMm: number;
  /** Depth of hollow left. */
  readonly depthMm: number;
}

/**
 * A hollow grind honed flat on its two rims until the edge has gone back by a recession e along the
 * back: d = e·sin β comes off square to the face, so A = e·t − [S(s) − S(s − d)] while d < s and
 * e·t − S(s) after, with S the area of the circular segment of that sagitta.
 */
export function honedHollow(input: HollowGrindInput, recessionMm: number): HonedHollow {
  insist(recessionMm >= 0, 'recessionMm', 'An edge only recedes: give 0 mm or more.');
  const { faceMm, depthMm: whole } = hollowGrind(input);
  const depthMm = Math.max(0, whole - recessionMm * sinDeg(input.bevelDeg));
  const segment = (sagitta: number): number => segmentMm2(input.wheelRadiusMm, sagitta);
  const savedMm2 = segment(whole) - segment(depthMm);
  const open = 2 * Math.sqrt(Math.max(0, (2 * input.wheelRadiusMm - depthMm) * depthMm));
  return {
    steelMm2: recessionMm * input.thicknessMm - savedMm2,
    savedMm2,
    rimMm: (faceMm - open) / 2,
    depthMm,
  };
}

/** How many honings, each taking the edge back by as much, leave no hollow. */
export function honingsUntilFlat(input: HollowGrindInput, recessionPerHoningMm: number): number {
  insist(recessionPerHoningMm > 0, 'recessionPerHoningMm', 'A honing takes the edge back by something.');
  return Math.ceil(hollowGrind(input).depthMm / sinDeg(input.bevelDeg) / recessionPerHoningMm - 1e-9);
}

/** Area of the circular segment of a sagitta on a radius, mm². */
export function segmentMm2(radius: number, sagitta: number): number {
  const half = Math.acos(1 - sagitta / radius);
  return radius * radius * (half - Math.sin(half) * Math.cos(half));
}
