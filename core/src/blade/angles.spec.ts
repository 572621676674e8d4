import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import { backBevel } from './back-bevel.js';
import { edgeKeep, tipLoss } from './edge-keep.js';
import { landGrowth } from './land-growth.js';
import { planeAngles } from './plane-angles.js';
import { settingShift } from './setting-shift.js';
import { skewCut } from './skew-cut.js';

const deg = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const rad = (angleDeg: number): number => (angleDeg * Math.PI) / 180;

describe('plane-angles', () => {
  it('agrees with the worked example', () => {
    const angles = planeAngles({ bedDeg: 45, orientation: 'bevel-down', bevelDeg: 30, backBevelDeg: 0.5 });
    expect([angles.cuttingDeg, angles.clearanceDeg, angles.includedDeg]).toEqual([45.5, 15, 30.5]);
    expect(angles.clearance).toBe('ample');
  });

  it('always leaves the edge between cutting face and clearance face: cutting = clearance + included (fast-check)', () => {
    fc.assert(
      fc.property(
        deg(5, 60),
        deg(10, 50),
        deg(0, 10),
        fc.constantFrom('bevel-down' as const, 'bevel-up' as const),
        (bedDeg, bevelDeg, backBevelDeg, orientation) => {
          const angles = planeAngles({ bedDeg, orientation, bevelDeg, backBevelDeg });
          expect(angles.clearanceDeg + angles.includedDeg).toBeCloseTo(angles.cuttingDeg, 9);
        },
      ),
    );
  });

  it('warns where clearance runs thin or is gone, and says which face eats it', () => {
    const down = planeAngles({ bedDeg: 45, orientation: 'bevel-down', bevelDeg: 38 });
    expect(down.clearance).toBe('thin');
    expect(down.warning).toMatch(/bevel faces the wood/);
    const up = planeAngles({ bedDeg: 12, orientation: 'bevel-up', bevelDeg: 28, backBevelDeg: 5 });
    expect(up.warning).toMatch(/back faces the wood.*leave the back bevel out/);
    expect(
      planeAngles({ bedDeg: 12, orientation: 'bevel-up', bevelDeg: 28, backBevelDeg: 0.5 }).warning,
    ).toMatch(/still enough/);
    const none = planeAngles({ bedDeg: 45, orientation: 'bevel-down', bevelDeg: 50 });
    expect([none.clearance, none.clearanceDeg]).toEqual(['none', -5]);
    expect(none.warning).toMatch(/will not cut/);
    expect(() =>
      planeAngles({ bedDeg: 45, orientation: 'bevel-up', bevelDeg: 88, backBevelDeg: 2 }),
    ).toThrowError(/reach 90°/);
  });
});

describe('skew-cut', () => {
  it('agrees with the worked example, and with the section of the bevel plane by vectors (fast-check)', () => {
    expect(skewCut({ bevelDeg: 25, skewDeg: 30 }).effectiveDeg).toBeCloseTo(21.991, 3);
    fc.assert(
      fc.property(deg(5, 60), deg(0, 70), (bevelDeg, skewDeg) => {
        // Edge along z in the back's plane y = 0; the bevel rises from it towards +x. Cut the bevel plane
        // y = x·tan α along a direction turned by the skew, and see how steeply it rises there.
        const direction = { x: Math.cos(rad(skewDeg)), z: Math.sin(rad(skewDeg)) };
        const rise = direction.x * Math.tan(rad(bevelDeg));
        const along = Math.hypot(direction.x, direction.z);
        expect(skewCut({ bevelDeg, skewDeg }).effectiveDeg).toBeCloseTo(
          (Math.atan2(rise, along) * 180) / Math.PI,
          9,
        );
      }),
    );
    expect(() => skewCut({ bevelDeg: 25, skewDeg: 90 })).toThrowError(/just below 90°/);
  });
});

