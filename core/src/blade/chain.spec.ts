import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import { flatBlade } from '../testing/blades.js';
import { FAMILY_NAMES, familyFacts } from './families.js';
import { edgeChain } from './chain.js';
import { facetAngleThrough, wornTip } from './worn-tip.js';
import type { ChainFacet, Point } from './section.js';
import type { DoubleBevelEdge, KnifeEdge, SingleBevelEdge } from './edge.js';
import { recessionForLand } from './land-growth.js';

const area = (points: readonly Point[]): number => Math.abs(polygonArea(points.map(({ x, y }) => [x, y])));
const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const named = (facets: readonly ChainFacet[], name: string): ChainFacet | undefined =>
  facets.find((facet) => facet.name === name);

/** Circular segment of a chord on a circle. */
const segment = (chordMm: number, radiusMm: number): number => {
  const half = Math.asin(chordMm / 2 / radiusMm);
  return radiusMm * radiusMm * (half - Math.sin(half) * Math.cos(half));
};

describe('edgeChain of a flat-backed blade', () => {
  it('climbs micro, secondary and primary, each at its angle and length, and meets the upper face', () => {
    const { upper, heelMm, gone } = edgeChain(
      flatBlade({ secondaryDeg: 30, landMm: 1, microDeg: 33, microLandMm: 0.2 }),
    );
    expect(upper.map(({ name }) => name)).toEqual(['micro', 'secondary', 'primary']);
    for (const { points, angleDeg, lengthMm } of upper) {
      const [from, to] = points as [Point, Point];
      expect(facetAngleThrough(from, to, 0, 90)).toBeCloseTo(angleDeg, 9);
      expect(Math.hypot(to.x - from.x, to.y - from.y)).toBeCloseTo(lengthMm, 9);
    }
    expect(upper.at(-1)?.points.at(-1)).toEqual({ x: heelMm, y: 3 });
    expect(gone.length).toBeGreaterThan(3);
  });

  it('has receded as far as its land says, and has one facet again where the land is the whole bevel', () => {
    const { gone } = edgeChain(flatBlade({ secondaryDeg: 30, landMm: 1 }));
    expect(-(gone[0] as Point).x).toBeCloseTo(recessionForLand(25, 30, 1), 12);
    expect(edgeChain(flatBlade({ secondaryDeg: 30, landMm: 50 })).upper.map(({ name }) => name)).toEqual([
      'secondary',
    ]);
  });

  it('loses a circular segment to a hollow grind and gains one to a convex (areas by d3-polygon)', () => {
    fc.assert(
      fc.property(mm(22, 40), mm(2, 5), mm(40, 200), (primaryDeg, thicknessMm, grindRadiusMm) => {
        const at = (grind: SingleBevelEdge['grind']): number =>
          area(edgeChain(flatBlade({ primaryDeg, thicknessMm, grind, grindRadiusMm }), 5).outline);
        const flat = at('flat');
        const whole = segment(thicknessMm / Math.sin((primaryDeg * Math.PI) / 180), grindRadiusMm);
        // 48 chords in place of the arc leave off less than a part in a thousand.
        expect(Math.abs(flat - at('hollow') - whole)).toBeLessThan(whole * 1e-3 + 1e-9);
        expect(Math.abs(at('convex') - flat - whole)).toBeLessThan(whole * 1e-3 + 1e-9);
      }),
    );
  });

  it('stands a hollow-ground edge at its tangent, β − asin(face/2R): 25°, 4 mm, R 75 → 21.382°', () => {
    const { upper } = edgeChain(flatBlade({ thicknessMm: 4, grind: 'hollow', grindRadiusMm: 75 }));
    const [edge, next] = upper[0]?.points as [Point, Point];
    // The first of 48 chords stands half a step above the tangent.
    const step = (Math.asin(9.465 / 150) * 2 * 180) / Math.PI / 48;
    expect(facetAngleThrough(edge, next, 0, 90) - step / 2).toBeCloseTo(21.382, 1);
    expect(upper[0]?.lengthMm).toBeCloseTo(9.465, 3);
  });

  it('lifts the edge off the back by a shim’s bevel, and keeps the blade’s thickness', () => {
    const shim = edgeChain(flatBlade({ back: 'shim', shimMm: 0.5, shimAtMm: 45, polishedMm: 2 }));
    const bevel = named(shim.lower, 'back-bevel');
    expect(bevel?.angleDeg).toBeCloseTo(0.6366, 4);
    expect(bevel?.points.at(-1)?.y).toBeCloseTo((-2 * 0.5) / 45, 12);
    const heights = shim.outline.map(({ y }) => y);
    expect(Math.max(...heights) - Math.min(...heights)).toBeCloseTo(3, 12);
    expect(named(edgeChain(flatBlade({ back: 'rim', polishedMm: 1.5 })).lower, 'polished')?.lengthMm).toBe(
      1.5,
    );
  });

  it('loses the polygon it says is gone, whatever its facets (area by d3-polygon, fast-check)', () => {
    fc.assert(
      fc.property(
        mm(22, 30),
        mm(2, 5),
        mm(0.05, 1.5),
        mm(0.02, 0.3),
        fc.constantFrom('flat' as const, 'hollow' as const),
        fc.constantFrom('flat' as const, 'shim' as const),
        (primaryDeg, thicknessMm, landMm, microLandMm, grind, back) => {
          const bare = flatBlade({ primaryDeg, thicknessMm, grind, back: 'flat' });
          const honed = edgeChain(
            {
              ...bare,
              secondaryDeg: primaryDeg + 4,
              microDeg: primaryDeg + 7,
              landMm,
              microLandMm,
              back,
              shimMm: 0.4,
              shimAtMm: 40,
            },
            0,
          );
          const [ground] = honed.gone as [Point];
          const whole = edgeChain(bare, 0);
          // Both as they stand on the same back, cut off at the same heel.
          const shifted = honed.outline.map(({ x, y }) => ({ x: x - ground.x, y: y - ground.y }));
          // An arc is drawn as 48 chords, cut in other places on either side: thousandths of a mm².
          expect(Math.abs(area(whole.outline) - area(shifted) - area(honed.gone))).toBeLessThan(3e-3);
        },
      ),
    );
  });

  it('refuses in words what no stone or wheel makes', () => {
    const draw =
      (figures: Partial<SingleBevelEdge>): (() => unknown) =>
      () =>
        edgeChain(flatBlade(figures));
    expect(draw({ secondaryDeg: 24 })).toThrowError(/steeper than the one behind/);
    expect(draw({ secondaryDeg: 30, microDeg: 29 })).toThrowError(/steeper/);
    expect(draw({ thicknessMm: 9, primaryDeg: 20, grind: 'hollow', grindRadiusMm: 20 })).toThrowError(
      /larger wheel/,
    );
    expect(draw({ grind: 'convex', grindRadiusMm: 5 })).toThrowError(/larger radius/);
    expect(draw({ grind: 'convex', grindRadiusMm: 20, secondaryDeg: 26 })).toThrowError(
      /flatten the rounding/,
    );
    expect(draw({ back: 'shim', shimMm: 3, shimAtMm: 2 })).toThrowError(/further back/);
  });
});

