import fc from 'fast-check';
import { hollowedBack } from './hollowed-back.js';

/** Area of the segment between a chord and its arc, by a polygon along the arc. */
function polygonMm2(radiusMm: number, chordMm: number): number {
  const count = 20_000;
  const below = Math.sqrt(radiusMm ** 2 - chordMm ** 2 / 4);
  const heightAt = (i: number): number => {
    const x = -chordMm / 2 + (chordMm * i) / count;
    return Math.sqrt(radiusMm ** 2 - x * x) - below;
  };
  let area = 0;
  for (let i = 0; i < count; i++) area += ((heightAt(i) + heightAt(i + 1)) / 2) * (chordMm / count);
  return area;
}

describe('hollowedBack', () => {
  it('is a segment of the wheel between two rims', () => {
    const one = hollowedBack({ wheelRadiusMm: 75, backMm: 30, edgeRimMm: 3, farRimMm: 3 });
    expect(one.chordMm).toBe(24);
    expect(one.depthMm).toBeCloseTo(75 - Math.sqrt(75 ** 2 - 12 ** 2), 12);
    expect(one.rimsMm).toBe(6);
    const three = hollowedBack({ wheelRadiusMm: 75, backMm: 30, edgeRimMm: 3, farRimMm: 3, passes: 3 });
    expect(three.depthMm).toBeCloseTo(one.depthMm / 9, 2);
  });

  it('takes out what a polygon along the arc holds', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 200, noNaN: true }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.integer({ min: 1, max: 6 }),
        (wheelRadiusMm, backMm, passes) => {
          const back = hollowedBack({ wheelRadiusMm, backMm, edgeRimMm: 2.5, farRimMm: 2, passes });
          const polygon = passes * polygonMm2(wheelRadiusMm, back.chordMm);
          expect(Math.abs(back.areaMm2 - polygon)).toBeLessThan(1e-4 * polygon);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('never runs out at the edge, and says what is left between the rims', () => {
    const bad = { wheelRadiusMm: 75, backMm: 30, edgeRimMm: 0.5, farRimMm: 3 };
    expect(() => hollowedBack(bad)).toThrowError(/at the edge/);
    expect(() => hollowedBack({ ...bad, edgeRimMm: 28 })).toThrowError(/nothing between/);
  });
});
