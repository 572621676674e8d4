import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import { flatBlade } from '../testing/blades.js';
import { edgeChain } from './chain.js';
import type { Point } from './section.js';
import { recessionForTipMm } from '../work/tip.js';
import { clearingMm } from '../work/found.js';
import { frontProfile } from './front-line.js';
import { goneBackMm } from '../testing/blades.js';
import { landGrowth, recessionForLand, widestLandMm } from './land-growth.js';

const area = (points: readonly Point[]): number => Math.abs(polygonArea(points.map(({ x, y }) => [x, y])));
const deg = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const rising = fc
  .tuple(deg(10, 40), deg(1, 20))
  .map(([primaryDeg, more]) => ({ primaryDeg, secondaryDeg: primaryDeg + more }));

describe('land-growth', () => {
  it('agrees with the worked example', () => {
    const grown = landGrowth({ primaryDeg: 25, secondaryDeg: 30, recessionMm: 0.2 });
    expect(grown.landMm).toBeCloseTo(0.9698, 5);
    expect(grown.steelMm2).toBeCloseTo(0.04849, 6);
  });

  it('gives up the polygon between the old section and the new (area by d3-polygon)', () => {
    fc.assert(
      fc.property(rising, deg(0.01, 0.99), deg(1, 8), ({ primaryDeg, secondaryDeg }, share, thicknessMm) => {
        const whole =
          thicknessMm / Math.tan((primaryDeg * Math.PI) / 180) -
          thicknessMm / Math.tan((secondaryDeg * Math.PI) / 180);
        const recessionMm = share * 2 * whole;
        const grown = landGrowth({ primaryDeg, secondaryDeg, recessionMm, thicknessMm });
        const sharp = edgeChain(flatBlade({ thicknessMm, primaryDeg }), 100);
        const honed = edgeChain(
          flatBlade({ thicknessMm, primaryDeg, secondaryDeg, landMm: grown.landMm }),
          0,
        );
        if (recessionMm < whole) expect(area(honed.gone)).toBeCloseTo(grown.steelMm2, 7);
        // Both sections end at the same place far up the blade; the edge of the honed one is further back.
        const end = sharp.heelMm + 100;
        const onBlade = honed.outline
          .map(({ x, y }) => ({ x: x + recessionMm, y }))
          .filter((_, i) => i !== 1 && i !== 2);
        const kept = [onBlade[0] as Point, { x: end, y: 0 }, { x: end, y: thicknessMm }, ...onBlade.slice(1)];
        expect(area(sharp.outline) - area(kept)).toBeCloseTo(grown.steelMm2, 7);
      }),
    );
  });

  it('is undone by the recession of a land, up to the widest land the blade can show', () => {
    const land = landGrowth({ primaryDeg: 25, secondaryDeg: 30, recessionMm: 0.1 }).landMm;
    expect(recessionForLand(25, 30, land)).toBeCloseTo(0.1, 12);
    const worn = landGrowth({ primaryDeg: 25, secondaryDeg: 30, recessionMm: 9, thicknessMm: 3 });
    expect(worn.landMm).toBeCloseTo(widestLandMm(3, 30), 12);
  });

  it('is undone by the steel it cost, from any recession on, past the whole bevel too', () => {
    fc.assert(
      fc.property(rising, deg(0, 3), deg(0, 3), deg(1, 8), (angles, fromMm, moreMm, thicknessMm) => {
        const steel = (recessionMm: number): number =>
          landGrowth({ ...angles, recessionMm, thicknessMm }).steelMm2;
        const taken = steel(fromMm + moreMm) - steel(fromMm);
        const back = goneBackMm({ ...angles, thicknessMm }, fromMm, taken);
        // Near a fresh edge steel grows with the square of the recession, so a square root is left of the rounding.
        expect(Math.abs(back - fromMm - moreMm)).toBeLessThan(1e-6);
      }),
    );
    expect(goneBackMm({ primaryDeg: 25, thicknessMm: 4 }, 0.5, 2)).toBe(1);
  });

  it('refuses a secondary at or below the primary and an edge that grows', () => {
    const at = { primaryDeg: 30, secondaryDeg: 30, recessionMm: 0.1 };
    expect(() => landGrowth(at)).toThrowError(/more than 30°/);
    expect(() => landGrowth({ ...at, primaryDeg: 20, recessionMm: -1 })).toThrowError(/0 mm or more/);
  });
});

describe('dulling', () => {
  const whole = flatBlade({ primaryDeg: 30 });

  it('agrees with the worked example and adds a nick whole', () => {
    expect(recessionForTipMm(5, 30, 1) * 1000).toBeCloseTo(18.66, 2);
    const chipped = clearingMm(whole, { kind: 'nicked', nickMm: 0.3, tipRadiusUm: 5 });
    expect(chipped).toBeCloseTo(0.31866, 5);
  });

  it('asks for more the duller the word', () => {
    const words = (['fading', 'dull', 'very-dull'] as const).map((kind) => clearingMm(whole, { kind }));
    expect(words).toEqual([...words].sort((a, b) => a - b));
  });
});

describe('frontProfile', () => {
  it('stands the corners back by the sagitta of an arc, or by the relief', () => {
    const arc = frontProfile({ shape: 'arc', radiusMm: 4419.45 }, 50);
    expect(arc[0]?.backMm).toBeCloseTo(0.070711, 5);
    expect(arc[20]).toEqual({ atMm: 0, backMm: 0 });
    const relieved = frontProfile({ shape: 'corners-relieved', widthMm: 3, depthMm: 0.08 }, 50);
    expect(relieved.at(-1)?.backMm).toBeCloseTo(0.08, 12);
    expect(relieved[20]?.backMm).toBe(0);
    expect(() => frontProfile({ shape: 'arc', radiusMm: 20 }, 50)).toThrowError(/below 25 mm/);
  });
});
