import fc from 'fast-check';
import { chances } from '../testing/chances.js';
import { freshTruth } from './edge-truth.js';
import { hiddenShop, type HiddenTool } from './hidden-shop.js';
import { curveHonedTo, curveRead, planedMore } from './curve-in-use.js';

const iron = hiddenShop(chances(1)).tools.find(({ curve }) => curve) as HiddenTool & {
  readonly curve: NonNullable<HiddenTool['curve']>;
};
const curved = (camberMm: number) => ({ ...freshTruth(iron, 1), curve: { camberMm, leanMm: 0 } });
const { wantedMm } = iron.curve;

describe('the curve of a made-up iron', () => {
  it('costs nothing as it is wanted, and the more the rounder, or the deeper its corners dig (fast-check)', () => {
    expect(planedMore(iron, curved(wantedMm))).toBe(0);
    // Twice as round: shavings √½ as wide, so √2 as many passes.
    expect(planedMore(iron, curved(2 * wantedMm))).toBeCloseTo(Math.SQRT2 - 1, 9);
    const share = fc.double({ min: 0, max: 0.6, noNaN: true });
    fc.assert(
      fc.property(share, share, (one, other) => {
        const [less, more] = [Math.min(one, other), Math.max(one, other)];
        expect(planedMore(iron, curved(less * wantedMm))).toBeGreaterThanOrEqual(
          planedMore(iron, curved(more * wantedMm)),
        );
      }),
    );
  });

  it('is read to within its ± four times in five at least, each way', () => {
    for (const by of ['shaving', 'light', 'caliper'] as const) {
      const chance = chances(7);
      const held = Array.from({ length: 300 }, () => {
        const camberMm = wantedMm * (1.2 + chance.uniform());
        const read = curveRead(iron, curved(camberMm), by, chance);
        return read !== undefined && Math.abs(read.camberMm - camberMm) <= read.pmMm;
      }).filter((each) => each).length;
      expect(held).withContext(by).toBeGreaterThan(240);
    }
  });

  it('is worn flatter by a honing that minds no places, and made by one that does', () => {
    const still = { uniform: () => 0.5, normal: () => 0 };
    const edge = curved(wantedMm);
    const none = curveHonedTo(iron, edge, { made: undefined, kept: [undefined, undefined] }, still);
    expect(none?.camberMm).toBeCloseTo(wantedMm * (1 - iron.curve.flattens / 2) ** 2, 9);
    const kept = curveHonedTo(iron, edge, { made: undefined, kept: [[1], [1]] }, still);
    expect(kept).toEqual(edge.curve);
    const made = { places: [5, 0, 0, 0, 5], strokes: 10, mm3: 1 };
    expect(curveHonedTo(iron, edge, { made, kept: [[1], [1]] }, still)?.camberMm).toBeGreaterThan(wantedMm);
  });
});
