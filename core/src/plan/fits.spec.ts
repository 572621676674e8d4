import fc from 'fast-check';
import type { GougeEdge, HookEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import { abrasive } from '../testing/blades.js';
import { hollowOfMm, roundFits, tooLarge } from './fits.js';
import { orderOfWork } from './order-of-work.js';
import type { PlanRequest } from './plan-request.js';
import { planHoning } from './ways-out.js';

const HOOK: HookEdge = {
  ...{
    form: 'hook',
    make: 'hollow-inside',
    lengthMm: 55,
    innerRadiusMm: 22,
    thicknessMm: 2.6,
    includedDeg: 25,
  },
};
const IN: GougeEdge = {
  ...{ form: 'gouge', widthMm: 25, depthMm: 7, thicknessMm: 3, cannel: 'in', bevelDeg: 25 },
};

describe('what is round, in the hollow of an edge', () => {
  it('fits up to the hollow’s own radius, and not a millimetre over it', () => {
    fc.assert(
      fc.property(fc.double({ min: 3, max: 150, noNaN: true }), (innerRadiusMm) => {
        const hook = { ...HOOK, innerRadiusMm };
        expect(tooLarge(hook, { radiusMm: innerRadiusMm })).toBeUndefined();
        expect(tooLarge(hook, { radiusMm: 0.5 * innerRadiusMm })).toBeUndefined();
        expect(tooLarge(hook, { radiusMm: innerRadiusMm + 1 })).toMatch(/larger than the hollow/);
      }),
    );
    expect(tooLarge(HOOK, {})).toBeUndefined();
  });

  it('is the arc less the wall inside a gouge: 25 × 7 mm, R = 14.661 (c²/8s + s/2), 3 thick: 11.661', () => {
    expect(hollowOfMm(IN)).toBeCloseTo(25 ** 2 / 56 + 3.5 - 3, 6);
    // Bevelled outside, the same hollow is for its small inside bevel alone: nothing is too large for the rest of it.
    const out: GougeEdge = { ...IN, cannel: 'out' };
    expect(hollowOfMm(out)).toBe(hollowOfMm(IN));
    expect(tooLarge(out, { radiusMm: 200 })).toBeUndefined();
    expect(tooLarge(IN, { radiusMm: 200 })).toMatch(/larger than the hollow/);
    expect(hollowOfMm({ ...out, thicknessMm: 15 })).toBeUndefined();
    expect(hollowOfMm({ ...HOOK, make: 'flat-inside' })).toBeUndefined();
  });

  it('is left out of a plan with why, where it is too large', () => {
    const rod = (id: string, radiusMm: number) =>
      abrasive(id, '600', { kind: 'rod-paper', serves: ['hook'], radiusMm });
    const tool = { name: 'Hook', family: 'hooked-blade', steel: 'high-carbon', edge: HOOK } as const;
    const request: PlanRequest = {
      ...{ condition: { kind: 'dull' }, finishUm: 35, forceN: 10, strokesPerMin: 40, laidAside: [] },
    };
    const plan = planHoning(tool, [rod('rod', 18), rod('bottle', 200)], request);
    expect(plan.steps.map(({ id }) => id)).toEqual(['rod']);
    expect(plan.verdicts.find(({ id }) => id === 'bottle')?.why).toMatch(
      /200 mm is larger than the hollow’s 22/,
    );
    expect(() => planHoning(tool, [rod('bottle', 200)], request)).toThrowError(/22 mm or a little less/);
  });
});

describe('what of the bench goes into a hollow', () => {
  const rod = (id: string, radiusMm?: number) =>
    abrasive(id, '400', { kind: 'rod-paper', ...(radiusMm !== undefined && { radiusMm }) });

  it('is told best fitting first, a little under before a lot under, and what is too large last', () => {
    const found = roundFits(HOOK, [
      rod('large', 30),
      rod('tight', 6),
      rod('right', 21),
      rod('under', 15),
      rod('unsaid'),
    ]);
    expect(found.map(({ stone, fit }) => [stone.id, fit])).toEqual([
      ['right', 'fits'],
      ['under', 'fits'],
      ['tight', 'small'],
      ['large', 'large'],
    ]);
  });

  it('is nothing for an edge that has no hollow, and never a flat stone', () => {
    expect(roundFits({ ...HOOK, make: 'flat-inside' }, [rod('right', 21)])).toEqual([]);
    expect(roundFits(IN, [abrasive('flat', '1000', { radiusMm: 10 })])).toEqual([]);
  });
});

describe('a hook with a flat inside', () => {
  it('is honed outside and inside, each until its burr stands, then turn about with falling counts', () => {
    const edge: HookEdge = { ...HOOK, make: 'flat-inside' };
    const tool: Tool = { name: 'Hook', family: 'hooked-blade', steel: 'high-carbon', edge };
    const request: PlanRequest = {
      ...{ condition: { kind: 'very-dull' }, finishUm: 30, forceN: 20, strokesPerMin: 40, laidAside: [] },
    };
    const plan = planHoning(tool, [rod('p400', 15)], request);
    const { steps, order } = orderOfWork({ plan, tool, stoneOf: () => undefined });
    expect(steps.map(({ side, count }) => [side, count])).toEqual([
      [0, undefined],
      [1, undefined],
      [undefined, 'falling'],
    ]);
    expect(order.filter(({ kind }) => kind === 'burr').length).toBe(2);
    expect(steps.reduce((sum, { strokes }) => sum + strokes, 0)).toBe(plan.steps[0]?.strokes ?? NaN);
  });
  const rod = (id: string, radiusMm: number) => abrasive(id, '400', { kind: 'rod-paper', radiusMm });
});