describe('edge-keep', () => {
  it('keeps two thirds at 40° against 30° (common practice: about a third lost)', () => {
    expect(edgeKeep({ angleDeg: 40, referenceDeg: 30 }).ratio).toBeCloseTo(0.6718, 4);
    // People say three times for 30 against 50; the geometry gives 2.1.
    expect(edgeKeep({ angleDeg: 30, referenceDeg: 50 }).ratio).toBeCloseTo(2.1, 1);
  });

  it('is the length between sharp tip and rounded one, found numerically (fast-check)', () => {
    fc.assert(
      fc.property(deg(10, 90), deg(0.5, 20), (angleDeg, radius) => {
        // Slide a circle down the bisector until it touches the faces; what lies beyond it is lost.
        let [low, high] = [0, 1e4];
        for (let i = 0; i < 200; i++) {
          const middle = (low + high) / 2;
          if (middle * Math.sin(rad(angleDeg / 2)) < radius) low = middle;
          else high = middle;
        }
        expect(low - radius).toBeCloseTo(radius * tipLoss(angleDeg), 6);
      }),
    );
    expect(() => edgeKeep({ angleDeg: 0, referenceDeg: 30 })).toThrowError(/between 0° and 180°/);
  });
});

describe('back-bevel', () => {
  it('agrees with the worked example and refuses a shim that stands the blade up', () => {
    expect(backBevel({ shimMm: 0.5, distanceMm: 45 }).angleDeg).toBeCloseTo(0.6366, 4);
    expect(() => backBevel({ shimMm: 2, distanceMm: 2 })).toThrowError(/further back/);
    expect(() => backBevel({ shimMm: 0, distanceMm: 2 })).toThrowError(/more than 0/);
  });
});

describe('setting-shift', () => {
  const iron = { primaryDeg: 25, thicknessMm: 3, widthMm: 50, landMm: 0.8, recessionMm: 0.015 };

  it('less steep: has the polygon between land and new face to take off first (d3-polygon, fast-check)', () => {
    fc.assert(
      fc.property(deg(0.5, 12), deg(0.1, 4), (down, landMm) => {
        const nextDeg = 32 - down;
        const { kind, beforeEdgeMm3 } = settingShift({ ...iron, landMm, lastDeg: 32, nextDeg });
        expect(kind).toBe('shallower');
        // Both profiles as height over x, on a fine grid from the edge to past either heel.
        const profile = (x: number, facets: readonly (readonly [number, number])[]): number => {
          let [at, y] = [0, 0];
          for (const [angleDeg, length] of facets) {
            const run = Math.min(x - at, length * Math.cos(rad(angleDeg)));
            y += run * Math.tan(rad(angleDeg));
            at += run;
          }
          return Math.min(3, y);
        };
        const xs = Array.from({ length: 4001 }, (_, i) => (i * 12) / 4000);
        const old = xs.map((x): [number, number] => [
          x,
          profile(x, [
            [32, landMm],
            [25, 1e3],
          ]),
        ]);
        const fresh = xs.map((x): [number, number] => [
          x,
          Math.min(
            profile(x, [[nextDeg, 1e3]]),
            profile(x, [
              [32, landMm],
              [25, 1e3],
            ]),
          ),
        ]);
        const between = Math.abs(polygonArea([...old, ...fresh.reverse()]));
        expect(beforeEdgeMm3 / 50).toBeCloseTo(between, 3);
      }),
      { numRuns: 40 },
    );
  });

  it('steeper: puts off what the land would have cost, and keeps less of the edge', () => {
    const shift = settingShift({ ...iron, lastDeg: 30, nextDeg: 32 });
    expect(shift.kind).toBe('steeper');
    expect(shift.keepRatio).toBeLessThan(1);
    const at = (recessionMm: number): number =>
      landGrowth({ primaryDeg: 25, secondaryDeg: 30, recessionMm }).steelMm2;
    const from = 0.16498; // behind a land of 0.8 mm
    expect(shift.putOffMm3).toBeLessThan((at(from + 0.015) - at(from)) * 50);
    expect(shift.putOffMm3).toBeGreaterThan(0.5 * (at(from + 0.015) - at(from)) * 50);
  });

  it('is the same setting within a quarter of a degree, and costs nothing', () => {
    const shift = settingShift({ ...iron, lastDeg: 30, nextDeg: 30.2 });
    expect([shift.kind, shift.beforeEdgeMm3, shift.putOffMm3]).toEqual(['same', 0, 0]);
  });
});