describe('edgeChain of an edge bevelled on both sides', () => {
  const carving: DoubleBevelEdge = {
    form: 'double-bevel',
    widthMm: 16,
    thicknessMm: 2.6,
    leftDeg: 15,
    rightDeg: 20,
    skewDeg: 0,
    grind: 'flat',
  };
  const knife: KnifeEdge = {
    form: 'knife',
    lengthMm: 78,
    widthMm: 18,
    spineMm: 2.7,
    leftDeg: 12,
    rightDeg: 12,
    grind: 'flat',
  };

  it('gives each side its own angle from the centre plane', () => {
    const { upper, lower } = edgeChain(carving);
    const slope = ({ points }: ChainFacet): number => {
      const end = points.at(-1) as Point;
      return (Math.atan2(Math.abs(end.y), end.x) * 180) / Math.PI;
    };
    expect(slope(upper[0] as ChainFacet)).toBeCloseTo(15, 9);
    expect(slope(lower[0] as ChainFacet)).toBeCloseTo(20, 9);
  });

  it('ends a knife at its spine, and refuses bevels that run past it', () => {
    expect(Math.max(...edgeChain(knife).outline.map(({ x }) => x))).toBe(18);
    expect(() => edgeChain({ ...knife, leftDeg: 4 })).toThrowError(/4\.3° a side already/);
  });
});

