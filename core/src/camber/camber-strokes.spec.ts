import fc from 'fast-check';
import { Refusal } from '../base/refusal.js';
import {
  camberStrokes,
  judged,
  parabolaOf,
  placedProfile,
  spreadStrokes,
  strokesTo,
  type CamberStrokesInput,
  type PlaceCount,
} from './camber-strokes.js';
import { BED_GIVE_MM, fingerPressure } from './finger-pressure.js';

const IRON = {
  widthMm: 50,
  landMm: 0.6,
  secondaryDeg: 30,
  removalPerStrokeMm3: 0.012,
  positions: 5,
} as const;
const US = Array.from({ length: 101 }, (_, i) => i / 50 - 1);

/** Simpson's rule over −1..1, fine enough for a kink. */
function integral(f: (u: number) => number): number {
  const n = 20_000;
  let sum = f(-1) + f(1);
  for (let i = 1; i < n; i++) sum += (i % 2 ? 4 : 2) * f(-1 + (2 * i) / n);
  return (sum * 2) / n / 3;
}

describe('pressure under a finger', () => {
  it('agrees with the worked figures', () => {
    expect(fingerPressure(0.8)(0.8)).toBeCloseTo(2.2222, 4);
    expect(fingerPressure(0.4)(0)).toBeCloseTo(0.49383, 5);
    expect(fingerPressure(0.8)(1)).toBeCloseTo(2 / (3 * 0.2), 9);
  });

  it('carries the whole load with its centre under the finger, and pulls nowhere, straight or curved (fast-check)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.95, max: 0.95, noNaN: true }),
        fc.oneof(fc.constant(0), fc.double({ min: 0, max: 3, noNaN: true })),
        (e, bow) => {
          const pressure = fingerPressure(e, bow);
          expect(integral(pressure)).toBeCloseTo(1, 4);
          expect(integral((u) => u * pressure(u))).toBeCloseTo(e, 4);
          expect(Math.min(...US.map(pressure))).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is what a bed of springs carries, settled by tilting and sinking until load and moment are met', () => {
    for (const [e, bow] of [
      [0.4, 0.07],
      [-0.8, 0.2],
      [0.8, 0.07],
      [0.4, 1],
    ] as const) {
      const springs = settled(e, bow);
      const pressure = fingerPressure(e, bow);
      for (const u of [-0.9, -0.5, 0, 0.3, 0.6, 0.95]) expect(pressure(u)).toBeCloseTo(springs(u), 2);
    }
  });

  it('lies even under the middle of a straight edge and ever more on the middle of a curved one', () => {
    expect(fingerPressure(0)(0.7)).toBeCloseTo(0.5, 9);
    expect(fingerPressure(0, 0.2)(0)).toBeGreaterThan(fingerPressure(0, 0.07)(0));
    expect(fingerPressure(0, 3 * BED_GIVE_MM)(1)).toBe(0);
  });

  it('works a smaller patch of a curved edge off its middle too', () => {
    const worked = (bow: number): number => US.filter((u) => fingerPressure(0.4, bow)(u) > 0).length;
    expect(worked(0.2)).toBeLessThan(worked(0.02));
    expect(worked(2)).toBeLessThan(worked(0.2));
  });
});

/** A strip of 400 springs under a parabola, sunk and tilted little by little until it carries a unit load at e. */
function settled(e: number, bow: number): (u: number) => number {
  const us = Array.from({ length: 400 }, (_, i) => (i + 0.5) / 200 - 1);
  let [sink, tilt] = [BED_GIVE_MM, 0];
  const press = (u: number): number => Math.max(0, sink + tilt * u - bow * u * u) / (2 * BED_GIVE_MM);
  for (let i = 0; i < 20_000; i++) {
    const load = us.reduce((sum, u) => sum + press(u) / 200, 0);
    const moment = us.reduce((sum, u) => sum + (u * press(u)) / 200, 0);
    sink += 0.02 * (1 - load);
    tilt += 0.02 * (e - moment);
    if (Math.abs(1 - load) + Math.abs(e - moment) < 1e-9) break;
  }
  return press;
}

