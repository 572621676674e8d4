import fc from 'fast-check';
import { landGrowth } from '../blade/land-growth.js';
import { meanHoningMin, regrindInterval } from './regrind-interval.js';

const iron = {
  primaryDeg: 25,
  secondaryDeg: 30,
  widthMm: 50,
  recessionPerHoningMm: 0.02,
  removalMm3PerMin: 1.5,
  regrindMin: 12,
};

describe('regrindInterval', () => {
  it('agrees with the worked example', () => {
    const { honings, meanMin } = regrindInterval(iron);
    expect(honings).toBe(27);
    expect(meanMin).toBeCloseTo(0.8809, 4);
  });

  it('is the least of all whole numbers, each reckoned honing by honing from the land’s own steel (fast-check)', () => {
    const anyIron = fc.record({
      primaryDeg: fc.double({ min: 18, max: 27, noNaN: true }),
      secondaryDeg: fc.double({ min: 29, max: 40, noNaN: true }),
      widthMm: fc.double({ min: 6, max: 70, noNaN: true }),
      recessionPerHoningMm: fc.double({ min: 0.005, max: 0.1, noNaN: true }),
      removalMm3PerMin: fc.double({ min: 0.2, max: 6, noNaN: true }),
      regrindMin: fc.double({ min: 1, max: 40, noNaN: true }),
      finishingMinPerMm: fc.double({ min: 0, max: 2, noNaN: true }),
    });
    fc.assert(
      fc.property(anyIron, (input) => {
        const { honings, meanMin } = regrindInterval(input);
        for (const n of [honings - 1, honings, honings + 1].filter((each) => each > 0)) {
          let minutes = input.regrindMin;
          for (let i = 1; i <= n; i++) {
            const steel = (k: number): number =>
              landGrowth({ ...input, recessionMm: k * input.recessionPerHoningMm }).steelMm2;
            minutes += ((steel(i) - steel(i - 1)) * input.widthMm) / input.removalMm3PerMin;
            // The finer stones find the land as wide as it is half way through the honing.
            const { landMm } = landGrowth({ ...input, recessionMm: (i - 0.5) * input.recessionPerHoningMm });
            minutes += landMm * input.finishingMinPerMm;
          }
          expect(minutes / n / meanHoningMin(input, n)).toBeCloseTo(1, 9);
          expect(minutes / n).toBeGreaterThanOrEqual(meanMin * (1 - 1e-9));
        }
      }),
    );
    expect(() => regrindInterval({ ...iron, secondaryDeg: 20 })).toThrowError(/more than 25°/);
    expect(() => regrindInterval({ ...iron, regrindMin: 0 })).toThrowError(/more than 0/);
  });

  it('comes back to the wheel sooner when honing is slow, later when grinding is', () => {
    const { honings } = regrindInterval(iron);
    expect(regrindInterval({ ...iron, removalMm3PerMin: 0.5 }).honings).toBeLessThan(honings);
    expect(regrindInterval({ ...iron, regrindMin: 30 }).honings).toBeGreaterThan(honings);
  });
});
