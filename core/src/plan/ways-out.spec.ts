import { unlessRefused } from '../base/refusal.js';
import type { Tool } from '../blade/tool.js';
import { abrasive, flatBlade } from '../testing/blades.js';
import { defaultRequest, usualSet } from './default-request.js';
import { planOf } from './compose.js';
import type { PlanRequest } from './plan-request.js';
import { planAnswer } from './plan-answer.js';
import { TOO_MANY_STROKES, edgeByWay, planHoning } from './ways-out.js';

const bench = [abrasive('middle', 11.5), abrasive('fine', 1.2)];
const wheel = abrasive('wheel', 260, { kind: 'dry-wheel', lubricant: 'dry', overheadMin: 2 });
const iron: Tool = {
  name: 'Iron',
  family: 'plane-iron',
  steel: 'high-carbon',
  edge: flatBlade({ widthMm: 50, secondaryDeg: 30, landMm: 0.6 }),
};
const nicked = (nickMm: number): PlanRequest => ({
  condition: { kind: 'nicked', nickMm },
  finishUm: 2,
  forceN: 20,
  strokesPerMin: 40,
  mostStrokes: 60,
  laidAside: [],
});
const most = (plan: ReturnType<typeof planOf>): number =>
  Math.max(...[...plan.steps, ...(plan.back ?? [])].map(({ strokes }) => strokes));

describe('not on these stones', () => {
  it('is said past 150 strokes on one stone, and only then', () => {
    for (const nickMm of [0.02, 0.05, 0.1, 0.2, 0.3, 0.5]) {
      const plan = planHoning(iron, bench, nicked(nickMm));
      expect(plan.tooMuch !== undefined)
        .withContext(String(nickMm))
        .toBe(most(plan) > TOO_MANY_STROKES);
    }
    expect(
      planHoning(iron, bench, { ...nicked(0), condition: { kind: 'very-dull' } }).tooMuch,
    ).toBeUndefined();
  });

  it('gives the ways out by their minutes, each as a plan of its own would have it', () => {
    const request = nicked(0.3);
    const { tooMuch, totalMin } = planHoning(iron, [...bench, wheel], request);
    const ways = tooMuch?.ways ?? [];
    expect(ways.at(-1)).toEqual({ way: 'send-out' });
    const minutes = ways.slice(0, -1).map((way) => way.minutes ?? NaN);
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
    expect(Math.max(...minutes)).toBeLessThan(totalMin);
    const named = (name: string) => ways.find(({ way }) => way === name);
    expect(planOf(iron, [...bench, wheel], { ...request, ...named('wheel')?.ask }).totalMin).toBe(
      named('wheel')?.minutes ?? NaN,
    );
    const part = named('part-now');
    const now = planOf(iron, [...bench, wheel], { ...request, ...part?.ask });
    expect(now.totalMin).toBe(part?.minutes ?? NaN);
    expect(most(now)).toBeLessThanOrEqual(TOO_MANY_STROKES);
    // A little more of the nick would be too much for one sitting.
    expect(most(planOf(iron, [...bench, wheel], nicked((part?.nickMm ?? 0) + 0.02)))).toBeGreaterThan(
      TOO_MANY_STROKES,
    );
    expect(edgeByWay(iron.edge, { way: 'wheel' })).toBe(iron.edge);
  });

  it('cuts a narrow bevel on a wide one for now', () => {
    const scrub: Tool = { ...iron, family: 'scrub-iron', edge: flatBlade({ widthMm: 33, primaryDeg: 32 }) };
    const request: PlanRequest = { ...nicked(0), condition: { kind: 'dull', tipRadiusUm: 40 } };
    const steeper = planHoning(scrub, bench, request).tooMuch?.ways.find(
      ({ way }) => way === 'steeper-for-now',
    );
    expect(steeper?.microDeg).toBe(36);
    const edge = edgeByWay(scrub.edge, { way: 'steeper-for-now', microDeg: 36 });
    expect(planOf({ ...scrub, edge }, bench, request).totalMin).toBe(steeper?.minutes ?? NaN);
  });

  it('offers a shim where nothing registers on the back, and never on a chisel', () => {
    const old: PlanRequest = { ...nicked(0), condition: { kind: 'unknown' } };
    const ways = (tool: Tool): string[] =>
      planHoning(tool, bench, old).tooMuch?.ways.map(({ way }) => way) ?? [];
    expect(ways(iron)).toContain('shim-back');
    expect(ways({ ...iron, family: 'paring-chisel' })).not.toContain('shim-back');
    const shimmed = { ...iron, edge: edgeByWay(iron.edge, { way: 'shim-back' }) };
    const back = planOf(shimmed, bench, { ...old, condition: { kind: 'new' } }).back?.filter(
      ({ prepares }) => prepares,
    );
    const whole = planOf(shimmed, bench, { ...old, condition: { kind: 'new' } }).wholeBackMin ?? NaN;
    expect(whole).toBeGreaterThan(20 * (back?.[0]?.minutes ?? NaN));
    // A first polish over a shim: ten to twenty short passes on a fine stone (common practice, no source).
    expect(back?.map(({ id }) => id)).toEqual(['fine']);
    expect(back?.[0]?.strokes).toBeGreaterThan(9);
    expect(back?.[0]?.strokes).toBeLessThan(41);
  });
});

