import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import fc from 'fast-check';
import { edgeHistory } from '../record/edge-state.js';
import { stonesRecord } from '../record/stones-record.js';
import { rateReadings } from '../record/rate-readings.js';
import type { SizedAbrasive } from './placing.js';
import { recessionForLand, landGrowth } from '../blade/land-growth.js';
import { goneBackMm } from '../testing/blades.js';
import type { PlanRequest } from '../plan/plan-request.js';
import { planHoning } from '../plan/ways-out.js';
import type { Tool } from '../blade/tool.js';
import { estimatedRemovalMm3PerNm, removalPerStrokeMm3 } from './removal.js';
import { learnedRate, slowing } from './learned-rate.js';
import { rateFromReadings } from './rate-from-readings.js';
import { without } from '../testing/without.js';
import type { Session } from '../record/session.js';

const edge = {
  form: 'single-bevel',
  widthMm: 40,
  thicknessMm: 3,
  primaryDeg: 25,
  secondaryDeg: 30,
  landMm: 0.6,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
} as const;
const iron: Tool & { id: string } = {
  id: 't',
  name: 'Iron',
  family: 'plane-iron',
  steel: 'high-carbon',
  edge,
};
const stone: SizedAbrasive = {
  id: 'w1000',
  name: 'Stone',
  kind: 'water-stone',
  grade: { standard: 'UM', grade: '14' },
  sizeUm: 14,
  lubricant: 'water',
  strokeMm: 150,
  overheadMin: 0.5,
};
const bench = new Map([[stone.id, stone]]);
const STROKES = 12;

describe('learnedRate', () => {
  it('knows nothing without readings but the estimate’s own doubt', () => {
    const { factor, low, high, readings } = learnedRate([]);
    expect([factor, readings]).toEqual([1, 0]);
    expect(low).toBeCloseTo(Math.exp(-1.2816 * 0.5), 4);
    expect(high).toBeCloseTo(1 / low, 9);
  });

  it('weighs readings against the estimate as two normal laws do (worked by hand)', () => {
    // ln 2 twice, sd 0.3 each, against 0 with sd 0.5: (2·ln 2/0.09)/(1/0.25 + 2/0.09).
    const { factor, sd } = learnedRate([2, 2]);
    expect(Math.log(factor)).toBeCloseTo((2 * Math.log(2)) / 0.09 / (4 + 2 / 0.09), 12);
    expect(sd).toBeCloseTo(1 / Math.sqrt(4 + 2 / 0.09), 12);
  });

  it('comes nearer to what is read, and surer, with every reading that agrees (fast-check)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        fc.integer({ min: 1, max: 30 }),
        (ratio, n) => {
          const [less, more] = [n, n + 1].map((count) => learnedRate(new Array<number>(count).fill(ratio)));
          if (!less || !more) return;
          const off = (factor: number): number => Math.abs(Math.log(factor / ratio));
          expect(off(more.factor)).toBeLessThanOrEqual(off(less.factor) + 1e-12);
          expect(more.sd).toBeLessThan(less.sd);
        },
      ),
    );
  });

  it('tells of a stone that has become a quarter slower, not of noise', () => {
    expect(slowing([1.4, 1.3, 1.5, 1.4, 0.8, 0.75, 0.8])).toBeCloseTo(0.561, 2);
    expect(slowing([1.4, 1.3, 1.5, 1.3, 1.2, 1.4])).toBeUndefined();
    expect(slowing([1.4, 0.5, 0.5])).toBeUndefined();
  });
});

/** One honing of a shop whose stone cuts `rate` times as assumed, its recession measured with a reading’s noise. */
function honing(
  i: number,
  rate: number,
  noise: number,
  landMm: number,
): Parameters<typeof edgeHistory>[1][number] {
  const steel =
    (STROKES * removalPerStrokeMm3(estimatedRemovalMm3PerNm(14), 20, 150, 1) * rate * noise) / edge.widthMm;
  const from = recessionForLand(25, 30, landMm);
  return {
    id: `s${String(i)}`,
    toolId: 't',
    kind: 'honing',
    startedAt: `2026-03-${String(i + 1).padStart(2, '0')}T09:00:00Z`,
    landMm,
    steps: [
      {
        abrasiveId: stone.id,
        strokes: STROKES,
        minutes: 1,
        forceN: 20,
        recessionMm: goneBackMm(edge, from, steel) - from,
      },
    ],
  };
}