describe('camber-strokes', () => {
  /** Every plan up to a corner count, the slow way. */
  function everyPlan(input: CamberStrokesInput, most: number): { best: number; kindest: number } {
    const target = US.map((u) => input.camberMm * u * u);
    const plans: { off: number; loss: number }[] = [];
    for (let outer = 0; outer <= most; outer++) {
      for (let inner = 0; inner <= (input.positions === 5 ? most : 0); inner++) {
        for (const middle of [0, 1, 2]) {
          const strokes =
            input.positions === 5 ? [outer, inner, middle, inner, outer] : [outer, middle, outer];
          const { deviationMm, middleLossMm } = judged(input, strokes, target);
          plans.push({ off: deviationMm, loss: middleLossMm });
        }
      }
    }
    const best = Math.min(...plans.map(({ off }) => off));
    return {
      best,
      kindest: Math.min(...plans.filter(({ off }) => off <= 1.1 * best + 1e-12).map(({ loss }) => loss)),
    };
  }

  it('finds what trying every plan of whole strokes finds', () => {
    for (const positions of [3, 5] as const) {
      for (const camberMm of [0.02, 0.05, 0.0707, 0.12]) {
        for (const widthMm of [33, 50, 60]) {
          const input = { ...IRON, removalPerStrokeMm3: 0.03, positions, camberMm, widthMm };
          const found = camberStrokes(input);
          const every = everyPlan(input, 45);
          expect(found.nearest.deviationMm)
            .withContext(`${positions} ${camberMm}`)
            .toBeCloseTo(every.best, 9);
          expect(found.middleLossMm).withContext(`${positions} ${camberMm}`).toBeCloseTo(every.kindest, 9);
          expect(found.deviationMm).toBeLessThanOrEqual(1.1 * every.best + 1e-9);
        }
      }
    }
  });

  it('strays no further than 1-2-1 and 1-2-3 from the middle out, at equal steel, from a score of strokes on', () => {
    const naive: readonly (readonly number[])[] = [
      [1, 2, 1, 2, 1],
      [3, 2, 1, 2, 3],
    ];
    let compared = 0;
    for (const widthMm of [40, 44, 50, 60, 70]) {
      for (const removalPerStrokeMm3 of [0.002, 0.004, 0.008, 0.012]) {
        for (const camberMm of [0.05, 0.0707, 0.1, 0.15, 0.24, 0.35]) {
          const work = { ...IRON, widthMm, removalPerStrokeMm3 };
          const plan = camberStrokes({ ...work, camberMm });
          const total = plan.strokes.reduce((sum, count) => sum + count, 0);
          for (const pattern of naive) {
            const share = total / pattern.reduce((sum, count) => sum + count, 0);
            const strokes = pattern.map((count) => Math.round(count * share));
            // At equal steel only: rounding may not hand the pattern another total.
            if (total < 20 || strokes.reduce((sum, count) => sum + count, 0) !== total) continue;
            const target = US.map((u) => camberMm * u * u);
            compared += 1;
            expect(plan.furthestMm).toBeLessThanOrEqual(judged(work, strokes, target).furthestMm + 1e-12);
          }
        }
      }
    }
    expect(compared).toBeGreaterThan(50);
  });

  it('comes nearer with five places than with three, and grows with the camber (fast-check)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.04, max: 0.3, noNaN: true }), (camberMm) => {
        const of = (positions: PlaceCount, mm: number): ReturnType<typeof camberStrokes> =>
          camberStrokes({ ...IRON, removalPerStrokeMm3: 0.004, positions, camberMm: mm });
        expect(of(5, camberMm).nearest.deviationMm).toBeLessThanOrEqual(
          of(3, camberMm).nearest.deviationMm + 1e-9,
        );
        const total = (mm: number): number => of(5, mm).strokes.reduce((sum, count) => sum + count, 0);
        expect(total(1.5 * camberMm)).toBeGreaterThanOrEqual(total(camberMm));
      }),
      { numRuns: 25 },
    );
  });

  it('takes the steel its strokes take, and gives the parabola asked for', () => {
    const { strokes, profile } = camberStrokes({ ...IRON, camberMm: 0.0707, removalPerStrokeMm3: 0.003 });
    const perMm = IRON.landMm * Math.sin(Math.PI / 6);
    const steel = profile.reduce(
      (sum, { removedMm }, i) => sum + removedMm * perMm * 0.5 * (i === 0 || i === 100 ? 0.5 : 1),
      0,
    );
    const total = strokes.reduce((sum, count) => sum + count, 0);
    expect(steel / (total * 0.003)).toBeCloseTo(1, 1);
    const { camberMm, leanMm } = parabolaOf(profile.map(({ removedMm }) => removedMm));
    expect(Math.abs(camberMm - 0.0707)).toBeLessThan(0.007);
    expect(leanMm).toBeCloseTo(0, 12);
  });

  it('hones one side more where the edge leans, and the middle where it has too much', () => {
    const lean = strokesTo(IRON, (u) => 0.03 * (u + 1), 0);
    const [left, right] = [lean.strokes.slice(0, 2), lean.strokes.slice(3)].map((side) =>
      side.reduce((sum, count) => sum + count, 0),
    ) as [number, number];
    expect(right).toBeGreaterThan(left);
    const deep = strokesTo(IRON, (u) => -0.05 * u * u, 0.12);
    expect(deep.strokes[2]).toBeGreaterThan(0);
    expect(deep.strokes[0]).toBe(0);
    expect(parabolaOf(placedProfile(IRON, deep.strokes, 0.12)).camberMm).toBeLessThan(-0.03);
  });

  it('asks for nothing where nothing is wanted, and refuses more than a half circle', () => {
    expect(strokesTo(IRON, () => 0, 0).strokes).toEqual([0, 0, 0, 0, 0]);
    expect(() => camberStrokes({ ...IRON, camberMm: 26 })).toThrowError(Refusal, /half circle/);
  });

  it('spreads a finer stone’s strokes over every place, alike on both sides, as evenly as may be', () => {
    for (const count of [5, 6, 8, 12, 20]) {
      const spread = spreadStrokes(IRON, count);
      expect(spread.reduce((sum, each) => sum + each, 0)).toBe(count);
      expect([...spread].reverse()).toEqual([...spread]);
      expect(Math.min(...spread)).toBeGreaterThanOrEqual(1);
    }
    expect(() => spreadStrokes(IRON, 4)).toThrowError(Refusal);
  });
});
