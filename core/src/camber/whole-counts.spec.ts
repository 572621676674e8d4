import fc from 'fast-check';
import { chances } from '../testing/chances.js';
import { inverted, rootOf } from './matrix.js';
import { wholeCounts } from './whole-counts.js';

const MOST = 7;
const POINTS = 6;

const at = (values: readonly number[], i: number): number => values[i] as number;
/** What a plan takes at one point. */
const cost = (of: readonly number[]): number => at(of, 2);
const costOf = (shapes: readonly (readonly number[])[], counts: readonly number[]): number =>
  shapes.reduce((sum, own, j) => sum + at(counts, j) * cost(own), 0);

/** Mean square of what is left, the two free to lie anywhere along the blade. */
function offOf(
  shapes: readonly (readonly number[])[],
  target: readonly number[],
  counts: readonly number[],
): number {
  const left = target.map(
    (mm, i) => mm - shapes.reduce((sum, own, j) => sum + at(own, i) * at(counts, j), 0),
  );
  const mean = left.reduce((sum, mm) => sum + mm, 0) / POINTS;
  return left.reduce((sum, mm) => sum + (mm - mean) ** 2, 0);
}

/** Every plan of so many shapes, none counted oftener than {@link MOST}. */
const everyPlan = (shapes: number): readonly (readonly number[])[] =>
  Array.from({ length: (MOST + 1) ** shapes }, (_, n) =>
    Array.from({ length: shapes }, (_, j) => Math.floor(n / (MOST + 1) ** j) % (MOST + 1)),
  );

/** Shapes as unlike as chance makes them, and a target none of them quite comes to. */
function madeUp(seed: number): {
  readonly shapes: readonly (readonly number[])[];
  readonly target: readonly number[];
} {
  const { uniform } = chances(seed);
  const many = (count: number, most: number): readonly number[] =>
    Array.from({ length: count }, () => most * uniform());
  const shapes = Array.from({ length: 2 + Math.floor(3 * uniform()) }, () => many(POINTS, 1));
  const aimed = many(shapes.length, 4);
  const target = many(POINTS, 0.1).map(
    (mm, i) => mm + shapes.reduce((sum, own, j) => sum + at(own, i) * at(aimed, j), 0),
  );
  return { shapes, target };
}

describe('whole counts', () => {
  it('are no worse than any plan, and of those nearly as good none costs less (fast-check)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        const { shapes, target } = madeUp(seed);
        const found = wholeCounts(shapes, target, cost);
        const every = everyPlan(shapes.length).map((counts) => ({
          off: offOf(shapes, target, counts),
          costs: costOf(shapes, counts),
        }));
        const best = offOf(shapes, target, found.best);
        const nearly = every.filter(({ off }) => off <= 1.1 ** 2 * best - 1e-9);
        expect(best).toBeLessThanOrEqual(Math.min(...every.map(({ off }) => off)) + 1e-9);
        expect(offOf(shapes, target, found.kindest)).toBeLessThanOrEqual(1.1 ** 2 * best + 1e-9);
        expect(costOf(shapes, found.kindest)).toBeLessThanOrEqual(
          Math.min(Infinity, ...nearly.map(({ costs }) => costs)) + 1e-9,
        );
      }),
      { numRuns: 60 },
    );
  });

  it('rest on a root that squared is the matrix, and an inverse that undoes it (fast-check)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        // Products of shapes with each other, and a little on the diagonal, are positive definite.
        const { shapes } = madeUp(seed);
        const matrix = shapes.map((a, i) =>
          shapes.map((b, j) => a.reduce((sum, value, k) => sum + value * at(b, k), i === j ? 0.01 : 0)),
        );
        const root = rootOf(matrix);
        const inverse = inverted(matrix) ?? [];
        matrix.forEach((row, i) =>
          row.forEach((value, j) => {
            expect(root.reduce((sum, each) => sum + at(each, i) * at(each, j), 0)).toBeCloseTo(value, 9);
            expect(row.reduce((sum, each, k) => sum + each * at(inverse[k] ?? [], j), 0)).toBeCloseTo(
              i === j ? 1 : 0,
              6,
            );
          }),
        );
      }),
    );
  });
});
