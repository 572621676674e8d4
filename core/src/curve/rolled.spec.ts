import fc from 'fast-check';
import { gougeArc } from './gouge-arc.js';
import { PATCH_DEEP_MM, rolled } from './rolled.js';
import { sinDeg, toDeg } from '../base/trig.js';

const gouges = fc
  .record({
    widthMm: fc.double({ min: 3, max: 50, noNaN: true }),
    sweep: fc.double({ min: 0.03, max: 1.4, noNaN: true }),
    bevelDeg: fc.double({ min: 15, max: 40, noNaN: true }),
    overlap: fc.double({ min: 0, max: 0.8, noNaN: true }),
  })
  .map(({ widthMm, sweep, ...more }) => ({
    ...gougeArc({ widthMm, depthMm: (sweep * widthMm) / 2 }),
    ...more,
  }));

describe('rolled', () => {
  it('has the patch of a scrub iron and of a gouge as its formula gives it', () => {
    // The contract of the work: R 75, 30°, 10 µm is 3.5 mm.
    expect(rolled({ radiusMm: 75, arcMm: 33, bevelDeg: 30 }).patchMm).toBeCloseTo(3.464, 3);
    const gouge = rolled({ ...gougeArc({ widthMm: 20, depthMm: 5 }), bevelDeg: 22 });
    expect(gouge.patchMm).toBeCloseTo(2 * Math.sqrt(0.25 / sinDeg(22)), 9);
  });

  it('covers the whole edge, each patch with its share of the last, and ends at the corners', () => {
    fc.assert(
      fc.property(gouges, ({ radiusMm, arcMm, bevelDeg, overlap }) => {
        const { atMm, patchMm, turnDeg, places } = rolled({ radiusMm, arcMm, bevelDeg, overlap });
        const [first, last] = [atMm[0] ?? NaN, atMm.at(-1) ?? NaN];
        // Neither missed nor gone over.
        expect(first - patchMm / 2).toBeCloseTo(-arcMm / 2, 6);
        expect(last + patchMm / 2).toBeCloseTo(arcMm / 2, 6);
        atMm.slice(1).forEach((at, i) => {
          const shared = patchMm - (at - (atMm[i] ?? NaN));
          expect(shared / patchMm).toBeGreaterThanOrEqual(overlap - 1e-6);
        });
        expect(atMm.length).toBe(places);
        expect(turnDeg).toBeCloseTo(toDeg((last - first) / radiusMm), 6);
        // One place less would not do.
        if (places > 2)
          expect((arcMm - patchMm) / (places - 2)).toBeGreaterThan(patchMm * (1 - overlap) - 1e-6);
      }),
    );
  });

  it('eases the corners by rolling on until the patch lies half over them', () => {
    const arc = { ...gougeArc({ widthMm: 20, depthMm: 5 }), bevelDeg: 22 };
    const [kept, eased] = [rolled(arc), rolled({ ...arc, corners: 'eased' })];
    expect(eased.turnDeg - kept.turnDeg).toBeCloseTo(toDeg(kept.patchMm / arc.radiusMm), 9);
    expect(eased.atMm.at(-1)).toBeCloseTo(arc.arcMm / 2, 9);
  });

  it('touches more of a hollow the nearer a rod comes to it, all of it where it fills it, and refuses a larger one', () => {
    const hollow = { radiusMm: 11.7, arcMm: 26, bevelDeg: 25 };
    const patch = (rodRadiusMm: number): number => rolled({ ...hollow, rodRadiusMm }).patchMm;
    // Two circles on one tangent, δ/sin θ apart where the patch ends.
    const gapAt = (rod: number, x: number): number =>
      rod - Math.sqrt(rod ** 2 - x ** 2) - (11.7 - Math.sqrt(11.7 ** 2 - x ** 2));
    for (const rod of [6, 9, 11]) {
      const wide = patch(rod);
      expect(gapAt(rod, wide / 2) / (PATCH_DEEP_MM / sinDeg(25))).toBeCloseTo(1, rod < 10 ? 1 : 0);
      expect(wide).toBeLessThan(patch(rod + 0.5));
    }
    expect(patch(11.7)).toBe(26);
    expect(() => patch(11.8)).toThrowError(/two lines/);
  });
});
