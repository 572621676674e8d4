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

/** Every whole plan that can be no further off than `within`; near the starts only, where they are too many. */
function walk(
  problem: Quadratic,
  starts: readonly (readonly number[])[],
  within: number,
  visit: (counts: readonly number[], off: number) => void,
): void {
  const all = boxOf(problem, within);
  if (all && all.reduce((size, [from, to]) => size * Math.max(0, to - from + 1), 1) <= MOST) {
    through(all, (counts) => visit(counts, offBy(problem, counts)));
    return;
  }
  for (const start of starts) {
    const near = start.map((count) => [Math.max(0, Math.floor(count) - 1), Math.ceil(count) + 1] as const);
    through(near, (counts) => visit(counts, offBy(problem, counts)));
  }
}

type Ranges = readonly (readonly [from: number, to: number])[];

/** The box round the ellipsoid of plans no further off than `within`; undefined where two shapes are alike. */
function boxOf(problem: Quadratic, within: number): Ranges | undefined {
  const inverse = inverted(problem.gram);
  if (!inverse) return undefined;
  // Without the bound at 0 the least square lies here.
  const free = inverse.map((row) => dot(row, problem.aim));
  const room = Math.max(0, within - offBy(problem, free));
  return free.map((middle, i) => {
    const half = Math.sqrt(room * (inverse[i]?.[i] ?? 0)) + 1e-9;
    return [Math.max(0, Math.ceil(middle - half)), Math.max(0, Math.floor(middle + half))] as const;
  });
}

/** Every list of whole numbers within the ranges. */
function through(ranges: Ranges, visit: (counts: readonly number[]) => void): void {
  if (ranges.length === 0 || ranges.some(([from, to]) => to < from)) return;
  const counts = ranges.map(([from]) => from);
  for (;;) {
    visit(counts);
    const i = ranges.findIndex(([, to], j) => (counts[j] as number) < to);
    if (i < 0) return;
    counts[i] = (counts[i] as number) + 1;
    for (let j = 0; j < i; j++) counts[j] = ranges[j]?.[0] as number;
  }
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
