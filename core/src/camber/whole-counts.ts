import { dot, inverted, offMean, rootOf } from './matrix.js';

/** The best whole counts of some shapes, and the kindest of those nearly as good. */
interface WholeCounts {
  readonly best: readonly number[];
  readonly kindest: readonly number[];
}

/** Plans this much further off than the best are as good (the design's own tolerance). */
const NEARLY = 1.1;
/** More whole plans than this are not walked through one by one. */
const MOST = 400_000;
/** A shape that bends less than this share of the largest is even, and no count of it helps. */
const EVEN_SHARE = 1e-9;

interface Quadratic {
  readonly gram: readonly (readonly number[])[];
  readonly aim: readonly number[];
  readonly rest: number;
}

/**
 * Non-negative whole counts whose sum of shapes comes nearest to a target in the root mean square, both free
 * by an even offset: least squares with every choice of counts held at 0 first, then every whole plan in the box
 * that can hold one as good (near those solutions only, where it holds more than {@link MOST}). Of those within a
 * tenth, the one that costs least.
 * @param cost of one count of a shape, such as what it takes in the middle
 */
export function wholeCounts(
  shapes: readonly (readonly number[])[],
  target: readonly number[],
  cost: (shape: readonly number[]) => number,
): WholeCounts {
  const bent = shapes.map(offMean);
  const power = bent.map((shape) => dot(shape, shape));
  const used = power.flatMap((p, j) => (p > EVEN_SHARE * Math.max(...power) && p > 0 ? [j] : []));
  const columns = used.map((j) => bent[j] as readonly number[]);
  const aimed = offMean(target);
  const problem: Quadratic = {
    gram: columns.map((a) => columns.map((b) => dot(a, b))),
    aim: columns.map((a) => dot(a, aimed)),
    rest: dot(aimed, aimed),
  };
  const costs = used.map((j) => cost(shapes[j] as readonly number[]));
  const whole = (counts: readonly number[]): readonly number[] =>
    shapes.map((_, j) => (used.includes(j) ? (counts[used.indexOf(j)] as number) : 0));
  const starts = heldAtZero(problem);
  let best: readonly number[] = used.map(() => 0);
  let least = problem.rest;
  for (const start of starts) {
    const rounded = start.map(Math.round);
    const off = offBy(problem, rounded);
    if (off < least) [best, least] = [rounded, off];
  }
  walk(problem, starts, least, (counts, off) => {
    if (off < least - 1e-18) [best, least] = [[...counts], off];
  });
  let kindest = best;
  let price = dot(costs, best);
  walk(problem, starts, least * NEARLY ** 2, (counts, off) => {
    const now = dot(costs, counts);
    if (off > least * NEARLY ** 2 + 1e-18 || now >= price - 1e-12) return;
    [kindest, price] = [[...counts], now];
  });
  return { best: whole(best), kindest: whole(kindest) };
}

/** Mean square off the target. */
function offBy({ gram, aim, rest }: Quadratic, counts: readonly number[]): number {
  let sum = rest;
  for (let i = 0; i < counts.length; i++) {
    const count = counts[i] as number;
    if (count === 0) continue;
    sum -= 2 * count * (aim[i] as number);
    for (let j = 0; j < counts.length; j++) {
      sum += count * (counts[j] as number) * ((gram[i] as readonly number[])[j] as number);
    }
  }
  return Math.max(0, sum);
}

/** Every whole plan that is no further off than `within`; near the starts only, where they may be too many. */
function walk(
  problem: Quadratic,
  starts: readonly (readonly number[])[],
  within: number,
  visit: (counts: readonly number[], off: number) => void,
): void {
  const round = ellipsoidOf(problem, within);
  const all = round && boxOf(round);
  const near = (start: readonly number[]): Ranges =>
    start.map((count) => [Math.max(0, Math.floor(count) - 1), Math.ceil(count) + 1]);
  const isFew = all && all.reduce((size, [from, to]) => size * Math.max(0, to - from + 1), 1) <= MOST;
  for (const ranges of isFew ? [all] : starts.map(near))
    through(ranges, round, (counts) => visit(counts, offBy(problem, counts)));
}

type Ranges = readonly (readonly [from: number, to: number])[];

/** Plans no further off than a bound, rounding left in: |root·(counts − middle)|² ≤ room, the root an upper triangle. */
interface Ellipsoid {
  readonly middle: readonly number[];
  readonly inverse: readonly (readonly number[])[];
  readonly root: readonly (readonly number[])[];
  readonly room: number;
}

/** Undefined where two shapes are alike. */
function ellipsoidOf(problem: Quadratic, within: number): Ellipsoid | undefined {
  const inverse = inverted(problem.gram);
  if (!inverse) return undefined;
  // Without the bound at 0 the least square lies here.
  const middle = inverse.map((row) => dot(row, problem.aim));
  const room = Math.max(0, within - offBy(problem, middle)) + 1e-12 * problem.rest;
  return { middle, inverse, root: rootOf(problem.gram), room };
}

/** The box round it, above 0. */
const boxOf = ({ middle, inverse, room }: Ellipsoid): Ranges =>
  middle.map((count, i) => {
    const half = Math.sqrt(room * (inverse[i]?.[i] ?? 0)) + 1e-9;
    return [Math.max(0, Math.ceil(count - half)), Math.max(0, Math.floor(count + half))];
  });

/** Every list of whole numbers within the ranges, and within the ellipsoid where there is one: the last first, each as far as the room that is left allows (Fincke and Pohst, 1985). */
function through(
  ranges: Ranges,
  round: Ellipsoid | undefined,
  visit: (counts: readonly number[]) => void,
): void {
  const counts = ranges.map(() => 0);
  const onwards = (i: number, room: number): void => {
    if (i < 0) {
      visit(counts);
      return;
    }
    const row = round?.root[i] ?? [];
    const by = row[i] ?? 0;
    let fixed = 0;
    for (let j = i + 1; j < counts.length; j++)
      fixed += (row[j] ?? 0) * ((counts[j] as number) - (round?.middle[j] ?? 0));
    const [from, to] = ranges[i] as Ranges[number];
    for (let count = from; count <= to; count++) {
      const off = by * (count - (round?.middle[i] ?? 0)) + fixed;
      if (off * off > room) {
        if (off > 0) return;
        continue;
      }
      counts[i] = count;
      onwards(i - 1, room - off * off);
    }
  };
  onwards(ranges.length - 1, round?.room ?? Infinity);
}

/** The least squares with some counts held at 0, those of them that have none below it. */
function heldAtZero(problem: Quadratic): readonly (readonly number[])[] {
  const n = problem.aim.length;
  const all = Array.from({ length: n }, (_, i) => i);
  return Array.from({ length: (1 << n) - 1 }, (_, set) => all.filter((i) => ((set + 1) >> i) & 1)).flatMap(
    (kept) => {
      const gram = kept.map((i) => kept.map((j) => problem.gram[i]?.[j] as number));
      const aim = kept.map((i) => problem.aim[i] as number);
      const solved = inverted(gram)?.map((row) => dot(row, aim));
      if (!solved || solved.some((count) => count < 0)) return [];
      return [all.map((i) => (kept.includes(i) ? (solved[kept.indexOf(i)] as number) : 0))];
    },
  );
}