describe('what is asked where nobody says', () => {
  it('takes the wheel to a nick where that is fewer minutes, whatever its depth', () => {
    let [ground, honed] = [0, 0];
    for (const nickMm of [0.02, 0.05, 0.1, 0.2, 0.4, 0.8]) {
      const condition = { kind: 'nicked', nickMm } as const;
      const request = defaultRequest({ tool: iron, bench: [...bench, wheel] }, { condition, set: undefined });
      const minutes = (change: Partial<PlanRequest>): number =>
        unlessRefused(() => planOf(iron, [...bench, wheel], { ...request, ...change }).totalMin) ?? Infinity;
      const wheelFirst = { wheelId: 'wheel', stopShortMm: 0.7, pushN: 5 };
      expect(request.grind !== undefined)
        .withContext(String(nickMm))
        .toBe(minutes({ grind: wheelFirst }) < minutes({ grind: undefined }));
      if (request.grind) ground += 1;
      else honed += 1;
    }
    expect([ground > 0, honed > 0]).toEqual([true, true]);
  });

  it('keeps to the set chosen for the tool, else to the one that serves it', () => {
    const sets = [
      ...bench.map((each) => ({ ...each, sets: ['Bench'] })),
      abrasive('coarse', 35, { sets: ['Van'] }),
      abrasive('slow', 1.2, { sets: ['Shelf'], overheadMin: 9 }),
    ];
    expect(usualSet({ tool: iron, bench: sets })).toBe('Bench');
    expect(usualSet({ tool: { ...iron, stoneSet: 'Van' }, bench: sets })).toBe('Van');
    expect(usualSet({ tool: { ...iron, stoneSet: '' }, bench: sets })).toBeUndefined();
    expect(usualSet({ tool: { ...iron, stoneSet: 'Sold' }, bench: sets })).toBe('Bench');
    const ids = planAnswer({ tool: iron, bench: sets }, { condition: { kind: 'very-dull' } }).steps.map(
      ({ abrasiveId }) => abrasiveId,
    );
    expect(ids).toEqual(['middle', 'fine']);
  });

  it('shapes a primary found too steep, on the fastest stone and before all else; at the wheel where there is one', () => {
    const steep = { kind: 'dull', faults: [{ kind: 'wrong-angle', foundDeg: 34 }] } as const;
    const coarse = abrasive('coarse', 100);
    const stones = planAnswer({ tool: iron, bench: [...bench, coarse] }, { condition: steep });
    const [first, ...rest] = stones.steps;
    // ½(3 − 0.7·sin 34°)²(cot 25° − cot 34°)·50 mm³: the contract’s own example, 2.252142 mm² a millimetre.
    const perStroke = 0.0056 * (100 / 14) ** 0.8 * 20 * 0.15;
    expect([first?.abrasiveId, first?.facet, first?.strokes]).toEqual([
      'coarse',
      'primary',
      Math.ceil((2.252142 * 50) / perStroke),
    ]);
    expect(rest.every(({ facet }) => facet === 'secondary')).toBeTrue();
    const ground = planAnswer({ tool: iron, bench: [...bench, coarse, wheel] }, { condition: steep });
    expect([ground.grinding?.wheelId, ground.steps[0]?.facet]).toEqual(['wheel', 'secondary']);
    const flatter = { kind: 'dull', faults: [{ kind: 'wrong-angle', foundDeg: 22 }] } as const;
    expect(planAnswer({ tool: iron, bench }, { condition: flatter }).steps[0]?.facet).toBe('secondary');
  });
});
