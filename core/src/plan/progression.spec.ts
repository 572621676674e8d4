import fc from 'fast-check';
import {
  progression,
  routesThrough,
  type ProgressionAbrasive,
  type ProgressionInput,
} from './progression.js';

interface Route {
  readonly ids: readonly string[];
  readonly totalMin: number;
}

/** Every subset in falling order of size, costed straight from the definition. */
function allRoutes(input: ProgressionInput): Route[] {
  const { abrasives, job, finishUm, minStrokes = 4, maxRatio = Infinity, stones, startUm = 0 } = input;
  const routes: Route[] = [];
  for (let mask = 1; mask < 1 << abrasives.length; mask++) {
    const chosen = abrasives.filter((_, i) => mask & (1 << i)).sort((a, b) => b.sizeUm - a.sizeUm);
    const falls = chosen.every((a, i) => {
      const before = chosen[i - 1];
      return !before || (before.sizeUm > a.sizeUm && before.sizeUm / a.sizeUm <= maxRatio);
    });
    if (stones !== undefined && chosen.length !== stones) continue;
    if ((chosen[0] as ProgressionAbrasive).sizeUm < startUm) continue;
    if (!falls || (chosen.at(-1) as ProgressionAbrasive).sizeUm > finishUm) continue;
    let totalMin = 0;
    chosen.forEach((a, i) => {
      const before = chosen[i - 1];
      const scratch = (s: ProgressionAbrasive): number => s.scratchUm ?? 0.12 * s.sizeUm;
      const volume = before
        ? (job.contactMm2 * Math.max(0, scratch(before) - scratch(a))) / 1000
        : job.removeMm3;
      const k = a.removalMm3PerNm ?? 0.0056 * (a.sizeUm / 14) ** 0.8;
      const most = a.mostStrokes ?? Infinity;
      const per = (k * (a.forceN ?? job.forceN) * a.strokeMm) / 1000 / (job.steelFactor ?? 1);
      const strokes = Math.max(minStrokes, Math.ceil(volume / per - 1e-9));
      totalMin += strokes <= most ? strokes / job.strokesPerMin + a.overheadMin : Infinity;
    });
    if (totalMin < Infinity) routes.push({ ids: chosen.map((a) => a.id), totalMin });
  }
  return routes;
}

const SIZES = [58.5, 35, 25.8, 18.3, 14, 11.5, 8, 5.5, 3, 2, 1.2, 0.5];
const anyInput: fc.Arbitrary<ProgressionInput> = fc
  .array(
    fc.record({
      sizeUm: fc.constantFrom(...SIZES),
      strokeMm: fc.integer({ min: 60, max: 200 }),
      overheadMin: fc.constantFrom(0, 0.25, 0.5, 1),
      forceN: fc.option(fc.integer({ min: 5, max: 40 }), { nil: undefined }),
      removalMm3PerNm: fc.option(fc.double({ min: 0.0005, max: 0.02, noNaN: true }), { nil: undefined }),
      mostStrokes: fc.option(fc.integer({ min: 5, max: 80 }), { nil: undefined }),
      scratchUm: fc.option(fc.double({ min: 0.05, max: 8, noNaN: true }), { nil: undefined }),
    }),
    { minLength: 1, maxLength: 7 },
  )
  .chain((stones) =>
    fc.record({
      abrasives: fc.constant(stones.map((stone, i) => ({ ...stone, id: `s${i}` }))),
      job: fc.record({
        removeMm3: fc.double({ min: 0.01, max: 5, noNaN: true }),
        contactMm2: fc.double({ min: 1, max: 400, noNaN: true }),
        forceN: fc.constant(20),
        strokesPerMin: fc.constant(40),
        steelFactor: fc.constantFrom(1, 1.4, 2),
      }),
      finishUm: fc.constantFrom(...SIZES.map((um) => um + 0.01)),
      minStrokes: fc.constantFrom(undefined, 0, 4, 10),
      maxRatio: fc.constantFrom(undefined, 1.7, 3, 10),
      stones: fc.constantFrom(undefined, undefined, 1, 2, 3),
      startUm: fc.constantFrom(undefined, undefined, 8, 20),
    }),
  );