describe('edgeChain', () => {
  it('draws a usual edge of every family, in finite figures', () => {
    for (const family of FAMILY_NAMES) {
      const { form, primaryDeg, thicknessMm, widthMm } = familyFacts(family);
      const deg = primaryDeg[0];
      const chain = edgeChain(
        form === 'single-bevel'
          ? flatBlade({ primaryDeg: deg, thicknessMm })
          : form === 'double-bevel'
            ? { form, widthMm, thicknessMm, leftDeg: deg, rightDeg: deg, skewDeg: 0, grind: 'flat' }
            : form === 'knife'
              ? {
                  form,
                  lengthMm: 60,
                  widthMm,
                  spineMm: thicknessMm,
                  leftDeg: deg,
                  rightDeg: deg,
                  grind: 'flat',
                }
              : form === 'hook'
                ? {
                    form,
                    make: 'bevelled-both-sides',
                    lengthMm: 50,
                    innerRadiusMm: 20,
                    thicknessMm,
                    includedDeg: deg,
                  }
                : form === 'gouge'
                  ? {
                      form,
                      widthMm,
                      depthMm: 3,
                      thicknessMm,
                      cannel: 'out',
                      bevelDeg: deg,
                      counterBevelDeg: 5,
                    }
                  : form === 'v'
                    ? { form, wingMm: 9, openingDeg: 60, thicknessMm, bevelDeg: deg, keelRadiusMm: 0 }
                    : form === 'knife-set'
                      ? { form, count: 3, lengthMm: 260, widthMm, thicknessMm, bevelDeg: deg }
                      : { form, lengthMm: 60, thicknessMm, bevelDeg: deg, burrSide: 'left' },
      );
      const figures = chain.outline.flatMap(({ x, y }) => [x, y]);
      expect(figures.every(Number.isFinite)).withContext(family).toBeTrue();
      expect(area(chain.outline)).withContext(family).toBeGreaterThan(0);
    }
  });
});

describe('edgeChain of edges that keep their angle in a field of their own', () => {
  it('refuses at that field, so that the sentence stands beside it', () => {
    const thick = { form: 'scraping', lengthMm: 60, thicknessMm: 10, bevelDeg: 6, burrSide: 'left' } as const;
    expect(() => edgeChain(thick)).toThrow(jasmine.objectContaining({ field: 'bevelDeg' }));
    const wheel = flatBlade({ thicknessMm: 9, primaryDeg: 20, grind: 'hollow' });
    expect(() => edgeChain(wheel)).not.toThrow();
    expect(() => edgeChain({ ...wheel, thicknessMm: 19 })).toThrow(
      jasmine.objectContaining({ field: 'primaryDeg' }),
    );
    expect(() => edgeChain({ ...wheel, grindRadiusMm: 20 })).toThrow(
      jasmine.objectContaining({ field: 'grindRadiusMm' }),
    );
  });
});

describe('wornTip', () => {
  it('touches both faces and no more (distances found numerically, fast-check)', () => {
    fc.assert(
      fc.property(mm(5, 60), mm(0, 30), mm(0.5, 30), (upperDeg, lowerDeg, radiusUm) => {
        const tip = wornTip(upperDeg, lowerDeg, radiusUm);
        const nearest = (deg: number): number => {
          // The least distance from the centre to points along the face.
          const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
          let [low, high] = [0, 10];
          const away = (length: number): number =>
            Math.hypot(length * c - tip.centre.x, length * s - tip.centre.y);
          for (let i = 0; i < 200; i++) {
            const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
            if (away(a) < away(b)) high = b;
            else low = a;
          }
          return away(low);
        };
        expect(nearest(upperDeg)).toBeCloseTo(tip.radiusMm, 8);
        expect(nearest(-lowerDeg)).toBeCloseTo(tip.radiusMm, 8);
      }),
    );
  });
});
