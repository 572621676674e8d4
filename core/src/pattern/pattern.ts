import type { Point } from '../blade/section.js';
import { cosDeg, sinDeg } from '../base/trig.js';

/** What a line of a pattern is for: a laser or a saw follows `cut`, a knife scores `fold`. */
export const PATTERN_LAYERS = ['cut', 'fence', 'stop', 'face', 'fold', 'scribe'] as const;
export type PatternLayer = (typeof PATTERN_LAYERS)[number];

/** A line through points; curves are chords no further than {@link CHORD_MM} from the true arc. */
export interface PathMark {
  readonly kind: 'path';
  readonly layer: PatternLayer;
  readonly points: readonly Point[];
  readonly closed?: boolean;
  /** What it is, so that it can be found again in a file: `face C`. */
  readonly name?: string;
}

interface TextMark {
  readonly kind: 'text';
  readonly at: Point;
  readonly text: string;
  /** Height of the letters, mm. */
  readonly sizeMm: number;
  readonly align?: 'start' | 'middle';
  /** Turned to the left, degrees. */
  readonly turnDeg?: number;
}

export type Mark = PathMark | TextMark;

/** A straight-sided piece of a solid: an outline between two heights above the bench, mm. */
export interface SolidPart {
  readonly outline: readonly Point[];
  readonly fromMm: number;
  readonly toMm: number;
}

/** Letters standing up on a solid, so that a print in plastic can be read. */
export interface SolidText {
  readonly text: string;
  /** Their middle. */
  readonly at: Point;
  readonly sizeMm: number;
  readonly turnDeg?: number;
  /** Height of the face they stand on, mm. */
  readonly onMm: number;
}

/** How far they stand up. */
export const LETTERS_RISE_MM = 0.6;

/** A drawing at true size, in mm, y upwards; made of wood, plastic or paper. */
export interface Pattern {
  readonly title: string;
  readonly marks: readonly Mark[];
  /** What stands beside it on paper, a sentence a line. */
  readonly notes: readonly string[];
  /** The same as solids to print in plastic; their union, and the letters on them. */
  readonly solids: readonly SolidPart[];
  readonly letters: readonly SolidText[];
}

/** How figures are written on a pattern. */
export interface PatternHand {
  length(mm: number): string;
  /** A length that is set: always to the hundredth of a millimetre. */
  setting(mm: number): string;
  angle(deg: number): string;
}

export interface Extent {
  readonly left: number;
  readonly bottom: number;
  readonly right: number;
  readonly top: number;
}

/** A letter's breadth of its height, for the room a line of text needs; an estimate for a plain face. */
const LETTER = 0.6;
const CHORD_MM = 0.005;

/** Everything a pattern's marks cover, its texts about as long as they will be. */
export function extentOf({ marks }: Pick<Pattern, 'marks'>): Extent {
  const points = marks.flatMap((mark) => (mark.kind === 'path' ? mark.points : textCorners(mark)));
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return { left: Math.min(...xs), bottom: Math.min(...ys), right: Math.max(...xs), top: Math.max(...ys) };
}

/** How long a text is about, mm. */
const textLengthMm = ({ text, sizeMm }: Pick<TextMark, 'text' | 'sizeMm'>): number =>
  Array.from(text).length * sizeMm * LETTER;

function textCorners(mark: TextMark): readonly Point[] {
  const { at, sizeMm, align = 'start', turnDeg = 0 } = mark;
  const long = textLengthMm(mark);
  const from = align === 'middle' ? -long / 2 : 0;
  const [cos, sin] = [cosDeg(turnDeg), sinDeg(turnDeg)];
  return [
    [from, -0.25 * sizeMm],
    [from + long, sizeMm],
  ].map(([u = 0, v = 0]) => ({
    x: at.x + u * cos - v * sin,
    y: at.y + u * sin + v * cos,
  }));
}

/** A closed path round four corners. */
export const box = (left: number, bottom: number, right: number, top: number): readonly Point[] => [
  { x: left, y: bottom },
  { x: right, y: bottom },
  { x: right, y: top },
  { x: left, y: top },
];

/** An arc as chords, both ends included; `toDeg` below `fromDeg` runs clockwise. */
export function arcPoints(centre: Point, radiusMm: number, fromDeg: number, toDeg: number): readonly Point[] {
  const sweep = Math.abs(toDeg - fromDeg);
  const stepDeg = (Math.acos(Math.max(-1, 1 - CHORD_MM / radiusMm)) * 360) / Math.PI;
  const parts = Math.max(2, Math.ceil(sweep / stepDeg));
  return Array.from({ length: parts + 1 }, (_, i) => {
    const at = fromDeg + ((toDeg - fromDeg) * i) / parts;
    return { x: centre.x + radiusMm * cosDeg(at), y: centre.y + radiusMm * sinDeg(at) };
  });
}
