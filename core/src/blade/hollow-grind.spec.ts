import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import { edgeChain } from './chain.js';
import type { Point } from './section.js';
import { flatBlade } from '../testing/blades.js';
import { hollowSection } from '../grinding/hollow-section.js';
import { hollowGrind, honedHollow, honingsUntilFlat } from './hollow-grind.js';

const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const example = { wheelRadiusMm: 75, thicknessMm: 4, bevelDeg: 25 };
const area = (points: readonly Point[]): number => Math.abs(polygonArea(points.map(({ x, y }) => [x, y])));

/** What of a polygon lies on the steel's side of the honing plane through (e, 0) at β. */
function keptBelow(points: readonly Point[], e: number, bevelDeg: number): readonly Point[] {
  const rad = (bevelDeg * Math.PI) / 180;
  const above = ({ x, y }: Point): number => y * Math.cos(rad) - (x - e) * Math.sin(rad);
  return points.flatMap((from, i) => {
    const to = points[(i + 1) % points.length] as Point;
    const [a, b] = [above(from), above(to)];
    const cut = { x: from.x + ((to.x - from.x) * a) / (a - b), y: from.y + ((to.y - from.y) * a) / (a - b) };
    return [...(a <= 0 ? [from] : []), ...(a * b < 0 ? [cut] : [])];
  });
}

describe('hollow-grind', () => {
  it('agrees with the worked examples', () => {
    const { faceMm, depthMm, edgeDeg } = hollowGrind(example);
    expect(faceMm).toBeCloseTo(9.465, 3);
    expect(depthMm).toBeCloseTo(0.1495, 4);
    expect(edgeDeg).toBeCloseTo(21.382, 3);
    expect(honedHollow(example, 0.2).steelMm2).toBeCloseTo(0.126923, 6);
    expect(honedHollow(example, 0.6).steelMm2).toBeCloseTo(1.456782, 6);
  });

  it('gives up the polygon between the hollow section and the honed one (d3-polygon, fast-check)', () => {
    fc.assert(
      fc.property(
        mm(60, 200),
        mm(2, 6),
        mm(20, 40),
        mm(0, 1),
        (wheelRadiusMm, thicknessMm, bevelDeg, recessionMm) => {
          const input = { wheelRadiusMm, thicknessMm, bevelDeg };
          const blade = flatBlade({
            thicknessMm,
            primaryDeg: bevelDeg,
            grind: 'hollow',
            grindRadiusMm: wheelRadiusMm,
          });
          const { outline } = edgeChain(blade, 20);
          const gone = area(outline) - area(keptBelow(outline, recessionMm, bevelDeg));
          const { steelMm2, savedMm2 } = honedHollow(input, recessionMm);
          // The drawing's arc is 48 chords: off by a part in a thousand of the hollow at most.
          expect(Math.abs(steelMm2 - gone)).toBeLessThan(2e-3 * (savedMm2 + 0.1) + 1e-9);
        },
      ),
    );
  });

  it('widens its rims from nothing to the whole face as the hollow is honed away', () => {
    const { faceMm, depthMm } = hollowGrind(example);
    const gone = depthMm / Math.sin((25 * Math.PI) / 180);
    expect(honedHollow(example, 0).rimMm).toBeCloseTo(0, 9);
    const rims = [0.1, 0.2, 0.3, gone, 1].map((e) => honedHollow(example, e).rimMm);
    expect(rims).toEqual([...rims].sort((a, b) => a - b));
    expect(honedHollow(example, gone).rimMm).toBeCloseTo(faceMm / 2, 6);
    expect(honingsUntilFlat(example, 0.02)).toBe(Math.ceil(gone / 0.02));
  });

  it('refuses a wheel too small to leave an edge', () => {
    expect(() => hollowGrind({ wheelRadiusMm: 11, thicknessMm: 4, bevelDeg: 25 })).toThrowError(
      /larger wheel/,
    );
    expect(() => honedHollow(example, -1)).toThrowError(/0 mm or more/);
    expect(() => honingsUntilFlat(example, 0)).toThrowError(/by something/);
  });

  it('is drawn as it is reckoned: the section’s polygon loses the steel given up, rims as wide as they are', () => {
    fc.assert(
      fc.property(mm(60, 200), mm(2, 6), mm(20, 40), mm(0, 1), (wheelRadiusMm, thicknessMm, bevelDeg, e) => {
        const input = { wheelRadiusMm, thicknessMm, bevelDeg };
        const [whole, honed] = [hollowSection(input, 0, 30), hollowSection(input, e, 30)];
        const { steelMm2, rimMm, depthMm } = honedHollow(input, e);
        expect(Math.abs(area(whole.outline) - area(honed.outline) - steelMm2)).toBeLessThan(
          0.01 * steelMm2 + 2e-3,
        );
        const [a, b] = honed.rims.at(-1) as [Point, Point];
        const drawn = Math.hypot(b.x - a.x, b.y - a.y);
        // The heel's rim runs on past the old heel by what the face has sunk.
        if (depthMm > 1e-6) expect(drawn).toBeGreaterThan(rimMm - 1e-9);
      }),
    );
  });
});
