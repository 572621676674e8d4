import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import type { StonesRecord } from '../abrasive/at-work.js';
import { stoneCare } from '../abrasive/care.js';
import { learnedRate } from '../abrasive/learned-rate.js';
import type { Condition } from '../blade/dulling.js';
import { gougeArc } from '../curve/gouge-arc.js';
import type { SingleBevelEdge } from '../blade/edge.js';
import { unlessRefused } from '../base/refusal.js';
import type { Tool } from '../blade/tool.js';
import { compareSchools } from './compare-schools.js';
import { unworked } from '../work/edge-at-work.js';
import { steelToGoBackMm3 } from '../work/worked.js';
import { honingJob } from './honing-job.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { PlanRequest } from './plan-request.js';
import { planHoning } from './ways-out.js';
import { intake } from './intake.js';
import { orderOfWork } from './order-of-work.js';
import { pushN } from '../work/pace.js';
import { leastLargestJump, underSchool } from './schools.js';
import { bestOf, stoneSweep } from './stone-sweep.js';
import { abrasive, flatBlade } from '../testing/blades.js';
import { without } from '../testing/without.js';

const edge: SingleBevelEdge = flatBlade({ widthMm: 40, secondaryDeg: 30 });
const chisel: Tool = { name: 'Chisel', family: 'bench-chisel', steel: 'high-carbon', edge };
const bench = [abrasive('400', 35), abrasive('1000', 11.5), abrasive('3000', 4), abrasive('8000', 1.2)];
const strop = abrasive('strop', 0.5, { kind: 'strop', lubricant: 'compound', overheadMin: 0.25 });
const request: PlanRequest = {
  condition: { kind: 'dull' },
  finishUm: 1.2,
  forceN: 20,
  strokesPerMin: 40,
  maxRatio: 10,
  laidAside: [],
};
const ids = (plan: { readonly steps: readonly { readonly id: string }[] }): string[] =>
  plan.steps.map(({ id }) => id);

describe('the schools', () => {
  it('never beat least time under the same finish and limits (fast-check)', () => {
    const anyBench = fc.uniqueArray(fc.constantFrom(58, 35, 25, 18, 14, 11.5, 8, 5.5, 4, 3, 2, 1.2), {
      minLength: 2,
      maxLength: 9,
    });
    const anyCondition = fc.constantFrom<Condition>(
      { kind: 'dull' },
      { kind: 'very-dull' },
      { kind: 'nicked', nickMm: 0.1 },
      { kind: 'nicked', nickMm: 0.6 },
    );
    let compared = 0;
    fc.assert(
      fc.property(
        anyBench,
        anyCondition,
        fc.constantFrom(undefined, 3, 10),
        fc.constantFrom(1.2, 3, 8),
        fc.boolean(),
        (sizes, condition, maxRatio, finishUm, lighter) => {
          const set = sizes.map((um) => abrasive(String(um), um));
          const order = [...sizes].sort((a, b) => b - a).map(String);
          const all = compareSchools(chisel, set, {
            ...request,
            condition,
            maxRatio,
            finishUm,
            lighter,
            order,
          });
          const [least, ...others] = all;
          for (const { plan } of others) {
            if (!plan) continue;
            compared += 1;
            expect(least?.plan?.totalMin ?? Infinity).toBeLessThanOrEqual(plan.totalMin + 1e-9);
          }
        },
      ),
    );
    expect(compared).toBeGreaterThan(100);
  });

  it('double each step as nearly as the set allows, take two stones, or the very order named', () => {
    const by = (change: Partial<PlanRequest>): string[] =>
      ids(planHoning(chisel, bench, { ...request, ...change }));
    expect(by({ school: 'doubling' })).toEqual(['1000', '3000', '8000']);
    expect(by({ school: 'doubling', condition: { kind: 'nicked', nickMm: 0.4 } })).toEqual([
      '400',
      '1000',
      '3000',
      '8000',
    ]);
    expect(by({ school: 'two-stones' }).length).toBe(2);
    expect(by({ school: 'exact', order: ['400', '8000'], maxRatio: 40 })).toEqual(['400', '8000']);
    expect(() => by({ school: 'exact', order: ['8000', '400'] })).toThrowError(/finer than the one before/);
    expect(() => by({ school: 'exact', order: ['gone'] })).toThrowError(/not here/);
    expect(() => by({ school: 'exact' })).toThrowError(/Name the stones/);
    const plan = planHoning(chisel, bench, { ...request, school: 'two-stones' });
    expect(plan.verdicts.filter(({ used }) => !used).every(({ why }) => why.length > 20)).toBeTrue();
  });

  it('find the smallest largest jump, by brute force on small sets (fast-check)', () => {
    const sizes = fc.uniqueArray(fc.double({ min: 0.5, max: 60, noNaN: true }), {
      minLength: 1,
      maxLength: 7,
    });
    fc.assert(
      fc.property(sizes, fc.double({ min: 0.6, max: 20, noNaN: true }), (list, finishUm) => {
        const start = Math.max(...list) * 0.5;
        const stones = list.map((sizeUm, i) => ({ id: String(i), sizeUm, strokeMm: 100, overheadMin: 0 }));
        let best = Infinity;
        for (let mask = 1; mask < 1 << list.length; mask++) {
          const chosen = list.filter((_, i) => mask & (1 << i)).sort((a, b) => b - a);
          if ((chosen[0] ?? 0) < start || (chosen.at(-1) ?? 0) > finishUm) continue;
          best = Math.min(best, Math.max(1, ...chosen.slice(1).map((um, i) => (chosen[i] ?? 0) / um)));
        }
        expect(leastLargestJump(stones, start, finishUm)).toBe(best);
      }),
    );
    const job = { removeMm3: 1, contactMm2: 1, forceN: 20, strokesPerMin: 40 };
    const input = { abrasives: [], job, finishUm: 1 };
    expect(underSchool(input, { school: 'two-stones', damaged: false }).stones).toBe(2);
  });
});

