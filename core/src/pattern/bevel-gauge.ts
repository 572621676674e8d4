import { cosDeg, sinDeg, tanDeg } from '../base/trig.js';
import { Refusal, insist } from '../base/refusal.js';
import { arcPoints, type Mark, type Pattern, type PatternHand } from './pattern.js';
import type { Point } from '../blade/section.js';

interface BevelGaugeInput {
  /** Included angles, one notch each. */
  readonly anglesDeg: readonly number[];
  /** Depth of a notch, which is about the length of bevel it can judge. */
  readonly notchMm: number;
  readonly thicknessMm: number;
}

/** Between two notches at the rim, below the deepest, and the hole a notch ends in so that no tip stands on it. */
const GAP_MM = 8;
const FOOT_MM = 16;
const RELIEF_MM = 0.8;
export const MOST_NOTCHES = 40;

/**
 * A gauge with a notch for each angle, to hold a bevel into: where light shows, the angle is off.
 * @throws Refusal on `anglesDeg.<n>` outside 5°..120°
 */
export function bevelGauge(input: BevelGaugeInput, hand: PatternHand): Pattern {
  const { anglesDeg, notchMm, thicknessMm } = input;
  insist(anglesDeg.length > 0, 'anglesDeg', 'A gauge has at least one notch: give an angle.');
  insist(
    anglesDeg.length <= MOST_NOTCHES,
    'anglesDeg',
    `A gauge has at most ${MOST_NOTCHES} notches: leave some out.`,
  );
  const height = notchMm + FOOT_MM;
  let x = GAP_MM;
  const notches = anglesDeg.map((angleDeg, i) => {
    if (!(angleDeg >= 5 && angleDeg <= 120)) {
      throw new Refusal(`anglesDeg.${i}`, 'A notch opens by 5° to 120°: choose an angle in between.');
    }
    const half = notchMm * tanDeg(angleDeg / 2);
    const middle = x + half;
    x += 2 * half + GAP_MM;
    return { angleDeg, middle, points: notch(middle, height, notchMm, angleDeg) };
  });
  const top = notches.flatMap(({ points }) => points);
  const outline: readonly Point[] = [
    { x: 0, y: 0 },
    { x, y: 0 },
    { x, y: height },
    ...[...top].reverse(),
    { x: 0, y: height },
  ];
  const title = `Bevel gauge ${anglesDeg.map((deg) => hand.angle(deg)).join(', ')}`;
  return {
    title,
    marks: [
      { kind: 'path', layer: 'cut', name: 'gauge', closed: true, points: outline },
      ...notches.map(({ angleDeg, middle }): Mark => ({
        kind: 'text',
        text: hand.angle(angleDeg),
        sizeMm: 4,
        align: 'middle',
        at: { x: middle, y: 3 },
      })),
    ],
    notes: [
      'Hold the edge into its notch against the light: light at the tip, too blunt a notch; at the mouth, too acute.',
    ],
    solids: [{ outline, fromMm: 0, toMm: thicknessMm }],
    letters: notches.map(({ angleDeg, middle }) => ({
      text: String(Number(angleDeg.toFixed(2))),
      at: { x: middle, y: 6 },
      sizeMm: 3.2,
      onMm: thicknessMm,
    })),
  };
}

/** From the rim down one flank, round the relief, and up the other, left to right. */
function notch(middle: number, height: number, depth: number, angleDeg: number): readonly Point[] {
  const half = angleDeg / 2;
  const apex = { x: middle, y: height - depth };
  // The relief is a circle about the apex; the flanks meet it where they run into it.
  const meet = (side: number): Point => ({
    x: apex.x + side * RELIEF_MM * sinDeg(half),
    y: apex.y + RELIEF_MM * cosDeg(half),
  });
  const rim = depth * tanDeg(half);
  return [
    { x: middle - rim, y: height },
    meet(-1),
    ...arcPoints(apex, RELIEF_MM, 90 + half, 450 - half).slice(1, -1),
    meet(1),
    { x: middle + rim, y: height },
  ];
}
