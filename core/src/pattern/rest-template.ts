import type { Point } from '../blade/section.js';
import { hollowGrind } from '../blade/hollow-grind.js';
import { cosDeg, sinDeg, tanDeg, toDeg } from '../base/trig.js';
import { arcPoints, type Pattern, type PatternHand } from './pattern.js';

interface RestTemplateInput {
  readonly wheelRadiusMm: number;
  /** The blade that is to be ground. */
  readonly thicknessMm: number;
  /** The bevel wanted: the chord across the hollow. */
  readonly bevelDeg: number;
  /** Of the template itself. */
  readonly plateMm: number;
}

/** How much of the template lies on the rest, and how high it stands. */
const BASE_MM = 60;
const HEIGHT_MM = 24;
/** The wheel is followed until its rim is this near to level with the rest. */
const LEVEL_DEG = 6;

/**
 * Where the wheel's centre lies from a blade on its rest: the blade's lower face along y = 0, its edge
 * at (0, t), its heel behind; the chord from heel to edge at the bevel.
 */
export function wheelCentre({
  wheelRadiusMm,
  thicknessMm,
  bevelDeg,
}: Omit<RestTemplateInput, 'plateMm'>): Point {
  const { faceMm } = hollowGrind({ wheelRadiusMm, thicknessMm, bevelDeg });
  const off = Math.sqrt(wheelRadiusMm ** 2 - (faceMm / 2) ** 2);
  return {
    x: -thicknessMm / 2 / tanDeg(bevelDeg) + off * sinDeg(bevelDeg),
    y: thicknessMm / 2 - off * cosDeg(bevelDeg),
  };
}

/**
 * A template to set a tool rest by: it lies on the rest like the blade, and its hollow end beds on the
 * wheel when the rest is right. Plane geometry.
 * @throws Refusal on `wheelRadiusMm` when the wheel is too small to leave an edge
 */
export function restTemplate(input: RestTemplateInput, hand: PatternHand): Pattern {
  const { wheelRadiusMm, bevelDeg, plateMm, thicknessMm } = input;
  const centre = wheelCentre(input);
  // The left end of the rim where it crosses the rest, up to where it is nearly level.
  const fromDeg = 180 - toDeg(Math.asin(-centre.y / wheelRadiusMm));
  const toTop = 90 + LEVEL_DEG;
  const heightMm = Math.max(HEIGHT_MM, centre.y + wheelRadiusMm + 8);
  const arc = arcPoints(centre, wheelRadiusMm, fromDeg, toTop);
  const [heel, top] = [arc[0] as Point, arc.at(-1) as Point];
  const outline: readonly Point[] = [
    { x: heel.x - BASE_MM, y: 0 },
    ...arc,
    { x: top.x, y: heightMm },
    { x: heel.x - BASE_MM, y: heightMm },
  ];
  const title = `Rest template ${hand.angle(bevelDeg)}, wheel ${hand.length(2 * wheelRadiusMm)} across, blade ${hand.length(thicknessMm)}`;
  return {
    title,
    marks: [
      { kind: 'path', layer: 'cut', name: 'template', closed: true, points: outline },
      {
        kind: 'text',
        text: hand.angle(bevelDeg),
        sizeMm: 7,
        at: { x: heel.x - BASE_MM + 4, y: heightMm - 10 },
      },
      {
        kind: 'text',
        text: `wheel ${hand.length(2 * wheelRadiusMm)}`,
        sizeMm: 3,
        at: { x: heel.x - BASE_MM + 4, y: 3 },
      },
    ],
    notes: [
      'Wheel stopped: lay it on the rest, tilt the rest until the hollow end beds on the wheel all along, and lock it.',
      'Measure the wheel again now and then: it shrinks, and the template with it.',
    ],
    solids: [{ outline, fromMm: 0, toMm: plateMm }],
    letters: [
      {
        text: String(Number(bevelDeg.toFixed(2))),
        at: { x: heel.x - BASE_MM / 2, y: heightMm / 2 },
        sizeMm: 8,
        onMm: plateMm,
      },
    ],
  };
}