describe('a plan', () => {
  it('puts care, wash, burr, back, strop and wiping where they belong', () => {
    const worn = Array.from({ length: 9 }, (_, i) => ({
      at: `2026-01-0${String(i + 1)}T09:00:00Z`,
      strokes: 40,
      minutes: 1,
      forceN: 20,
      strokeMm: 150,
      edgeMm: 40,
    }));
    const record: StonesRecord = {
      '1000': { care: stoneCare(abrasive('1000', 11.5), 11.5, worn, []), rate: learnedRate([]) },
    };
    const set = [...bench, strop];
    const exact = { ...request, school: 'exact', order: ['1000', '8000'] } as const;
    const plan = planHoning(chisel, set, exact, record);
    const { steps, order } = orderOfWork({
      plan,
      tool: chisel,
      settingOf: () => ({ angleDeg: 30 }),
      stoneOf: (id) => set.find((each) => each.id === id),
    });
    const words = order.map((each) =>
      each.kind === 'stone' ? `stone ${steps[each.step]?.abrasiveId ?? ''}` : each.kind,
    );
    expect(words.slice(1, 15)).toEqual([
      'care',
      'look',
      'set',
      'marker',
      'stone 1000',
      'burr',
      'wash',
      'stone 8000',
      'scratch',
      'burr-off',
      'nail',
      'proof',
      'wash',
      'stone strop',
    ]);
    expect(plan.care).toEqual([{ id: '1000', kind: 'flattened', minutes: 2 }]);
    const rested = planHoning(chisel, set, exact);
    expect(plan.totalMin - rested.totalMin).toBeCloseTo(2, 9);
    // A stone out of order is passed by while another is nearly as quick.
    expect(ids(planHoning(chisel, set, { ...request, school: 'two-stones' }, record))).not.toContain('1000');
    expect(planHoning(chisel, set, { ...request, strop: false }).strop).toBeUndefined();
  });

  it('strops only when asked to, and says so where there is no strop', () => {
    const plan = planHoning(chisel, [...bench, strop], { ...request, stropOnly: true });
    expect([plan.steps.length, plan.strop?.strokes, plan.job.removeMm3]).toEqual([0, 20, 0]);
    expect(() => planHoning(chisel, bench, { ...request, stropOnly: true })).toThrowError(/no strop at hand/);
  });

  it('keeps to one set, and does not mix oil and water unless nothing else leads there', () => {
    const oil = abrasive('oil', 11.5, {
      kind: 'oil-stone',
      lubricant: 'oil',
      overheadMin: 0,
      removalMm3PerNm: 1,
    });
    const mixed = [...bench, oil];
    expect(ids(planHoning(chisel, mixed, request))).not.toContain('oil');
    expect(ids(planHoning(chisel, mixed, { ...request, finishUm: 12 }))).toEqual(['oil']);
    const only = planHoning(chisel, [oil, abrasive('8000', 1.2)], { ...request, school: 'two-stones' });
    expect(ids(only)).toEqual(['oil', '8000']);
    const { order } = orderOfWork({
      plan: only,
      tool: chisel,
      stoneOf: (id) => (id === 'oil' ? oil : bench.find((each) => each.id === id)),
    });
    expect(order.find(({ kind }) => kind === 'wash')).toEqual({ kind: 'wash', oil: true });
    const sets = bench.map((each, i) => ({ ...each, sets: [i < 2 ? 'Roll' : 'Bench'] }));
    expect(ids(planHoning(chisel, sets, { ...request, set: 'Roll', finishUm: 12 }))).toEqual(['1000']);
    expect(() => planHoning(chisel, sets, { ...request, set: 'Nothing' })).toThrowError(/another set/);
  });

  it('takes a coarser stone before it makes a hundred strokes on a fine one', () => {
    const slow = { ...request, condition: { kind: 'very-dull' }, landMm: 2 } as const;
    const slowBench = [abrasive('1000', 11.5, { overheadMin: 40 }), abrasive('8000', 1.2)];
    const [alone] = planHoning(chisel, slowBench, slow).steps;
    expect([alone?.id, (alone?.strokes ?? 0) > 60]).toEqual(['8000', true]);
    expect(ids(planHoning(chisel, slowBench, { ...slow, mostStrokes: 60 }))).toEqual(['1000', '8000']);
    // Where no plan keeps to the limit it is raised until one does.
    const far = { ...slow, mostStrokes: 60, laidAside: ['1000'], maxRatio: 2 };
    expect(ids(planHoning(chisel, [abrasive('400', 35), ...slowBench], far))).toEqual(['8000']);
    expect(ids(planHoning(chisel, slowBench.slice(1), { ...slow, mostStrokes: 60 }))).toEqual(['8000']);
  });

  it('pushes lighter as it gets finer, and counts to and fro as twice the length', () => {
    expect([pushN(20, 14, true), pushN(20, 1.4, true), pushN(20, 1.4, false)]).toEqual([20, 18, 20]);
    const light = planHoning(chisel, bench, { ...request, lighter: true });
    expect(light.steps.at(-1)?.forceN).toBeLessThan(20);
    const one = { ...request, condition: { kind: 'nicked', nickMm: 0.2 }, finishUm: 40 } as const;
    const [pull, both] = (['pull', 'both'] as const).map(
      (way) => planHoning(chisel, bench, { ...one, way }).steps[0]?.strokes ?? 0,
    );
    expect((pull as number) / (both as number)).toBeCloseTo(2, 1);
  });

  it('plans every form of edge on what follows its shape', () => {
    const slip = abrasive('slip', 6, { kind: 'slip', lubricant: 'water' });
    const gouge = { form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, bevelDeg: 22 } as const;
    const plan = (cannel: 'in' | 'out'): string[] =>
      ids(
        planHoning({ ...chisel, family: 'gouge', edge: { ...gouge, cannel } }, [...bench, slip], {
          ...request,
          finishUm: 6,
        }),
      );
    expect(plan('in')).toEqual(['slip']);
    expect(plan('out')).not.toContain('slip');
    // Contract examples of the arc: 20 × 5 → 23.182 mm, 12 × 9 → 25.553 mm.
    expect(gougeArc({ widthMm: 20, depthMm: 5 }).arcMm).toBeCloseTo(23.182, 3);
    expect(gougeArc({ widthMm: 12, depthMm: 9 }).arcMm).toBeCloseTo(25.553, 3);
  });
});

