import fc from 'fast-check';
import { FAMILY_NAMES } from '../blade/families.js';
import { STEEL_NAMES } from '../blade/tool.js';
import { backStrategy } from '../blade/back-strategy.js';
import { JOBS, angleAdvice, usualIncluded, type AngleAdviceInput, type Job } from './angle-advice.js';
import { finishAdvice } from './finish-advice.js';
import { TIMBERS, timberCalled } from './woods.js';

const iron: AngleAdviceInput = {
  family: 'plane-iron',
  steel: 'high-carbon',
  sideHardnessLbf: 1000,
  job: 'smoothing',
};
const deg = (change: Partial<AngleAdviceInput>): number => angleAdvice({ ...iron, ...change }).angleDeg;
const hardness = (wood: string): number => timberCalled(wood)?.sideHardnessLbf ?? NaN;

const anyInput = fc.record({
  family: fc.constantFrom(...FAMILY_NAMES),
  steel: fc.constantFrom(...STEEL_NAMES),
  sideHardnessLbf: fc.integer({ min: 300, max: 3000 }),
  job: fc.constantFrom(...JOBS),
  figured: fc.boolean(),
  record: fc.option(
    fc.record({
      edges: fc.integer({ min: 20, max: 60 }),
      chipped: fc.nat(20),
      includedDeg: fc.integer({ min: 20, max: 45 }),
      sideHardnessLbf: fc.integer({ min: 300, max: 3000 }),
      steel: fc.constantFrom(...STEEL_NAMES),
    }),
    { nil: undefined },
  ),
});

describe('angle advice', () => {
  it('is near 31° for a plane iron in a medium hardwood (common practice, no source)', () => {
    expect(deg({})).toBe(31);
    expect(angleAdvice(iron).reasons[0]?.footing).toBe('common practice');
  });

  it('moves the way each input pushes, alone', () => {
    expect(deg({ sideHardnessLbf: hardness('spruce') })).toBeLessThan(deg({}));
    expect(deg({ sideHardnessLbf: hardness('oak') })).toBeGreaterThan(deg({}));
    expect(deg({ steel: 'air-hardening' })).toBeGreaterThan(deg({}));
    expect(deg({ steel: 'high-chromium' })).toBeGreaterThan(deg({ steel: 'air-hardening' }));
    expect(deg({ figured: true })).toBeGreaterThan(deg({}));
    const order: readonly Job[] = ['paring', 'carving', 'smoothing', 'chopping', 'roughing'];
    const by = order.map((job) => deg({ job }));
    expect(by).toEqual([...by].sort((a, b) => a - b));
    expect(by[0]).toBeLessThan(by[4] as number);
    const chips = (edges: number, chipped: number): number =>
      deg({ record: { edges, chipped, includedDeg: 31, sideHardnessLbf: 1000, steel: 'high-carbon' } });
    expect(chips(0, 0)).toBe(31);
    expect(chips(36, 0)).toBe(30);
    const more = [0, 1, 5, 10, 30].map((chipped) => chips(36, chipped));
    expect(more).toEqual([...more].sort((a, b) => a - b));
    expect(more.at(-1)).toBeGreaterThan(33);
  });

  it('never goes finer for harder wood, coarser work, steel that chips or more chips (fast-check)', () => {
    fc.assert(
      fc.property(
        anyInput,
        fc.integer({ min: 1, max: 2000 }),
        fc.nat(20),
        fc.nat(20),
        (input, harder, a, b) => {
          const at = (change: Partial<AngleAdviceInput>): number =>
            angleAdvice({ ...input, ...change }).angleDeg;
          expect(at({ sideHardnessLbf: input.sideHardnessLbf + harder })).toBeGreaterThanOrEqual(at({}));
          expect(at({ sideHardnessLbf: 2 * input.sideHardnessLbf })).toBeGreaterThan(at({}));
          expect(at({ steel: 'high-chromium' })).toBeGreaterThan(at({ steel: 'high-carbon' }));
          expect(at({ job: 'roughing' })).toBeGreaterThan(at({ job: 'paring' }));
          const { record } = input;
          if (!record) return;
          const chipped = (n: number): number => at({ record: { ...record, chipped: n } });
          expect(chipped(Math.max(a, b))).toBeGreaterThanOrEqual(chipped(Math.min(a, b)));
          expect(chipped(record.edges)).toBeGreaterThan(chipped(0));
        },
      ),
    );
  });

  it('lets a long record stand over the table, and a short one hardly', () => {
    const fared = { includedDeg: 27, sideHardnessLbf: 1000, steel: 'high-carbon' } as const;
    expect(deg({ record: { ...fared, edges: 60, chipped: 1 } })).toBeLessThan(28);
    expect(deg({ record: { ...fared, edges: 1, chipped: 0 } })).toBeGreaterThanOrEqual(30);
    expect(deg({ record: { ...fared, includedDeg: 35, edges: 60, chipped: 20 } })).toBeGreaterThan(36);
    const { reasons } = angleAdvice({ ...iron, record: { ...fared, edges: 60, chipped: 1 } });
    expect(reasons.at(-1)?.text).toMatch(/1 of 60 edges chipped at 27°.*it holds there/);
  });

  it('keeps ten degrees of clearance in a bevel-down plane, and says so', () => {
    const host = { bedDeg: 40, orientation: 'bevel-down' } as const;
    const advice = angleAdvice({ ...iron, host });
    expect(advice.angleDeg).toBe(30);
    expect(advice.mostDeg).toBe(30);
    expect(advice.reasons.at(-1)?.footing).toBe('geometry');
    expect(deg({ host: { bedDeg: 12, orientation: 'bevel-up' } })).toBe(31);
  });

  it('says reasons that add up to what it advises (fast-check)', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const { angleDeg, leastDeg, mostDeg, reasons } = angleAdvice(input);
        expect(Math.abs(reasons.reduce((sum, { byDeg }) => sum + byDeg, 0) - angleDeg)).toBeLessThanOrEqual(
          0.25,
        );
        expect(leastDeg).toBeLessThan(angleDeg);
        expect(mostDeg).toBeGreaterThanOrEqual(angleDeg);
      }),
    );
    expect(usualIncluded('carving-chisel')).toEqual([30, 40]);
  });
});

