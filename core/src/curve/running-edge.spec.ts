import fc from 'fast-check';
import { runningEdge } from './running-edge.js';
import { skewCut } from '../blade/skew-cut.js';
import { tanDeg, toRad } from '../base/trig.js';

const SKEW = { widthMm: 12, thicknessMm: 3, skewDeg: 25, leftDeg: 15, rightDeg: 15, radiusMm: 4 };

describe('runningEdge', () => {
  it('is tangent to the edge and to the side: it turns through what the skew leaves of a right angle', () => {
    const found = runningEdge(SKEW);
    expect(found.arcDeg).toBe(65);
    expect(found.arcMm).toBeCloseTo(4 * toRad(65), 12);
    expect(found.straightMm).toBeCloseTo(12 / Math.cos(toRad(25)) - 4 * tanDeg(32.5), 9);
    expect(found.pointDeg).toBe(65);
  });

  it('takes the corner between both tangents and the round, where the blade has no bevel to speak of', () => {
    // Bevels so steep that the blade is full thickness to its edge: plane geometry, r²·(tan φ/2 − φ/2) · t.
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 60 }),
        fc.double({ min: 1, max: 4, noNaN: true }),
        (skewDeg, radiusMm) => {
          const sheet = { ...SKEW, skewDeg, radiusMm, leftDeg: 89, rightDeg: 89 };
          const turn = toRad(90 - skewDeg);
          const mm3 = radiusMm ** 2 * (Math.tan(turn / 2) - turn / 2) * SKEW.thicknessMm;
          const bevels = radiusMm * turn * 0.05 * SKEW.thicknessMm;
          expect(runningEdge(sheet).steelMm3).toBeGreaterThan(0.9 * mm3 - 0.02);
          expect(runningEdge(sheet).steelMm3).toBeLessThan(1.1 * mm3 + bevels + 0.02);
        },
      ),
    );
  });

  it('takes more the larger it is, as its cube while all of it lies within the bevels', () => {
    const [one, two] = [1, 2].map((radiusMm) => runningEdge({ ...SKEW, radiusMm }).steelMm3) as [
      number,
      number,
    ];
    expect(two / one).toBeCloseTo(8, 1);
  });

  it('thins the side behind the round by a pyramid: nothing left where the round ends, all of it a length further up', () => {
    const { thinnedMm, thinnedMm3, arcMm } = runningEdge(SKEW);
    expect(thinnedMm).toBe(arcMm);
    // Two wedges of 15° meet 3 mm apart 3/(2·tan 15°) behind the side: a third of that triangle by the length.
    const triangle = (3 * (3 / (2 * tanDeg(15)))) / 2;
    expect(thinnedMm3).toBeCloseTo((triangle * arcMm) / 3, 9);
    expect(runningEdge({ ...SKEW, thinnedMm: 0 }).thinnedMm3).toBe(0);
    expect(() => runningEdge({ ...SKEW, thinnedMm: -1 })).toThrowError(/0 mm of its side or more/);
  });

  it('meets the wood flatter and flatter round the heel, from the skew’s own angle on', () => {
    const { meetsDeg } = runningEdge(SKEW);
    expect(meetsDeg[0]).toBeCloseTo(skewCut({ bevelDeg: 15, skewDeg: 25 }).effectiveDeg, 9);
    expect(meetsDeg[1]).toBeLessThan(meetsDeg[0]);
    expect(meetsDeg[2]).toBeCloseTo(0, 6);
  });

  it('is refused where it would take the point, and of an edge that is square', () => {
    expect(() => runningEdge({ ...SKEW, radiusMm: 40 })).toThrowError(
      /would take the point too: keep it under 20/,
    );
    expect(() => runningEdge({ ...SKEW, skewDeg: 0 })).toThrowError(/this edge is square/);
  });
});
