import { Refusal, attempt, insist } from '../base/refusal.js';
import { cosDeg, sinDeg, tanDeg } from '../base/trig.js';
import type { Grind } from './edge.js';
import { chordTurnDeg, hollowGrind } from './hollow-grind.js';
import { ASSUMED, type Point } from './section.js';

/** Pieces an arc is drawn in. */
const ARC_POINTS = 48;

/**
 * x of a ground face at a height above where it begins, 0..`rise`: straight, or on the circle of the
 * wheel that hollowed it (of the rounding, for a convex one) through both ends of its chord.
 */
export function bevelArc(
  { grind, grindRadiusMm }: { readonly grind: Grind; readonly grindRadiusMm?: number },
  rise: number,
  deg: number,
  angleField: string,
): (height: number) => number {
  if (grind === 'flat') return (height) => height / tanDeg(deg);
  const hollow = grind === 'hollow';
  const radius = grindRadiusMm ?? (hollow ? ASSUMED.hollowRadiusMm : ASSUMED.convexRadiusMm);
  const field = grindRadiusMm === undefined ? angleField : 'grindRadiusMm';
  const ground = hollow
    ? attempt(() => hollowGrind({ wheelRadiusMm: radius, thicknessMm: rise, bevelDeg: deg }))
    : undefined;
  if (ground instanceof Refusal) throw new Refusal(field, ground.message);
  const face = rise / sinDeg(deg);
  const turn = chordTurnDeg(face, radius);
  insist(
    hollow || (turn < deg && deg + turn < 90),
    field,
    `A rounding of ${radius} mm radius bends a ${face.toFixed(1)} mm face further than the blade allows: take a larger radius.`,
  );
  const off = Math.sqrt(radius * radius - (face * face) / 4);
  const sign = hollow ? 1 : -1;
  const centre = {
    x: (face / 2) * cosDeg(deg) - sign * off * sinDeg(deg),
    y: (face / 2) * sinDeg(deg) + sign * off * cosDeg(deg),
  };
  return (height) => centre.x + sign * Math.sqrt(Math.max(0, radius * radius - (height - centre.y) ** 2));
}

/** Heights at which a face so ground is drawn, from one to another: both ends where it is straight. */
export function steps(from: number, to: number, grind: Grind): readonly number[] {
  const pieces = grind === 'flat' ? 1 : ARC_POINTS;
  return Array.from({ length: pieces + 1 }, (_, i) => from + ((to - from) * i) / pieces);
}

/** From the first point to the last, mm. */
export function chord(points: readonly Point[]): number {
  const [from, to] = [points[0] as Point, points.at(-1) as Point];
  return Math.hypot(to.x - from.x, to.y - from.y);
}
