import fc from 'fast-check';
import { cosDeg, sinDeg } from '../base/trig.js';
import { apexShift } from './both-sides.js';

describe('apexShift', () => {
  it('is where the two faces meet once they are down (intersection of lines, fast-check)', () => {
    const deg = fc.double({ min: 3, max: 45, noNaN: true });
    const down = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(deg, deg, down, down, (leftDeg, rightDeg, leftDownMm, rightDownMm) => {
        // The centre plane is y = 0, the apex at the origin, the steel at x > 0; the left face rises at βL.
        // Left: y·cos βL − x·sin βL = −hL. Right: −y·cos βR − x·sin βR = −hR.
        const [a, b, c] = [-sinDeg(leftDeg), cosDeg(leftDeg), -leftDownMm];
        const [d, e, f] = [-sinDeg(rightDeg), -cosDeg(rightDeg), -rightDownMm];
        const determinant = a * e - b * d;
        const [x, y] = [(c * e - b * f) / determinant, (a * f - c * d) / determinant];
        const { backMm, sidewaysMm } = apexShift({ leftDeg, rightDeg, leftDownMm, rightDownMm });
        expect(backMm).toBeCloseTo(x, 9);
        // Away from the left face is downwards.
        expect(sidewaysMm).toBeCloseTo(-y, 9);
      }),
    );
  });

  it('goes straight back where both sides are honed alike, h ÷ sin β', () => {
    const { backMm, sidewaysMm } = apexShift({
      leftDeg: 15,
      rightDeg: 15,
      leftDownMm: 0.01,
      rightDownMm: 0.01,
    });
    expect(backMm).toBeCloseTo(0.01 / sinDeg(15), 12);
    expect(sidewaysMm).toBeCloseTo(0, 12);
  });
});
