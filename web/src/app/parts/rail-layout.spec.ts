import fc from 'fast-check';
import { railPlaces, railScale } from './rail-layout';

describe('the rail’s layout', () => {
  it('keeps order, spacing and the ends for any set (fast-check)', () => {
    const sizes = fc.array(fc.double({ min: 0.05, max: 2000, noNaN: true }), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(sizes, fc.integer({ min: 300, max: 2500 }), (list, width) => {
        const inOrder = [...list].sort((a, b) => b - a);
        const places = railPlaces(inOrder, width, 90);
        const wide = Math.max(width, list.length * 90);
        places.forEach(({ left }, i) => {
          expect(left).toBeGreaterThanOrEqual(45 - 1e-6);
          expect(left).toBeLessThanOrEqual(wide - 45 + 1e-6);
          if (i > 0) expect(left - (places[i - 1]?.left ?? 0)).toBeGreaterThanOrEqual(90 - 1e-6);
        });
      }),
    );
  });

  it('puts a lonely stone exactly on the scale, equal ratios at equal distances', () => {
    const at = railScale([60, 1], 1000, 45);
    expect(at(10) - at(20)).toBeCloseTo(at(2) - at(4), 9);
    expect(railPlaces([10], 1000, 90)[0]?.left).toBeCloseTo(railScale([10], 1000, 45)(10), 9);
  });
});
