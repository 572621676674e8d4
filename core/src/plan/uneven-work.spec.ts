import fc from 'fast-check';
import { abrasive } from '../testing/blades.js';
import { EDGE_SHAPES } from '../blade/edge-shape.js';
import type { Condition } from '../blade/dulling.js';
import type { GougeEdge, VEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import { partsMm, type Proud } from '../curve/uneven.js';
import { orderOfWork } from './order-of-work.js';
import type { PlanRequest } from './plan-request.js';
import { wingsAndKeel } from './uneven-work.js';
import { planHoning } from './ways-out.js';

const V: VEdge = { form: 'v', wingMm: 9, openingDeg: 60, thicknessMm: 2, bevelDeg: 22, keelRadiusMm: 0.4 };
const GOUGE: GougeEdge = {
  ...{ form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
};
const vTool: Tool = { name: 'V', family: 'v-tool', steel: 'high-carbon', edge: V };
const gouge: Tool = { name: 'G', family: 'gouge', steel: 'high-carbon', edge: GOUGE };
const BENCH = [
  abrasive('coarse', '400', { serves: EDGE_SHAPES }),
  abrasive('fine', '3000', { serves: EDGE_SHAPES }),
];
const request = (condition: Condition): PlanRequest => ({
  ...{ condition, finishUm: 6, forceN: 20, strokesPerMin: 40, laidAside: [] },
});
const uneven = (kind: Proud, mm = 0.2): Condition => ({
  kind: 'dull',
  faults: [{ kind, mm }],
});

describe('a V-tool in a plan', () => {
  it('is honed wing, wing, keel, both wings alike and each by its length', () => {
    const { steps } = planHoning(vTool, BENCH, request({ kind: 'dull' }));
    for (const { places = [], strokes } of steps) {
      const [left, right, keel] = places;
      expect(left).toBe(right);
      expect(keel).toBeGreaterThan(0);
      expect(keel).toBeLessThan(left ?? 0);
      expect(places.reduce((sum, each) => sum + each, 0)).toBe(strokes);
    }
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 400 }), (strokes) => {
        const { places } = wingsAndKeel(V, strokes);
        const share = (places[0] ?? 0) / strokes;
        const whole = partsMm(V).reduce((sum, mm) => sum + mm, 0);
        expect(Math.abs(share - 9 / whole)).toBeLessThan(1 / strokes);
      }),
    );
  });

  it('with a tooth has its keel honed first, with a hook the wing that was honed less, and the other left alone', () => {
    const of = (kind: Proud) => planHoning(vTool, BENCH, request(uneven(kind))).evening?.places ?? [];
    const [tooth, notch, left, right] = [of('tooth'), of('notch'), of('hook-left'), of('hook-right')];
    expect(tooth.map(Boolean)).toEqual([false, false, true]);
    expect(notch.map(Boolean)).toEqual([true, true, false]);
    expect(left.map(Boolean)).toEqual([true, false, false]);
    expect(right).toEqual([left[1] ?? NaN, left[0] ?? NaN, left[2] ?? NaN]);
    // A small gouge of 0.8 mm against a wing of 9.
    expect(tooth[2]).toBeLessThan((left[0] ?? 0) / 8);
  });
});

describe('a gouge that is not even at its edge', () => {
  it('has what stands ahead taken by part, as much steel as it is: ahead · thickness · length', () => {
    const { evening } = planHoning(gouge, BENCH, request(uneven('corners-ahead', 0.4)));
    if (!evening) return fail('its corners stand ahead');
    const [corner, half, middle, otherHalf, other] = evening.places;
    expect([corner, half]).toEqual([other, otherHalf]);
    expect(corner).toBeGreaterThan(half ?? 0);
    expect(half).toBeGreaterThan(middle ?? 0);
    // A third of what its corners lead by, all along, is what a square cut would take.
    const even = planHoning(gouge, BENCH, request({ kind: 'dull' }));
    const uneven2 = planHoning(gouge, BENCH, request(uneven('corners-ahead', 0.8)));
    expect((uneven2.evening?.strokes ?? 0) / evening.strokes).toBeCloseTo(2, 0);
    expect(even.evening).toBeUndefined();
    expect(uneven2.job.recessionMm).toBeGreaterThan(even.job.recessionMm + 0.8 / 3 - 0.05);
  });

  it('is looked at from its end after those strokes, and every gouge once its burr stood', () => {
    const plan = planHoning(gouge, BENCH, request(uneven('middle-ahead')));
    const { order, steps } = orderOfWork({
      plan,
      tool: gouge,
      stoneOf: (id) => BENCH.find((each) => each.id === id),
    });
    const at = order.findIndex(({ kind }) => kind === 'even');
    expect(order[at - 1]).toEqual({ kind: 'stone', step: 0 });
    expect(steps[0]?.evens).toBeTrue();
    expect(order.filter(({ kind }) => kind === 'even').length).toBe(2);
  });

  it('rolls from corner to corner in every stroke', () => {
    const [first] = planHoning(gouge, BENCH, request({ kind: 'dull' })).steps;
    expect(first?.along).toEqual(jasmine.objectContaining({ way: 'rolled', visits: 1 }));
    expect(first?.along?.turnDeg).toBeLessThan(106.3);
    expect(first?.along?.turnDeg).toBeGreaterThan(90);
  });

  it('is refused a tooth at its apex, in words', () => {
    expect(() => planHoning(gouge, BENCH, request(uneven('tooth')))).toThrowError(/V-tool: take that off/);
  });
});
