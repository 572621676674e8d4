import { chances } from '../testing/chances.js';
import { edgesInUse, type Used } from './edges-in-use.js';

/** Edges of a true median of 88 minutes whose law is not the one they are judged by: log-normal. */
function shop(seed: number, more: Partial<Parameters<typeof edgesInUse>[0]>): Used {
  const { uniform, normal } = chances(seed);
  return edgesInUse({
    life: () => 88 * Math.exp(0.35 * normal()),
    spell: () => 10 + 40 * uniform(),
    obeys: false,
    stops: false,
    edges: 120,
    ...more,
  });
}

const SEEDS = [20261129, 20261201, 20270115, 20270303, 20270420];

describe('edges in use, judged by the rack', () => {
  it('are told their usual life within a tenth after 120 of them, the rack obeyed all along (seeded)', () => {
    const medians = SEEDS.map((seed) => shop(seed, { obeys: true }).life.amount);
    const mean = medians.reduce((sum, each) => sum + each, 0) / medians.length;
    expect(Math.abs(mean / 88 - 1))
      .withContext(medians.join())
      .toBeLessThan(0.1);
  });

  it('are asked for before most of them give out, and seldom before half their life (seeded)', () => {
    const shops = SEEDS.map((seed) => shop(seed, {}));
    const all = (of: (used: Used) => number): number => shops.reduce((sum, each) => sum + of(each), 0);
    expect(all(({ warned }) => warned) / all(({ gaveOut }) => gaveOut)).toBeGreaterThan(0.65);
    expect(all(({ tooSoon }) => tooSoon) / all(({ asked }) => asked)).toBeLessThan(0.22);
  });
});