describe('facts of the trade on fixed jobs (common practice, no source)', () => {
  it('makes a hollow grind well under half the work of the same flat bevel', () => {
    const flat = { ...without(edge, 'secondaryDeg'), thicknessMm: 4 };
    const hollow = { ...flat, grind: 'hollow', grindRadiusMm: 75 } as const;
    const [whole, rims] = [honingJob(flat, { kind: 'dull' }), honingJob(hollow, { kind: 'dull' })];
    expect(rims.removeMm3).toBeLessThan(0.4 * whole.removeMm3);
    expect(rims.contactMm2).toBeLessThan(0.4 * whole.contactMm2);
    const minutes = (it: SingleBevelEdge): number =>
      planHoning({ ...chisel, edge: it }, bench, request).totalMin;
    expect(minutes(hollow)).toBeLessThan(minutes(flat));
  });

  it('never takes machine knives a step finer than P600', () => {
    const knives: Tool = {
      name: 'Knives',
      family: 'planer-knives',
      steel: 'high-speed',
      edge: { form: 'knife-set', count: 3, lengthMm: 200, widthMm: 20, thicknessMm: 3, bevelDeg: 45 },
    };
    const graded = ['P320', 'P400', 'P600', 'P800', 'P1200'].map((grade) =>
      abrasive(grade, 1, { kind: 'film', grade: { standard: 'FEPA-P', grade } }),
    );
    for (const finishUm of [46, 35, 26]) {
      for (const school of ['least-time', 'doubling', 'two-stones'] as const) {
        const plan = unlessRefused(() =>
          planHoning(knives, graded, { ...request, finishUm, school, maxRatio: 4 }),
        );
        for (const id of plan ? ids(plan) : []) expect(['P320', 'P400', 'P600']).toContain(id);
      }
    }
    expect(() => planHoning(knives, graded, { ...request, finishUm: 20 })).toThrowError(/finest is 25.8/);
  });

  it('never lays a chisel’s back on a coarse stone in a touch-up; a new blade’s on every stone', () => {
    const touched = planHoning(chisel, bench, { ...request, school: 'doubling' });
    expect(touched.back?.map(({ id, prepares }) => `${id} ${String(prepares)}`)).toEqual(['8000 false']);
    const fresh = planHoning(chisel, bench, { ...request, school: 'doubling', condition: { kind: 'new' } });
    expect(fresh.back?.map(({ id }) => id)).toEqual([...ids(fresh), '8000']);
  });
});

