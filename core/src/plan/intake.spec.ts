import type { KnifeEdge } from '../blade/edge.js';
import type { Condition } from '../blade/dulling.js';
import { EDGE_SHAPES } from '../blade/edge-shape.js';
import { abrasive, flatBlade } from '../testing/blades.js';
import { intake } from './intake.js';
import { planHoning } from './ways-out.js';

const KNIFE: KnifeEdge = {
  ...{ form: 'knife', lengthMm: 80, widthMm: 20, spineMm: 2.4, leftDeg: 12, rightDeg: 12, grind: 'flat' },
};
const unsharpened = (mm: number): Condition => ({ kind: 'new', faults: [{ kind: 'unsharpened', mm }] });
const BENCH = [
  abrasive('coarse', '240', { serves: EDGE_SHAPES }),
  abrasive('middle', '1000', { serves: EDGE_SHAPES }),
  abrasive('fine', '4000', { serves: EDGE_SHAPES }),
];

describe('a knife taken in without an edge', () => {
  it('is told by its facets’ steel, which the plan takes off, on its coarsest stone first', () => {
    const { lines, job, why } = intake(KNIFE, unsharpened(0.5));
    const told = lines.find((line) => line.what === 'unsharpened');
    // By hand: γ = atan(1.2/20) = 3.434°; x = 0.25/(0.212557 − 0.06) = 1.6387; ½·0.25·x·80·2 = 32.77 mm³.
    expect(told?.mm3).toBeCloseTo(32.77, 1);
    // The maker's roundness goes on top of it.
    expect(job.removeMm3).toBeGreaterThan(told?.mm3 ?? NaN);
    expect(job.removeMm3).toBeLessThan(1.2 * (told?.mm3 ?? NaN));
    expect(why).toMatch(/no edge yet/);
    const request = { finishUm: 4, forceN: 20, strokesPerMin: 40, maxRatio: 10, laidAside: [] };
    const tool = { name: 'Knife', family: 'whittling-knife', steel: 'high-carbon', edge: KNIFE } as const;
    const plan = planHoning(tool, BENCH, { ...request, condition: unsharpened(0.5) });
    expect(plan.job.removeMm3).toBeCloseTo(job.removeMm3, 9);
    expect(plan.steps[0]?.id).toBe('coarse');
    const sharpened = planHoning(tool, BENCH, { ...request, condition: { kind: 'new' } });
    expect(sharpened.steps[0]?.id).not.toBe('coarse');
  });

  it('is refused where nothing is known to make: other edges, and a blade as thick at its edge as at its spine', () => {
    expect(() => intake(flatBlade({}), unsharpened(0.5))).toThrowError(/Only a knife with two plain facets/);
    expect(() => intake({ ...KNIFE, grind: 'convex' }, unsharpened(0.5))).toThrowError(/two plain facets/);
    expect(() => intake(KNIFE, unsharpened(2.4))).toThrowError(/as thick at its edge as at its spine/);
  });
});