const touchUp = (tipUm: number, widthMm: number): ProgressionInput => ({
  abrasives: [
    { id: 'j1000', sizeUm: 11.5, strokeMm: 150, overheadMin: 0.5 },
    { id: 'j8000', sizeUm: 1.2, strokeMm: 150, overheadMin: 0.5 },
  ],
  job: {
    // 30° over 25°, land 0.5 mm: the land's face goes back by its recession times sin 30°.
    removeMm3: 0.5 * (tipUm / 1000 / Math.tan(Math.PI / 12)) * 0.5 * widthMm,
    contactMm2: 0.5 * widthMm,
    forceN: 20,
    strokesPerMin: 40,
  },
  finishUm: 1.2,
});

describe('progression', () => {
  it('finds the least minutes of every subset, by brute force on random sets', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const routes = allRoutes(input);
        if (routes.length === 0) {
          expect(() => progression(input)).toThrow();
          return;
        }
        const least = Math.min(...routes.map((route) => route.totalMin));
        const tied = routes.filter((route) => route.totalMin <= least + 1e-9);
        const found = progression(input);
        expect(found.totalMin).toBeCloseTo(least, 8);
        expect(found.steps.length).toBe(Math.min(...tied.map((route) => route.ids.length)));
      }),
      { numRuns: 500 },
    );
  });

  it('knows the least route through each abrasive, by brute force', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const routes = allRoutes(input);
        if (routes.length === 0) return;
        for (const { id, totalMin } of routesThrough(input)) {
          // A way on past the finish is never shorter, so stopping there is the least.
          const least = Math.min(...routes.filter((r) => r.ids.includes(id)).map((r) => r.totalMin));
          if (least === Infinity) expect(totalMin).toBe(Infinity);
          else expect(totalMin).toBeCloseTo(least, 8);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('breaks a tie by fewer stones, then by input order', () => {
    const same = (id: string): ProgressionAbrasive => ({ id, sizeUm: 3, strokeMm: 150, overheadMin: 1 });
    const job = { removeMm3: 0.001, contactMm2: 1, forceN: 20, strokesPerMin: 40 };
    expect(progression({ abrasives: [same('b'), same('a')], job, finishUm: 3 }).steps[0]?.id).toBe('b');
    const free = { id: 'coarse', sizeUm: 10, strokeMm: 150, overheadMin: 0 };
    const two = progression({
      abrasives: [free, { ...same('fine'), overheadMin: 0 }],
      job: { ...job, removeMm3: 1e-12, contactMm2: 0 },
      minStrokes: 0,
      finishUm: 3,
    });
    expect(two.steps.map((step) => step.id)).toEqual(['fine']);
  });

  it('counts a jump of exactly the largest ratio as allowed', () => {
    const input = touchUp(4, 45);
    expect(progression({ ...input, maxRatio: 11.5 / 1.2 }).steps.length).toBeGreaterThan(0);
  });

  it('agrees with a touch-up as the trade counts it (common practice, no source)', () => {
    // Fixed job: water stones, 3 N·m a stroke; tip radius 3 µm on 45 mm is the middle of 2–5 µm on 40–50 mm.
    const [on1000, on8000] = progression(touchUp(3, 45)).steps;
    expect(on1000?.id).toBe('j1000');
    expect(on1000?.strokes).toBeGreaterThanOrEqual(4);
    expect(on1000?.strokes).toBeLessThanOrEqual(10);
    expect(on8000?.strokes).toBeGreaterThanOrEqual(5);
    expect(on8000?.strokes).toBeLessThanOrEqual(13);
    // The worst corner of the range stays within the estimate's factor of two.
    expect(progression(touchUp(5, 50)).steps[0]?.strokes).toBeLessThanOrEqual(20);
  });

  it('says which wish leaves no way', () => {
    const input = touchUp(4, 45);
    expect(() => progression({ ...input, stones: 3 })).toThrowError(/No 3 of these/);
    expect(() => progression({ ...input, startUm: 30 })).toThrowError(/begin finer/);
    expect(() => progression({ ...input, startUm: 5, maxRatio: 2 })).toThrowError(/larger jump/);
    const few = input.abrasives.map((each) => ({ ...each, mostStrokes: 5 }));
    expect(() => progression({ ...input, abrasives: few })).toThrowError(/more strokes on one stone/);
    expect(() => progression({ ...input, stones: 0.5 })).toThrowError(/whole number/);
  });

  it('refuses a finish nothing reaches and an empty bench, saying what to change', () => {
    const input = touchUp(4, 45);
    expect(() => progression({ ...input, finishUm: 1 })).toThrowError(/the finest is 1.2 µm/);
    expect(() => progression({ ...input, abrasives: [] })).toThrowError(/at least one abrasive/);
  });
});