describe('finish advice', () => {
  const finish = (change: Partial<Parameters<typeof finishAdvice>[0]>): number =>
    finishAdvice({ family: 'plane-iron', job: 'smoothing', sideHardnessLbf: 1000, ...change }).finishUm;

  it('asks for finer in soft and figured wood and for finished surfaces, coarser where it is cut again', () => {
    expect(finish({ sideHardnessLbf: hardness('spruce') })).toBeLessThan(finish({}));
    expect(finish({ figured: true })).toBeLessThan(finish({}));
    expect(finish({ job: 'roughing' })).toBeGreaterThan(finish({ job: 'chopping' }));
    expect(finish({ job: 'chopping' })).toBeGreaterThan(finish({}));
  });

  it('never goes finer than P600 on machine knives (common practice, no source)', () => {
    for (const job of JOBS) expect(finish({ family: 'planer-knives', job, figured: true })).toBe(25.8);
  });
});

describe('timbers', () => {
  it('are found by what a bench calls them, and rank as everybody knows (Wood Handbook, from memory)', () => {
    expect(['spruce', 'Douglas fir', 'larch', 'ash', 'oak'].map((wood) => timberCalled(wood)?.name)).toEqual([
      'Sitka spruce',
      'Douglas-fir, coast',
      'Western larch',
      'White ash',
      'White oak',
    ]);
    expect(timberCalled('tarred twine')).toBeUndefined();
    const ranked = ['white pine', 'spruce', 'cherry', 'beech', 'hard maple', 'hickory'].map(hardness);
    expect(ranked).toEqual([...ranked].sort((a, b) => a - b));
    const names = TIMBERS.flatMap(({ name, calledAlso }) => [name, ...calledAlso]).map((name) =>
      name.toLowerCase(),
    );
    expect(new Set(names).size).toBe(names.length);
  });
});

describe('back strategy', () => {
  it('refuses the shim, with the reason, to all that registers on its back, and to no other flat back', () => {
    const refused = FAMILY_NAMES.filter((family) =>
      backStrategy(family).some(({ back, allowed }) => back === 'shim' && !allowed),
    );
    expect(refused).toEqual(['bench-chisel', 'paring-chisel', 'mortise-chisel', 'one-sided-knife']);
    expect(backStrategy('bench-chisel').find(({ back }) => back === 'shim')?.why).toMatch(
      /registers on its flat back/,
    );
  });

  it('advises one way for every flat back, never a refused one, and none where there is no flat back', () => {
    for (const family of FAMILY_NAMES) {
      const ways = backStrategy(family);
      expect(ways.filter(({ advised }) => advised).length)
        .withContext(family)
        .toBe(ways.length === 0 ? 0 : 1);
      expect(ways.every(({ advised, allowed }) => allowed || !advised)).toBeTrue();
    }
    expect(backStrategy('skew')).toEqual([]);
  });
});
