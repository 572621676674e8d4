import fc from 'fast-check';
import type { GougeEdge, HookEdge } from '../blade/edge.js';
import { abrasive } from '../testing/blades.js';
import { hollowOfMm, tooLarge } from './fits.js';
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
    expect(hollowOfMm({ ...IN, cannel: 'out' })).toBeUndefined();
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
