/** The best whole counts of some shapes, and the kindest of those nearly as good. */
export interface WholeCounts {
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
 * by an even offset: non-negative least squares first, then every whole plan in the box that can hold one as
 * good. Of those within a tenth, the one that costs least.
 * @param cost of one count of a shape, such as what it takes in the middle
 */
export function wholeCounts(
  shapes: readonly (readonly number[])[],
  target: readonly number[],
  cost: (shape: readonly number[]) => number,
): WholeCounts {
  const bent = shapes.map(centred);
  const power = bent.map((shape) => dot(shape, shape));
  const used = power.flatMap((p, j) => (p > EVEN_SHARE * Math.max(...power) && p > 0 ? [j] : []));
  const columns = used.map((j) => bent[j] as readonly number[]);
  const aimed = centred(target);
  const problem: Quadratic = {
    gram: columns.map((a) => columns.map((b) => dot(a, b))),
    aim: columns.map((a) => dot(a, aimed)),
    rest: dot(aimed, aimed),
  };
  const costs = used.map((j) => cost(shapes[j] as readonly number[]));
  const whole = (counts: readonly number[]): readonly number[] =>
    shapes.map((_, j) => (used.includes(j) ? (counts[used.indexOf(j)] as number) : 0));
  const start = nonNegative(problem);
  const rounded = start.map(Math.round);
  let best = rounded;
  let least = offBy(problem, rounded);
  walk(problem, start, least, (counts, off) => {
    if (off < least - 1e-18) [best, least] = [[...counts], off];
  });
  let kindest = best;
  let price = dot(costs, best);
  walk(problem, start, least * NEARLY ** 2, (counts, off) => {
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

/** Every whole plan that can be no further off than `within`; near `start` only, where they are too many. */
function walk(
  problem: Quadratic,
  start: readonly number[],
  within: number,
  visit: (counts: readonly number[], off: number) => void,
): void {
  const { gram, aim } = problem;
  const n = start.length;
  if (n === 0) return;
  const inverse = inverted(gram);
  // Without the bounds at 0 the least square lies here, and what is as good in an ellipsoid round it.
  const free = inverse?.map((row) => dot(row, aim));
  const floor = free && offBy(problem, free);
  const reach = start.map((_, i) => {
    const spread = inverse?.[i]?.[i];
    if (spread === undefined || floor === undefined) return undefined;
    return Math.sqrt(Math.max(0, within - floor) * spread) + 1e-9;
  });
  const box = (near: number | undefined): readonly (readonly [number, number])[] =>
    start.map((count, i) => {
      const [middle, half] = [free?.[i] ?? count, reach[i]];
      const from = half === undefined ? count - 2 : middle - half;
      const to = half === undefined ? count + 2 : middle + half;
      const [least, most] =
        near === undefined ? [from, to] : [Math.max(from, count - near), Math.min(to, count + near)];
      return [Math.max(0, Math.ceil(least)), Math.max(0, Math.floor(most))] as const;
    });
  const size = (ranges: readonly (readonly [number, number])[]): number =>
    ranges.reduce((all, [from, to]) => all * Math.max(0, to - from + 1), 1);
  const ranges = [undefined, 6, 4, 2].map(box).find((each) => size(each) <= MOST) ?? box(1);
  const counts = ranges.map(([from]) => from);
  if (size(ranges) === 0) return;
  for (;;) {
    visit(counts, offBy(problem, counts));
    let i = 0;
    for (; i < n; i++) {
      const [from, to] = ranges[i] as readonly [number, number];
      if ((counts[i] as number) < to) {
        counts[i] = (counts[i] as number) + 1;
        break;
      }
      counts[i] = from;
    }
    if (i === n) return;
  }
}

/** Least squares with no count below 0: the best of the solutions with some counts held at 0. */
function nonNegative(problem: Quadratic): readonly number[] {
  const n = problem.aim.length;
  let best: readonly number[] = Array.from({ length: n }, () => 0);
  let least = problem.rest;
  for (let set = 1; set < 1 << n; set++) {
    const kept = Array.from({ length: n }, (_, i) => i).filter((i) => (set >> i) & 1);
    const gram = kept.map((i) => kept.map((j) => problem.gram[i]?.[j] as number));
    const solved = inverted(gram)?.map((row) =>
      dot(
        row,
        kept.map((i) => problem.aim[i] as number),
      ),
    );
    if (!solved || solved.some((count) => count < 0)) continue;
    const counts = best.map((_, i) => (kept.includes(i) ? (solved[kept.indexOf(i)] as number) : 0));
    const off = offBy(problem, counts);
    if (off < least) [best, least] = [counts, off];
  }
  return best;
}

/** Gauss and Jordan with the largest pivot; undefined where there is no inverse. */
export function inverted(matrix: readonly (readonly number[])[]): readonly (readonly number[])[] | undefined {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))]);
  const largest = Math.max(...matrix.flat().map(Math.abs));
  for (let i = 0; i < n; i++) {
    let pivot = i;
    for (let k = i + 1; k < n; k++) {
      if (Math.abs(rows[k]?.[i] ?? 0) > Math.abs(rows[pivot]?.[i] ?? 0)) pivot = k;
    }
    const top = rows[pivot] as number[];
    const by = top[i] as number;
    if (!(Math.abs(by) > 1e-12 * largest)) return undefined;
    rows[pivot] = rows[i] as number[];
    rows[i] = top.map((value) => value / by);
    for (let k = 0; k < n; k++) {
      const factor = rows[k]?.[i] ?? 0;
      if (k !== i && factor !== 0) {
        rows[k] = (rows[k] as number[]).map(
          (value, j) => value - factor * ((rows[i] as number[])[j] as number),
        );
      }
    }
  }
  return rows.map((row) => row.slice(n));
}

function centred(values: readonly number[]): readonly number[] {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return values.map((value) => value - mean);
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, i) => sum + value * (b[i] as number), 0);
