import { sinDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';
import { fingerPressure } from './finger-pressure.js';
import { dot, offMean } from './matrix.js';
import { shallow } from './rocker.js';
import { wholeCounts } from './whole-counts.js';

/** Places a finger presses at, from left to right, −1 to 1 across the width. */
export const PLACES = { 3: [-0.8, 0, 0.8], 5: [-0.8, -0.4, 0, 0.4, 0.8] } as const;
export type PlaceCount = keyof typeof PLACES;
export const PLACE_COUNTS = [3, 5] as const;

/** What the strokes work on. */
export interface PlacedWork {
  readonly widthMm: number;
  readonly positions: PlaceCount;
  /** The face that is honed, along itself. */
  readonly landMm: number;
  readonly secondaryDeg: number;
  readonly removalPerStrokeMm3: number;
}

export interface CamberStrokesInput extends PlacedWork {
  /** Sagitta wanted over the width, from a straight edge. */
  readonly camberMm: number;
}

interface ProfilePoint {
  /** From the middle, −w/2 to w/2. */
  readonly atMm: number;
  readonly removedMm: number;
}

interface PlacedStrokes {
  /** Strokes at each place, left to right. */
  readonly strokes: readonly number[];
  readonly profile: readonly ProfilePoint[];
  /** Root of the mean square off the wanted curve, both free to lie anywhere along the blade. */
  readonly deviationMm: number;
  /** The furthest off it anywhere. */
  readonly furthestMm: number;
  /** Steel lost in the middle, which no curve needed. */
  readonly middleLossMm: number;
}

export interface CamberStrokes extends PlacedStrokes {
  /** The plan nearest to the curve, whatever it costs in the middle: what the chosen one was traded for. */
  readonly nearest: PlacedStrokes;
}

/** Points across the width a curve is judged at. */
const CURVE_POINTS = 101;
const US = Array.from({ length: CURVE_POINTS }, (_, i) => (2 * i) / (CURVE_POINTS - 1) - 1);

/** Recession, mm, of one stroke per unit of pressure: removal·2/(width·land·sin θ2). */
const perPressureMm = ({ widthMm, landMm, secondaryDeg, removalPerStrokeMm3 }: PlacedWork): number =>
  (2 * removalPerStrokeMm3) / (widthMm * landMm * sinDeg(secondaryDeg));

/** Recession of one stroke at each place, at {@link CURVE_POINTS} across the width: on the left as on the right. */
function strokeShapes(work: PlacedWork, bowMm: number): readonly (readonly number[])[] {
  const per = perPressureMm(work);
  const places = PLACES[work.positions];
  const rightwards = places.slice((places.length - 1) / 2).map((e) => {
    const pressure = fingerPressure(e, bowMm);
    return US.map((u) => per * pressure(u));
  });
  const leftwards = rightwards.slice(1).map((shape) => [...shape].reverse());
  return [...leftwards.reverse(), ...rightwards];
}

/** How far strokes at each place set the edge back across its width, mm, at {@link CURVE_POINTS}. */
export const placedProfile = (work: PlacedWork, strokes: readonly number[], bowMm = 0): readonly number[] =>
  removedBy(strokeShapes(work, bowMm), strokes);

function removedBy(shapes: readonly (readonly number[])[], strokes: readonly number[]): readonly number[] {
  const removed = US.map(() => 0);
  shapes.forEach((shape, j) => {
    const count = strokes[j] ?? 0;
    if (count > 0)
      for (let i = 0; i < CURVE_POINTS; i++)
        removed[i] = (removed[i] as number) + (shape[i] as number) * count;
  });
  return removed;
}

/**
 * Whole strokes per place for a camber on a straight edge: of all plans of whole strokes, the same left and
 * right, those within a tenth of the smallest root mean square off the parabola, and of them the one that
 * loses least steel in the middle.
 * @throws Refusal on `camberMm` past a half circle
 */
export function camberStrokes(input: CamberStrokesInput): CamberStrokes {
  const { camberMm, widthMm } = input;
  shallow(camberMm, widthMm);
  return strokesTo(input, (u) => camberMm * u * u, 0);
}

/**
 * Whole strokes per place that set the edge back by `wanted` across the width, up to any even amount.
 * A wanted curve that is the same left and right gets a plan that is.
 * @param wanted mm to come off at −1..1; only its shape counts
 * @param bowMm how deeply the edge is curved as it is worked
 * @throws Refusal on `camberMm` when no strokes at these places come any nearer
 */
export function strokesTo(work: PlacedWork, wanted: (u: number) => number, bowMm: number): CamberStrokes {
  const shapes = strokeShapes(work, bowMm);
  const target = US.map(wanted);
  const even = US.every((u, i) => Math.abs((target[i] as number) - wanted(-u)) < 1e-9);
  const columns = even ? mirrored(shapes) : shapes;
  const { best, kindest } = wholeCounts(
    columns,
    target,
    (column) => column[(CURVE_POINTS - 1) / 2] as number,
  );
  const spread = (counts: readonly number[]): readonly number[] =>
    even ? [...counts, ...counts.slice(0, -1).reverse()] : counts;
  const plan = (counts: readonly number[]): PlacedStrokes =>
    against(shapes, work.widthMm, spread(counts), target);
  return { ...plan(kindest), nearest: plan(best) };
}

/** Left and right of a pair in one: outermost first, the middle last. */
function mirrored(shapes: readonly (readonly number[])[]): readonly (readonly number[])[] {
  const middle = (shapes.length - 1) / 2;
  return shapes
    .slice(0, middle + 1)
    .map((shape, j) =>
      j === middle ? shape : shape.map((value, i) => value + (shapes[shapes.length - 1 - j]?.[i] ?? 0)),
    );
}

/** What strokes come to against a wanted curve. */
export const judged = (
  work: PlacedWork,
  strokes: readonly number[],
  target: readonly number[],
  bowMm = 0,
): PlacedStrokes => against(strokeShapes(work, bowMm), work.widthMm, strokes, target);

function against(
  shapes: readonly (readonly number[])[],
  widthMm: number,
  strokes: readonly number[],
  target: readonly number[],
): PlacedStrokes {
  const removed = removedBy(shapes, strokes);
  const off = removed.map((mm, i) => mm - (target[i] as number));
  const mean = off.reduce((sum, mm) => sum + mm, 0) / off.length;
  return {
    strokes,
    profile: US.map((u, i) => ({ atMm: (u * widthMm) / 2, removedMm: removed[i] as number })),
    deviationMm: Math.sqrt(off.reduce((sum, mm) => sum + (mm - mean) ** 2, 0) / off.length),
    furthestMm: Math.max(...off.map((mm) => Math.abs(mm - mean))),
    middleLossMm: removed[(CURVE_POINTS - 1) / 2] as number,
  };
}

/** What a parabola is across the width, off its mean; a lean is {@link US}. */
const BOWED = offMean(US.map((u) => u * u));
const [BOWED_POWER, LEANT_POWER] = [dot(BOWED, BOWED), dot(US, US)];

/** The parabola nearest to a profile: sagitta, and how much further back the right corner is than the left, mm. */
export const parabolaOf = (
  removed: readonly number[],
): { readonly camberMm: number; readonly leanMm: number } => ({
  camberMm: dot(BOWED, removed) / BOWED_POWER,
  leanMm: (2 * dot(US, removed)) / LEANT_POWER,
});

/**
 * A number of strokes spread over the places so that the edge goes back as evenly as may be: what a finer
 * stone does along a curve that is to stay. Every place has one at least.
 * @param bowMm how deeply the edge is curved
 * @throws Refusal on `strokes` below the number of places
 */
export function spreadStrokes(work: PlacedWork, strokes: number, bowMm = 0): readonly number[] {
  const places = PLACES[work.positions].length;
  insist(strokes >= places, 'strokes', `Give each place a stroke: ${places} or more.`);
  const shapes = strokeShapes(work, bowMm);
  const counts = shapes.map(() => 1);
  // A pair at a time keeps both halves alike; a single one goes to the middle.
  const pairs = mirrored(shapes);
  const middle = pairs.length - 1;
  const bends = pairs.map((pair, j) => offMean(j === middle ? pair.map((mm) => 2 * mm) : pair));
  const gram = bends.map((a) => bends.map((b) => dot(a, b)));
  // How uneven the strokes so far and one pair more come out, over how uneven they were: 2·removed·pair + pair².
  const removed = offMean(removedBy(shapes, counts));
  const along = bends.map((pair) => dot(removed, pair));
  let left = strokes - places;
  for (; left > 1; left -= 2) {
    const more = along.map((by, j) => 2 * by + (gram[j]?.[j] as number));
    const best = more.indexOf(Math.min(...more));
    gram[best]?.forEach((by, j) => (along[j] = (along[j] as number) + by));
    counts[best] = (counts[best] as number) + 1;
    counts[places - 1 - best] = (counts[places - 1 - best] as number) + 1;
  }
  counts[middle] = (counts[middle] as number) + left;
  return counts;
}

/**
 * Recession of the very corner, mm, of one stroke pressed so far over it that only `reliefMm` beside it bear: the
 * kern rule's triangle, 3(1 − |e|) long, as long as the relief. How eased corners are made.
 * @throws Refusal on `reliefMm` past half the width
 */
export function cornerPerStrokeMm(work: PlacedWork, reliefMm: number): number {
  insist(
    reliefMm <= work.widthMm / 2,
    'reliefMm',
    `Corners eased over more than ${work.widthMm / 2} mm meet in the middle: that is an arc.`,
  );
  const e = 1 - (2 * reliefMm) / work.widthMm / 3;
  return perPressureMm(work) * fingerPressure(e)(1);
}