describe('what the readings teach', () => {
  const generator = xoroshiro128plus(20261124);
  const uniform = (): number => uniformFloat64(generator);
  const normal = (sd: number): number =>
    sd * Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());

  it('holds the true rate in its 80 % range in 75–85 % of 1,000 simulated shops', () => {
    let held = 0;
    for (let shop = 0; shop < 1000; shop++) {
      const rate = Math.exp(normal(0.5));
      const count = 1 + Math.floor(12 * uniform());
      const sessions = Array.from({ length: count }, (_, i) => honing(i, rate, Math.exp(normal(0.3)), 0.6));
      const readings = rateReadings(iron, edgeHistory(iron, sessions, [stone]), bench);
      expect(readings.length).toBe(count);
      const { low, high } = learnedRate(readings.map(({ ratio }) => ratio));
      if (rate >= low && rate <= high) held += 1;
    }
    expect(held).toBeGreaterThanOrEqual(750);
    expect(held).toBeLessThanOrEqual(850);
  });

  it('changes the next plan, says from how many readings, and forgets when it is told to', () => {
    const sessions = Array.from({ length: 9 }, (_, i) => honing(i, 1.5, 1, 0.6));
    const readings = rateReadings(iron, edgeHistory(iron, sessions, [stone]), bench);
    const known = stonesRecord([stone], [], [], readings);
    expect(known[stone.id]?.rate.readings).toBe(9);
    expect(known[stone.id]?.rate.factor).toBeCloseTo(1.5, 1);
    const request: PlanRequest = {
      condition: { kind: 'nicked', nickMm: 0.1 },
      finishUm: 14,
      forceN: 20,
      strokesPerMin: 40,
      laidAside: [],
    };
    const strokes = (record = {}): number =>
      planHoning(iron, [stone], request, record).steps[0]?.strokes ?? 0;
    expect(strokes() / strokes(known)).toBeCloseTo(known[stone.id]?.rate.factor ?? NaN, 1);
    const forgotten = stonesRecord([{ ...stone, learnFrom: '2026-03-08T00:00:00Z' }], [], [], readings);
    expect(forgotten[stone.id]?.rate.readings).toBe(2);
  });

  it('reads a nick of known depth gone, a tip of known radius, a land before and after; never a mere word', () => {
    const one = honing(0, 1, 1, 0.6);
    const plain = {
      ...without(one, 'landMm'),
      steps: [{ abrasiveId: stone.id, strokes: 60, minutes: 2, forceN: 20 }],
    };
    const read = (...sessions: Parameters<typeof edgeHistory>[1][number][]): string[] =>
      rateReadings(iron, edgeHistory(iron, sessions, [stone]), bench).map(({ by }) => by);
    const outcome = { burr: 'all-along' } as const;
    expect(read({ ...plain, conditionBefore: { kind: 'nicked', nickMm: 0.2 }, outcome })).toEqual(['nick']);
    expect(read({ ...plain, conditionBefore: { kind: 'dull', tipRadiusUm: 5 }, outcome })).toEqual(['burr']);
    expect(read({ ...plain, conditionBefore: { kind: 'dull', tipRadiusUm: 5 } })).toEqual([]);
    expect(read({ ...plain, conditionBefore: { kind: 'dull' }, outcome })).toEqual([]);
    const later = {
      ...without(one, 'steps'),
      id: 'm',
      kind: 'measuring',
      startedAt: '2026-04-01T09:00:00Z',
    } as const;
    const land = { ...plain, landMm: 0.6 };
    expect(read(land, { ...later, landMm: 0.8 })).toEqual(['land']);
    const other = { ...plain, id: 'other', startedAt: '2026-03-20T09:00:00Z' };
    expect(read(land, other, { ...later, landMm: 0.9 }))
      .withContext('over two honings')
      .toEqual(['land']);
    expect(read(land, { ...other, steps: [] }, { ...later, landMm: 0.9 }))
      .withContext('a honing whose strokes nobody counted')
      .toEqual([]);
    expect(
      read(
        { ...land, steps: [{ abrasiveId: stone.id, strokes: 4, minutes: 1 }] },
        { ...later, landMm: 0.65 },
      ),
    )
      .withContext('less growth expected than a rule can tell')
      .toEqual([]);
    // The land of 0.8 mm is known to the core’s own growth law: the ratio is its steel over the strokes’.
    const [reading] = rateReadings(
      iron,
      edgeHistory(iron, [land, { ...later, landMm: 0.8 }], [stone]),
      bench,
    );
    const steel = (mm: number): number =>
      landGrowth({ ...edge, recessionMm: recessionForLand(25, 30, mm) }).steelMm2 * edge.widthMm;
    const expected = 60 * removalPerStrokeMm3(estimatedRemovalMm3PerNm(14), 20, 150, 1);
    expect(reading?.ratio).toBeCloseTo((steel(0.8) - steel(0.6)) / expected, 6);
  });
});

