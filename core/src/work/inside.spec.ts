import fc from 'fast-check';
import { unworked } from './edge-at-work.js';
import { goneBackByInsideMm, hasInside, insideMm2, type WithInside } from './inside.js';
import { worked } from './worked.js';

const GOUGE: WithInside = {
  ...{ form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
  counterBevelDeg: 5,
};
const SLIP = { forceN: 5, strokeMm: 60, removalMm3PerNm: 0.002, marksUm: 0.7, steelFactor: 1 };

describe('a gouge’s small bevel inside', () => {
  it('moves the edge to where its two planes meet (fast-check, by their intersection)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 15, max: 35, noNaN: true }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 1e-4, max: 0.1, noNaN: true }),
        (bevelDeg, counterBevelDeg, downMm) => {
          // Outside y = x·tan β; inside y = −x·tan γ, moved down its own normal.
          const [beta, gamma] = [bevelDeg, counterBevelDeg].map((deg) => (deg * Math.PI) / 180) as [
            number,
            number,
          ];
          const x = downMm / Math.cos(gamma) / (Math.tan(beta) + Math.tan(gamma));
          expect(goneBackByInsideMm({ ...GOUGE, bevelDeg, counterBevelDeg }, downMm)).toBeCloseTo(x, 9);
        },
      ),
    );
  });

  it('goes down by the steel over its face, and the tip with it; the bevel outside keeps its marks', () => {
    const before = unworked(GOUGE);
    const after = worked(GOUGE, before, { ...SLIP, strokes: 10, facet: 'inside' });
    const steelMm3 = (10 * 0.002 * 5 * 60) / 1000;
    const downMm = steelMm3 / insideMm2(GOUGE);
    expect(after.steelMm3).toBeCloseTo(steelMm3, 12);
    expect(after.recessionMm).toBeCloseTo(goneBackByInsideMm(GOUGE, downMm), 12);
    expect(after.tip.rightUm).toBeCloseTo(1000 * downMm, 9);
    expect(after.marksUm).toEqual({ inside: 0.7 });
    // Inner arc of 20 × 5, R 12.5, wall 2.4, a millimetre long.
    expect(insideMm2(GOUGE)).toBeCloseTo(23.182 * (10.1 / 12.5), 2);
  });

  it('is none of a gouge bevelled inside, or one without it', () => {
    expect(hasInside({ ...GOUGE, cannel: 'in' })).toBeFalse();
    const { counterBevelDeg: _, ...plain } = GOUGE;
    expect(hasInside(plain)).toBeFalse();
  });
});
