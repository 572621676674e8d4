import fc from 'fast-check';
import { gougeArc } from './gouge-arc.js';
import { tracedArc } from './traced-arc.js';

describe('tracedArc', () => {
  it('has the circle again that its heights were taken from, past a half circle too (fast-check)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 60, noNaN: true }),
        fc.double({ min: 0.03, max: 1.2, noNaN: true }),
        fc.array(fc.double({ min: 0.1, max: 0.9, noNaN: true }), { minLength: 1, maxLength: 6 }),
        (widthMm, share, places) => {
          const depthMm = share * widthMm;
          const { radiusMm, arcDeg } = gougeArc({ widthMm, depthMm });
          const heights = places.map((place) => {
            const atMm = place * widthMm;
            return {
              atMm,
              heightMm: depthMm - radiusMm + Math.sqrt(radiusMm ** 2 - (atMm - widthMm / 2) ** 2),
            };
          });
          const found = tracedArc({ widthMm, heights });
          expect(found.depthMm / depthMm).toBeCloseTo(1, 6);
          expect(found.radiusMm / radiusMm).toBeCloseTo(1, 6);
          expect(found.arcDeg).toBeCloseTo(arcDeg, 3);
          expect(found.offMm).toBeLessThan(1e-6);
        },
      ),
    );
  });

  it('tells a curve that is no circle', () => {
    const flatInTheMiddle = [5, 10, 15].map((atMm) => ({ atMm, heightMm: 4 }));
    expect(tracedArc({ widthMm: 20, heights: flatInTheMiddle }).offMm).toBeGreaterThan(0.15);
  });

  it('asks for a height', () => {
    expect(() => tracedArc({ widthMm: 20, heights: [] })).toThrowError(/one height of the tracing/);
    expect(() => tracedArc({ widthMm: 20, heights: [{ atMm: 4, heightMm: 0 }] })).toThrowError(/above 0 mm/);
  });
});