describe('a condition taken in', () => {
  it('becomes millimetres and cubic millimetres, the deepest fault setting the whole edge back', () => {
    const { lines, job, treatment } = intake(edge, {
      kind: 'dull',
      faults: [
        { kind: 'pits', mm: 0.1 },
        { kind: 'overheated', mm: 0.3 },
      ],
    });
    // 4 µm round on 30°: 4·cot 15° = 14.93 µm.
    expect(job.recessionMm).toBeCloseTo(0.3 + 0.01493, 5);
    expect(
      lines.map((line) => ('counts' in line ? `${line.what} ${String(line.counts)}` : line.what)),
    ).toEqual(['tip', 'pits false', 'overheated true']);
    expect(treatment).toBe('regrind');
  });

  it('takes an edge out of square back as a wedge (volume by polygon areas along the width)', () => {
    const flat = without(edge, 'secondaryDeg');
    const job = honingJob(flat, {
      kind: 'dull',
      tipRadiusUm: 4,
      faults: [{ kind: 'out-of-square', mm: 0.4 }],
    });
    const even = 0.004 / Math.tan((12.5 * Math.PI) / 180);
    // Seen on the back: a strip `even` deep with a triangle of 0.4 mm on it, 40 mm wide, 3 mm of steel over it.
    const seen = polygonArea([
      [0, 0],
      [40, 0],
      [40, even + 0.4],
      [0, even],
    ]);
    expect(job.removeMm3).toBeCloseTo(Math.abs(seen) * 3, 9);
    expect(job.recessionMm).toBeCloseTo(even + 0.4, 9);
    const land = { kind: 'dull', tipRadiusUm: 4 } as const;
    const wedge = honingJob(edge, { ...land, faults: [{ kind: 'out-of-square', mm: 0.3 }] }, 0.5);
    const start = unworked(edge, 0.5);
    const from = 0.004 / Math.tan(Math.PI / 12);
    let sum = 0;
    for (let i = 0; i < 4000; i++)
      sum += steelToGoBackMm3(edge, start, from + (0.3 * (i + 0.5)) / 4000) / 4000;
    expect(wedge.removeMm3).toBeCloseTo(sum, 6);
  });

  it('decides: strop, hone, grind first, repair', () => {
    const what = (condition: Condition): string => intake(edge, condition, 0.5).treatment;
    expect(what({ kind: 'fading' })).toBe('strop');
    expect(what({ kind: 'fading', tipRadiusUm: 5 })).toBe('hone');
    expect(what({ kind: 'fading', faults: [{ kind: 'rounded-over', mm: 0.5 }] })).toBe('hone');
    for (const kind of ['dull', 'very-dull', 'rolled', 'new'] as const) expect(what({ kind })).toBe('hone');
    expect(what({ kind: 'nicked', nickMm: 0.1 })).toBe('hone');
    expect(what({ kind: 'nicked', nickMm: 0.3 })).toBe('regrind');
    expect(what({ kind: 'nicked', nickMm: 1.2 })).toBe('repair');
    expect(what({ kind: 'unknown' })).toBe('hone');
    expect(what({ kind: 'dull', faults: [{ kind: 'wide-land' }] })).toBe('regrind');
    expect(what({ kind: 'dull', faults: [{ kind: 'wrong-angle', foundDeg: 32 }] })).toBe('regrind');
    expect(what({ kind: 'dull', faults: [{ kind: 'wrong-angle', foundDeg: 20 }] })).toBe('hone');
    const steep = intake(edge, { kind: 'dull', faults: [{ kind: 'wrong-angle', foundDeg: 32 }] });
    const line = steep.lines.find((each) => each.what === 'wrong-angle');
    // Triangle between the two bevels, by its corners.
    const heel = (deg: number): number => 3 / Math.tan((deg * Math.PI) / 180);
    const triangle = polygonArea([
      [0, 0],
      [heel(25), 3],
      [heel(32), 3],
    ]);
    expect(line?.what === 'wrong-angle' ? line.mm3 : NaN).toBeCloseTo(Math.abs(triangle) * 40, 9);
  });

  it('asks for more steel the worse it is, whatever is wrong (fast-check)', () => {
    const faults = fc.constantFrom('pits', 'overheated', 'out-of-square', 'rounded-over');
    fc.assert(
      fc.property(faults, fc.double({ min: 0.02, max: 1, noNaN: true }), (kind, mm) => {
        const steel = (reach: number): number =>
          honingJob(edge, { kind: 'dull', faults: [{ kind, mm: reach }] }, 0.5).removeMm3;
        expect(steel(mm * 1.1)).toBeGreaterThan(steel(mm));
        expect(steel(mm)).toBeGreaterThan(honingJob(edge, { kind: 'dull' }, 0.5).removeMm3);
      }),
    );
  });
});

describe('one more stone', () => {
  it('saves nothing where the set is full, and something where a gap stands; as the plan itself says', () => {
    const input = {
      tool: chisel,
      request: { ...request, condition: { kind: 'nicked', nickMm: 0.2 } },
      kind: 'water-stone',
      sizes: 60,
    } as const;
    const poor = [abrasive('8000', 1.2)];
    const sweep = stoneSweep({ ...input, bench: poor });
    const best = bestOf(sweep);
    expect(best?.savedMin).toBeGreaterThan(1);
    const bought = abrasive('new', best?.sizeUm ?? 0);
    const strip = (set: OwnedAbrasive[]): number => planHoning(chisel, set, input.request).totalMin;
    expect(strip(poor) - strip([...poor, bought])).toBeCloseTo(best?.savedMin ?? NaN, 9);
    expect(sweep.swept.every(({ savedMin }) => savedMin >= 0)).toBeTrue();
    const full = stoneSweep({ ...input, bench: [...poor, bought] });
    expect(bestOf(full)?.savedMin ?? 0).toBeLessThan((best?.savedMin ?? 0) / 4);
  });
});
