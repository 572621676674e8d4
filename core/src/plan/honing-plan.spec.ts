import type { SingleBevelEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import type { PlanRequest } from './plan-request.js';
import { planHoning } from './ways-out.js';
import { abrasive, flatBlade } from '../testing/blades.js';
import { without } from '../testing/without.js';

const edge: SingleBevelEdge = flatBlade({ widthMm: 45, secondaryDeg: 30 });
const iron: Tool = { name: 'Iron', family: 'plane-iron', steel: 'high-carbon', edge };
const bench = [
  abrasive('coarse', '400'),
  abrasive('middle', '1000'),
  abrasive('fine', '8000'),
  abrasive('wheel', '400', { kind: 'dry-wheel', lubricant: 'dry' }),
];
const request: PlanRequest = {
  condition: { kind: 'dull' },
  finishUm: 1.2,
  forceN: 20,
  strokesPerMin: 40,
  maxRatio: 10,
  laidAside: [],
};
const ids = (plan: { steps: readonly { id: string }[] }): string[] => plan.steps.map((step) => step.id);

describe('planHoning', () => {
  it('starts a tool that was sharp lately at the middle stone, a nicked one at the coarse (common practice)', () => {
    expect(ids(planHoning(iron, bench, request))).toEqual(['middle', 'fine']);
    const nicked = planHoning(iron, bench, { ...request, condition: { kind: 'nicked', nickMm: 0.5 } });
    expect(ids(nicked)[0]).toBe('coarse');
  });

  it('says of every abrasive, in bench order, why it is in or out', () => {
    const plan = planHoning(iron, bench, request);
    expect(plan.verdicts.map(({ id, used }) => `${id} ${used}`)).toEqual([
      'coarse false',
      'middle true',
      'fine true',
      'wheel false',
    ]);
    expect(plan.verdicts[0]?.why).toMatch(/Too coarse a start.*longer/);
    expect(plan.verdicts[2]?.why).toMatch(/Nothing else here can take its place/);
    expect(plan.verdicts[3]?.why).toMatch(/does not hone a flat bevel/);
  });

  it('takes longer without a stone it had chosen, by what the verdict said', () => {
    const plan = planHoning(iron, bench, request);
    const without = planHoning(iron, bench, { ...request, laidAside: ['middle'] });
    const worth = plan.verdicts[1]?.minutes ?? NaN;
    expect(without.totalMin - plan.totalMin).toBeCloseTo(worth, 9);
    expect(worth).toBeGreaterThan(0);
    expect(without.verdicts[1]?.why).toBe('Laid aside for this plan.');
  });

  it('asks for more work from a wider land, a harder steel and a whole bevel', () => {
    const strokes = (tool: Tool, landMm?: number): number =>
      planHoning(tool, bench, { ...request, landMm }).steps.reduce((sum, step) => sum + step.strokes, 0);
    const plain = strokes(iron, 0.5);
    expect(strokes(iron, 1.5)).toBeGreaterThan(plain);
    expect(strokes({ ...iron, steel: 'high-speed' }, 0.5)).toBeGreaterThan(plain);
    expect(strokes({ ...iron, edge: without(edge, 'secondaryDeg') })).toBeGreaterThan(3 * plain);
  });

  it('refuses in words what leaves no plan', () => {
    const refused = (change: Partial<PlanRequest>, tool = iron): jasmine.FunctionMatchers<() => void> =>
      expect(() => void planHoning(tool, bench, { ...request, ...change })) as never;
    refused({ landMm: 7 }).toThrowError(/at most 6.00 mm/);
    refused({ laidAside: ['coarse', 'middle', 'fine'] }).toThrowError(/put at least one back/);
    refused({ finishUm: 0.5 }).toThrowError(/finest is 1.2/);
    const hook: Tool = {
      ...iron,
      family: 'hooked-blade',
      edge: {
        form: 'hook',
        make: 'flat-inside',
        lengthMm: 60,
        innerRadiusMm: 25,
        thicknessMm: 2,
        includedDeg: 25,
      },
    };
    refused({}, hook).toThrowError(/follows this curve/);
  });
});
