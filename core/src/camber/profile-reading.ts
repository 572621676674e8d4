import { insist } from '../base/refusal.js';
import { student975 } from '../base/student.js';
import { inverted } from './matrix.js';

/** One reading across the edge. */
export interface EdgePoint {
  /** From the left corner, mm. */
  readonly atMm: number;
  /** How far the edge stands out there, mm, from anything that stays put: more is further out. */
  readonly outMm: number;
}

interface ProfileReadingInput {
  readonly widthMm: number;
  readonly points: readonly EdgePoint[];
  /** The caliper's division, mm. */
  readonly divisionMm?: number;
}

/** A figure and how far it may be off to either side (95 %). */
export interface Measured {
  readonly mm: number;
  readonly pmMm: number;
}

export interface ProfileReading {
  /** Sagitta over the whole width; below 0 the edge is hollow. */
  readonly camber: Measured;
  /** Radius of the fitted circle; absent where it cannot be told from straight. */
  readonly radiusMm?: number;
  /** How much further back the right corner stands than the left: out of square. */
  readonly lean: Measured;
  /** How much more one half is curved than the other, at its largest; needs five readings. */
  readonly lopsided?: Measured;
  /** The camber is more than its uncertainty. */
  readonly told: boolean;
  readonly residualsMm: readonly number[];
  readonly rmsMm: number;
}

/** A digital caliper's division, mm. */
export const CALIPER_DIVISION_MM = 0.01;
/** How well a caliper's jaw finds an edge, in divisions (estimate). */
const JAW_DIVISIONS = 1;
/** What the division is worth in readings beside the scatter (estimate, as with guides). */
const DIVISION_WORTH = 6;
const CONTRADICTED_MM = 0.2;

/**
 * The curve of an edge from readings across it: a circle through them by least squares (Gauss and Newton, from
 * the parabola), tilted as far as the edge is out of square, so that tilt, curve and lopsidedness (a cubic
 * in what the circle leaves) are told apart. The ± of each is Student's 97.5 % point times its standard
 * deviation, with the jaw's own uncertainty pooled in as if it were worth {@link DIVISION_WORTH} readings.
 * @throws Refusal on `points` when they are too few, too close, off the edge, or contradict each other
 */
export function profileReading(input: ProfileReadingInput): ProfileReading {
  const { widthMm, points, divisionMm = CALIPER_DIVISION_MM } = input;
  refuse(widthMm, points);
  const half = widthMm / 2;
  const us = points.map(({ atMm }) => (atMm - half) / half);
  const back = points.map(({ outMm }) => -outMm);
  const fit = circleFit(us, back, half);
  const left = back.map((mm, i) => mm - fit.at(us[i] as number));
  const rss = left.reduce((sum, r) => sum + r * r, 0);
  const jaw = (JAW_DIVISIONS * divisionMm) / Math.sqrt(3);
  const spare = points.length - 3;
  const freedom = DIVISION_WORTH + spare;
  const variance = (DIVISION_WORTH * jaw ** 2 + rss) / freedom;
  const pm = (i: number): number => student975(freedom) * Math.sqrt(variance * (fit.inverse[i]?.[i] ?? 0));
  const camber = { mm: fit.camberMm, pmMm: pm(2) };
  const told = Math.abs(camber.mm) > camber.pmMm;
  return {
    camber,
    ...(told && { radiusMm: Math.abs((half ** 2 + camber.mm ** 2) / (2 * camber.mm)) }),
    lean: { mm: 2 * fit.tiltMm, pmMm: 2 * pm(1) },
    ...lopsidedness(us, left, variance, freedom),
    told,
    residualsMm: left,
    rmsMm: Math.sqrt(rss / points.length),
  };
}