describe('a burr that was looked for on the way', () => {
  const nicked = (strokes: number, noBurrAt?: number): Session & { readonly id: string } => ({
    ...{ id: 's', toolId: 't', kind: 'honing', startedAt: '2026-03-01T09:00:00Z' },
    steps: [
      { abrasiveId: stone.id, strokes, minutes: 1, forceN: 20, ...(noBurrAt !== undefined && { noBurrAt }) },
    ],
    conditionBefore: { kind: 'nicked', nickMm: 0.1 },
    outcome: { burr: 'all-along' },
  });
  const readingOf = (session: ReturnType<typeof nicked>) =>
    rateReadings(iron, edgeHistory(iron, [session], [stone]), bench)[0];

  it('came between its last look in vain and the strokes it stood after; one that stood at once says only at least', () => {
    const plain = readingOf(nicked(300));
    expect(plain?.looked).toBeUndefined();
    expect(readingOf(nicked(300, 0))).toEqual({ ...plain, looked: {} } as typeof plain);
    const between = readingOf(nicked(300, 200))?.looked?.upTo;
    expect(between).toBeCloseTo(1.5 * (plain?.ratio ?? NaN), 9);
  });

  it('is read as it was planned: a nick honed by its plan to the stroke says the stone cuts as assumed', () => {
    for (const nickMm of [0.05, 0.1, 0.2]) {
      const conditionBefore = { kind: 'nicked', nickMm } as const;
      const request = {
        condition: conditionBefore,
        finishUm: 14,
        forceN: 20,
        strokesPerMin: 40,
        laidAside: [],
      };
      const strokes = planHoning(iron, [stone], request).steps[0]?.strokes ?? 0;
      expect(readingOf({ ...nicked(strokes), conditionBefore })?.ratio)
        .withContext(`${nickMm} mm`)
        .toBeCloseTo(1, 1);
    }
  });

  it('never tells a stone slow that raised it by the plan’s own count, and does where it came late (fast-check)', () => {
    const share = fc.double({ min: 0.2, max: 0.9, noNaN: true });
    fc.assert(
      fc.property(fc.array(share, { minLength: 1, maxLength: 12 }), (ratios) => {
        const seen = (looked?: { readonly upTo?: number }) =>
          rateFromReadings(
            ratios.map((ratio) => ({ ratio, sd: 0.1, honings: 1, ...(looked && { looked }) })),
          );
        expect(seen({}).factor).toBeGreaterThan(0.95);
        expect(seen().factor).toBeLessThan(seen({}).factor);
        expect(seen({ upTo: 1 }).high).toBeLessThan(seen({}).high);
      }),
      { numRuns: 25 },
    );
  });

  it('is told the wider the more of the steel other stones took, however many readings there are', () => {
    const told = (beside: number) =>
      rateFromReadings(Array.from({ length: 40 }, () => ({ ratio: 1, sd: 0.05, honings: 5, beside })));
    expect(told(0.2).high).toBeGreaterThan(1.03 * told(0).high);
    expect(told(0.2).factor).toBe(told(0).factor);
  });
});
