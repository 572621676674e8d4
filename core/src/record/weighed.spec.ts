import fc from 'fast-check';
import { weighed, type Known } from './weighed.js';

const known = (range: { min: number; max: number }): fc.Arbitrary<Known> =>
  fc.record({
    value: fc.double({ ...range, noNaN: true }),
    pm: fc.double({ min: 0.01, max: 0.5, noNaN: true }),
  });

describe('a reading weighed against what was reckoned', () => {
  it('is the update of a Kalman filter in one dimension', () => {
    // P = 1 and R = 0.25 give a gain of P / (P + R) = 0.8 and P' = (1 − 0.8) P (any textbook of the filter).
    const { value, pm } = weighed({ value: 0.6, pm: 0.1 }, { value: 0.7, pm: 0.05 });
    expect(value).toBeCloseTo(0.6 + 0.8 * 0.1, 12);
    expect(pm).toBeCloseTo(0.1 * Math.sqrt(0.2), 12);
  });

  it('lies between the two, is known better than either, and does not mind which came first', () => {
    fc.assert(
      fc.property(known({ min: 0.5, max: 0.52 }), known({ min: 0.5, max: 0.52 }), (a, b) => {
        const both = weighed(a, b);
        if (both.against) return;
        expect(both.value).toBeGreaterThanOrEqual(Math.min(a.value, b.value) - 1e-12);
        expect(both.value).toBeLessThanOrEqual(Math.max(a.value, b.value) + 1e-12);
        expect(both.pm).toBeLessThan(Math.min(a.pm, b.pm));
        const turned = weighed(b, a);
        expect(turned.value).toBeCloseTo(both.value, 12);
        expect(turned.pm).toBeCloseTo(both.pm, 12);
      }),
    );
  });

  it('stands alone where it contradicts, which a right one does one time in a hundred', () => {
    const far = weighed({ value: 0.5, pm: 0.05 }, { value: 0.9, pm: 0.05 });
    expect(far).toEqual({ value: 0.9, pm: 0.05, against: { value: 0.5, pm: 0.05 } });
    // 2.576 standard deviations of the difference, each ± being 1.96 of its own (tables of the normal).
    const edge = (2.576 / 1.96) * Math.hypot(0.06, 0.08);
    expect(weighed({ value: 0, pm: 0.06 }, { value: 0.999 * edge, pm: 0.08 }).against).toBeUndefined();
    expect(weighed({ value: 0, pm: 0.06 }, { value: 1.001 * edge, pm: 0.08 }).against).toBeDefined();
  });

  it('takes a figure that is known for certain as it is', () => {
    expect(weighed({ value: 0.3, pm: 0 }, { value: 0.3, pm: 0 })).toEqual({ value: 0.3, pm: 0 });
    expect(weighed({ value: 0.3, pm: 0 }, { value: 0.31, pm: 0.05 }).value).toBe(0.3);
  });
});