function refuse(widthMm: number, points: readonly EdgePoint[]): void {
  insist(points.length >= 3, 'points', 'Measure at three places across the edge at least; five tell more.');
  points.forEach(({ atMm }, i) =>
    insist(
      atMm >= -1e-9 && atMm <= widthMm + 1e-9,
      `points.${i}.atMm`,
      `${atMm} mm is not on an edge ${widthMm} mm wide: measure from its left corner.`,
    ),
  );
  for (const [i, { atMm, outMm }] of points.entries()) {
    const other = points.findIndex((each, j) => j < i && Math.abs(each.atMm - atMm) < 0.25);
    const before = points[other];
    insist(
      !before || Math.abs(before.outMm - outMm) <= CONTRADICTED_MM,
      `points.${i}.outMm`,
      () =>
        `At ${atMm} mm the edge was read as ${before?.outMm} and as ${outMm} mm: they contradict each other; measure there again.`,
    );
  }
  const places = [...new Set(points.map(({ atMm }) => Math.round(atMm * 4)))];
  insist(
    places.length >= 3 && Math.max(...places) - Math.min(...places) >= 2 * widthMm,
    'points',
    'These readings lie too close together: spread three or more over at least half of the edge.',
  );
}

interface CircleFit {
  readonly camberMm: number;
  readonly tiltMm: number;
  readonly inverse: readonly (readonly number[])[];
  readonly at: (u: number) => number;
}

/** a + b·u + the drop of a circle of curvature κ, its camber c over the half width h: c is κh²/(1 + √(1 − κ²h²)). */
function circleFit(us: readonly number[], back: readonly number[], half: number): CircleFit {
  const drop = (c: number, u: number): number => {
    const kappa = (2 * c) / (half ** 2 + c ** 2);
    const x = Math.min(1, Math.abs(kappa * half * u));
    return (kappa * half ** 2 * u * u) / (1 + Math.sqrt(Math.max(0, 1 - x * x)));
  };
  let [a, b, c] = [0, 0, 0];
  let inverse: readonly (readonly number[])[] = [];
  for (let round = 0; round < 12; round++) {
    const rows = us.map((u) => {
      const step = 1e-6 * half;
      return [1, u, (drop(c + step, u) - drop(c - step, u)) / (2 * step)];
    });
    const off = us.map((u, i) => (back[i] as number) - a - b * u - drop(c, u));
    const normal = [0, 1, 2].map((i) => [0, 1, 2].map((j) => sum(rows, (r) => (r[i] ?? 0) * (r[j] ?? 0))));
    inverse = inverted(normal) ?? [];
    insist(
      inverse.length > 0,
      'points',
      'These readings lie too close together to show a curve: spread them.',
    );
    const aim = [0, 1, 2].map((i) => sum(rows, (r, k) => (r[i] ?? 0) * (off[k] as number)));
    const [da = 0, db = 0, dc = 0] = inverse.map((row) => sum(row, (value, j) => value * (aim[j] as number)));
    [a, b, c] = [a + da, b + db, Math.max(-half, Math.min(half, c + dc))];
    if (Math.abs(dc) < 1e-10) break;
  }
  return { camberMm: c, tiltMm: b, inverse, at: (u) => a + b * u + drop(c, u) };
}

/** What is left of the readings as the odd cubic u³ − 3u/5, scaled to its largest within the width. */
function lopsidedness(
  us: readonly number[],
  left: readonly number[],
  variance: number,
  freedom: number,
): { readonly lopsided?: Measured } {
  if (us.length < 5) return {};
  const q = us.map((u) => u ** 3 - 0.6 * u);
  const power = sum(q, (value) => value * value);
  const largest = 0.4;
  const mm = (largest * sum(q, (value, i) => value * (left[i] as number))) / power;
  return { lopsided: { mm, pmMm: (student975(freedom) * largest * Math.sqrt(variance)) / Math.sqrt(power) } };
}

function sum<T>(list: readonly T[], of: (each: T, i: number) => number): number {
  return list.reduce((all, each, i) => all + of(each, i), 0);
}
