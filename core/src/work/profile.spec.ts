import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import { landGrowth, recessionForLand } from '../blade/land-growth.js';
import { honedHollow } from '../blade/hollow-grind.js';
import { sinDeg, tanDeg } from '../base/trig.js';
import { areaMm2, cutBy, edgeAtMm, faceMm, moved, withFace, type Profile } from './profile.js';

const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

/** The steel a side has left up to a depth of 100 mm, as a polygon of many points. */
function leftMm2({ thicknessMm, planes }: Profile): number {
  const steps = 4000;
  const side = Array.from({ length: steps + 1 }, (_, i): [number, number] => {
    const height = (thicknessMm * i) / steps;
    return [Math.max(...planes.map(({ deg, atMm }) => atMm + height / tanDeg(deg))), height];
  });
  return Math.abs(polygonArea([...side, [100, thicknessMm], [100, 0]]));
}

describe('a side in section', () => {
  const planes = fc
    .tuple(mm(10, 30), mm(0.5, 12), mm(0.5, 12), mm(0, 2), mm(0, 2))
    .map(([deg, more, again, second, third]) => [
      { deg, atMm: 0 },
      { deg: deg + more, atMm: second },
      { deg: deg + more + again, atMm: third },
    ]);

  it('gives up the polygon between what it was and what a plane leaves (area by d3-polygon, fast-check)', () => {
    fc.assert(
      fc.property(planes, mm(0.5, 8), fc.nat(2), mm(0.001, 2), (cut, thicknessMm, plane, steelMm2) => {
        const before: Profile = { thicknessMm, planes: cut };
        const after = cutBy(before, plane, steelMm2);
        expect(areaMm2(after) - areaMm2(before)).toBeCloseTo(steelMm2, 6);
        expect(leftMm2(before) - leftMm2(after)).toBeCloseTo(steelMm2, 3);
      }),
      { numRuns: 150 },
    );
  });

  it('has faces that reach from back to top, whatever planes it has (fast-check)', () => {
    fc.assert(
      fc.property(planes, mm(0.5, 8), (cut, thicknessMm) => {
        const profile: Profile = { thicknessMm, planes: cut };
        const height = cut.reduce((sum, { deg }, i) => sum + faceMm(profile, i) * sinDeg(deg), 0);
        expect(height).toBeCloseTo(thicknessMm, 9);
      }),
    );
  });

  it('grows a land as the closed formula has it, and finds the plane of a land', () => {
    const ground: Profile = {
      thicknessMm: 3,
      planes: [
        { deg: 25, atMm: 0 },
        { deg: 30, atMm: 0 },
      ],
    };
    const landed = withFace(ground, 1, 0.5);
    expect(edgeAtMm(landed)).toBeCloseTo(recessionForLand(25, 30, 0.5), 7);
    const on = moved(landed, 1, 0.1);
    const formula = landGrowth({
      primaryDeg: 25,
      secondaryDeg: 30,
      recessionMm: edgeAtMm(on),
      thicknessMm: 3,
    });
    expect(faceMm(on, 1)).toBeCloseTo(formula.landMm, 9);
    expect(areaMm2(on) - areaMm2(ground)).toBeCloseTo(formula.steelMm2, 9);
  });

  it('leaves a hollow’s rims as the circular segments have them', () => {
    const hollow = { deg: 25, wheelRadiusMm: 75, atMm: 0 };
    const ground: Profile = { thicknessMm: 4, hollow, planes: [{ deg: 25, atMm: 0 }] };
    const honed = moved(ground, 0, 0.1);
    const formula = honedHollow({ wheelRadiusMm: 75, thicknessMm: 4, bevelDeg: 25 }, 0.1);
    expect(areaMm2(honed) - areaMm2(ground)).toBeCloseTo(formula.steelMm2, 6);
    expect(faceMm(honed, 0) / 2).toBeCloseTo(formula.rimMm, 3);
  });

  it('meets a hollow at the arc’s own angle, not the chord’s: a land there is longer for the same steel', () => {
    const flat: Profile = {
      thicknessMm: 4,
      planes: [
        { deg: 25, atMm: 0 },
        { deg: 30, atMm: 0 },
      ],
    };
    const hollow: Profile = { ...flat, hollow: { deg: 25, wheelRadiusMm: 75, atMm: 0 } };
    const [onFlat, onHollow] = [cutBy(flat, 1, 0.01), cutBy(hollow, 1, 0.01)];
    // At the very edge the arc stands at 21.38°: as a flat primary of that angle would have it.
    const steep: Profile = {
      thicknessMm: 4,
      planes: [
        { deg: 21.382, atMm: 0 },
        { deg: 30, atMm: 0 },
      ],
    };
    expect(edgeAtMm(onHollow)).toBeCloseTo(edgeAtMm(cutBy(steep, 1, 0.01)), 2);
    expect(edgeAtMm(onHollow)).toBeGreaterThan(edgeAtMm(onFlat));
  });
});
