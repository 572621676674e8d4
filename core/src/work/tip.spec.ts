import fc from 'fast-check';
import { cosDeg, sinDeg, tanDeg } from '../base/trig.js';
import { recessionForTipMm, tipLeftUm, tipTakenUm } from './tip.js';

const um = fc.double({ min: 0.5, max: 30, noNaN: true });
const deg = fc.double({ min: 12, max: 90, noNaN: true });
const share = fc.double({ min: 0, max: 2.2, noNaN: true });

/**
 * The tip as it is: a circle touching both faces, its centre ρ/sin(α/2) from their corner. Faces lowered by
 * hL and hR meet in a new corner; the tip is gone when that corner lies within the circle, or on its far side.
 */
function goneByGeometry(tipUm: number, leftUm: number, rightUm: number, includedDeg: number): boolean {
  // Left face: direction (cos, sin) of +α/2 from the corner; square to it, into the steel, (sin, −cos).
  const [c, s] = [cosDeg(includedDeg / 2), sinDeg(includedDeg / 2)];
  // Points (x, y) with x·s − y·c = hL on the left face, x·s + y·c = hR on the right one.
  const [x, y] = [(leftUm + rightUm) / (2 * s), (rightUm - leftUm) / (2 * c)];
  const centre = tipUm / s;
  const inside = Math.hypot(x - centre, y) <= tipUm * (1 + 1e-9);
  // A face lowered past the far end of the arc has taken all of it by itself.
  const most = tipUm * (1 + cosDeg(includedDeg));
  return inside || leftUm >= most || rightUm >= most;
}

describe('a worn tip', () => {
  it('is gone as soon as the faces’ corner lies within its circle (geometry, fast-check)', () => {
    fc.assert(
      fc.property(um, deg, share, share, (tipUm, includedDeg, l, r) => {
        const [leftUm, rightUm] = [l * tipUm, r * tipUm];
        const gone = (radiusUm: number): boolean => goneByGeometry(radiusUm, leftUm, rightUm, includedDeg);
        // At the limit itself either answer is right.
        if (gone(tipUm * 1.0001) !== gone(tipUm * 0.9999)) return;
        expect(tipLeftUm({ tipUm, leftUm, rightUm, includedDeg }) === 0).toBe(gone(tipUm));
      }),
      { numRuns: 500 },
    );
  });

  it('of 5 µm at 30° wants 18.66 µm from one side, 14.32 along the middle from both', () => {
    expect(recessionForTipMm(5, 30, 1) * 1000).toBeCloseTo(18.66, 2);
    expect(recessionForTipMm(5, 30, 2) * 1000).toBeCloseTo(14.32, 2);
    const one = 18.66 * sinDeg(30);
    expect(tipTakenUm({ leftUm: one, rightUm: 0, includedDeg: 30 })).toBeCloseTo(5, 2);
    const each = 14.32 * sinDeg(15);
    expect(tipTakenUm({ leftUm: each, rightUm: each, includedDeg: 30 })).toBeCloseTo(5, 2);
  });

  it('grows smaller as the edge goes back: e·tan(α/2) from one side, d/(1/sin(α/2) − 1) from both (fast-check)', () => {
    fc.assert(
      fc.property(um, deg, fc.double({ min: 0, max: 0.98, noNaN: true }), (tipUm, includedDeg, part) => {
        const e = part * recessionForTipMm(tipUm, includedDeg, 1) * 1000;
        expect(tipLeftUm({ tipUm, leftUm: e * sinDeg(includedDeg), rightUm: 0, includedDeg })).toBeCloseTo(
          tipUm - e * tanDeg(includedDeg / 2),
          5,
        );
        const d = part * recessionForTipMm(tipUm, includedDeg, 2) * 1000;
        const each = d * sinDeg(includedDeg / 2);
        expect(tipLeftUm({ tipUm, leftUm: each, rightUm: each, includedDeg })).toBeCloseTo(
          tipUm - d / (1 / sinDeg(includedDeg / 2) - 1),
          5,
        );
      }),
    );
  });
});
