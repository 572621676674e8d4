import fc from 'fast-check';
import { foldTo } from './folding.js';
import { knifeLift, liftAngle } from './knife-lift.js';
import { STACK_TOLERANCE_DEG, liftStack, type Packing } from './lift-stack.js';
import { wheelSupport } from './wheel-support.js';

const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

describe('knife-lift', () => {
  it('agrees with the worked examples', () => {
    expect(knifeLift({ widthMm: 22, bevelDeg: 15 }).liftMm).toBeCloseTo(5.694, 3);
    expect(knifeLift({ widthMm: 22, bevelDeg: 15, spineThicknessMm: 3 }).liftMm).toBeCloseTo(4.245, 3);
  });

  it('is undone by the angle of a lift (fast-check), and refuses what lies flatter than the blade does', () => {
    fc.assert(
      fc.property(mm(8, 60), mm(0, 4), mm(16, 40), (widthMm, spineThicknessMm, bevelDeg) => {
        const { liftMm } = knifeLift({ widthMm, spineThicknessMm, bevelDeg });
        expect(liftAngle({ widthMm, spineThicknessMm }, liftMm).bevelDeg).toBeCloseTo(bevelDeg, 9);
      }),
    );
    expect(() => knifeLift({ widthMm: 12, spineThicknessMm: 3, bevelDeg: 7 })).toThrowError(
      /already stands at 7.1°/,
    );
    expect(() => liftAngle({ widthMm: 12 }, 13)).toThrowError(/smaller lift/);
  });
});

describe('lift-stack', () => {
  const knife = { widthMm: 22, spineThicknessMm: 3, bevelDeg: 15 };
  const washers: readonly Packing[] = [
    { name: 'washer', thicknessMm: 1.6, count: 4 },
    { name: 'thin washer', thicknessMm: 1, count: 4 },
    { name: 'card', thicknessMm: 0.3, count: 10 },
  ];

  it('takes the fewest pieces within half a degree, as trying every stack does (fast-check)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ thicknessMm: mm(0.2, 3), count: fc.integer({ min: 1, max: 4 }) }), {
          minLength: 1,
          maxLength: 4,
        }),
        mm(10, 25),
        (kinds, bevelDeg) => {
          const packing = kinds.map((kind, i) => ({ ...kind, name: `kind ${i}` }));
          let counts: number[][] = [[]];
          for (const { count } of packing) {
            counts = counts.flatMap((sofar) => Array.from({ length: count + 1 }, (_, n) => [...sofar, n]));
          }
          const fits = counts.filter((taken) => {
            const heightMm =
              taken.reduce((sum, n, i) => sum + n * Math.round((kinds[i]?.thicknessMm ?? 0) * 1000), 0) /
              1000;
            if (heightMm <= 0 || heightMm >= 22) return false;
            return Math.abs(liftAngle(knife, heightMm).bevelDeg - bevelDeg) <= STACK_TOLERANCE_DEG;
          });
          const fewest = Math.min(...fits.map((taken) => taken.reduce((a, b) => a + b, 0)));
          if (fits.length === 0) {
            expect(() => liftStack({ ...knife, bevelDeg }, packing)).toThrowError(/half a degree/);
            return;
          }
          const stack = liftStack({ ...knife, bevelDeg }, packing);
          expect(stack.pieces.reduce((sum, { count }) => sum + count, 0)).toBe(fewest);
          expect(Math.abs(stack.bevelDeg - bevelDeg)).toBeLessThanOrEqual(STACK_TOLERANCE_DEG + 1e-9);
          for (const { name, count } of stack.pieces) {
            expect(count).toBeLessThanOrEqual(packing.find((kind) => kind.name === name)?.count ?? 0);
          }
        },
      ),
    );
  });

  it('names the pieces, and says how near the best stack comes where none will do', () => {
    expect(liftStack(knife, washers).pieces).toEqual([
      { name: 'washer', count: 2 },
      { name: 'thin washer', count: 1 },
    ]);
    expect(() => liftStack(knife, [{ name: 'coin', thicknessMm: 2.2, count: 1 }])).toThrowError(
      /nearest they come to is 9\.6°/,
    );
    expect(() => liftStack(knife, [{ name: 'brick', thicknessMm: 60, count: 1 }])).toThrowError(
      /thicker than the lift/,
    );
    expect(() => liftStack(knife, [])).toThrowError(/what there is to stack/);
  });
});

describe('folding a right angle', () => {
  it('halves it: 45, 22.5, and what lies between, to the nearest crease', () => {
    expect(foldTo(22.5).nearest).toEqual({ deg: 22.5, folds: 2 });
    expect(foldTo(45).creases).toEqual([{ deg: 45, folds: 1 }]);
    expect(foldTo(34).nearest).toEqual({ deg: 33.75, folds: 3 });
    fc.assert(
      fc.property(mm(2, 88), (angleDeg) => {
        const { creases, nearest, offDeg } = foldTo(angleDeg);
        expect(Math.abs(offDeg)).toBeLessThanOrEqual(1.5 + 90 / 64);
        expect(creases.map(({ deg }) => deg)).toContain(nearest.deg);
      }),
    );
    expect(() => foldTo(90)).toThrowError(/below 90°/);
  });
});

describe('wheel-support', () => {
  it('agrees with the worked example', () => {
    const support = wheelSupport({ wheelRadiusMm: 125, jigProjectionMm: 139, offsetMm: 12, angleDeg: 25 });
    expect(support.centreDistanceMm).toBeCloseTo(216.926, 3);
    expect(support.gapMm).toBeCloseTo(91.926, 3);
  });

  it('lays the bevel tangent to the wheel (found numerically, fast-check)', () => {
    fc.assert(
      fc.property(
        mm(60, 130),
        mm(90, 180),
        mm(-5, 20),
        mm(12, 60),
        (wheelRadiusMm, jigProjectionMm, offsetMm, angleDeg) => {
          const { centreDistanceMm } = wheelSupport({ wheelRadiusMm, jigProjectionMm, offsetMm, angleDeg });
          // The wheel's centre at the origin, the edge at the top of its rim, the tangent level there. Swing
          // the blade about the edge until the bar is as far from the centre as the answer says.
          const bar = (deg: number): number => {
            const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
            return Math.hypot(
              jigProjectionMm * c + offsetMm * s,
              wheelRadiusMm + jigProjectionMm * s - offsetMm * c,
            );
          };
          let [low, high] = [0, 90];
          for (let i = 0; i < 100; i++) {
            const middle = (low + high) / 2;
            if (bar(middle) < centreDistanceMm) low = middle;
            else high = middle;
          }
          expect(low).toBeCloseTo(angleDeg, 6);
        },
      ),
    );
    expect(() =>
      wheelSupport({ wheelRadiusMm: 100, jigProjectionMm: 5, offsetMm: 40, angleDeg: 5 }),
    ).toThrowError(/inside the wheel/);
  });
});
