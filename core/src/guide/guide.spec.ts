import fc from 'fast-check';
import { Refusal } from '../base/refusal.js';
import { flatBlade } from '../testing/blades.js';
import { guideAngle } from './guide-angle.js';
import { guidePose } from './guide-pose.js';
import { guideProjection } from './guide-projection.js';
import {
  GENERIC_SIDE_CLAMPING_GUIDE,
  seatForWidth,
  seatGeometry,
  type GuideGeometry,
  type GuideSeat,
} from './guide.js';

const generic = GENERIC_SIDE_CLAMPING_GUIDE;
const [chiselJaws, ironJaws] = generic.seats.map((seat) => seatGeometry(generic, seat)) as [
  GuideGeometry,
  GuideGeometry,
];
const projection = (guide: GuideGeometry, angleDeg: number, thicknessMm?: number): number =>
  guideProjection({ guide, angleDeg, thicknessMm }).projectionMm;

const anyGuide = fc.record({
  rollerRadiusMm: fc.double({ min: 3, max: 30, noNaN: true }),
  seatHeightMm: fc.double({ min: 5, max: 40, noNaN: true }),
  noseMm: fc.double({ min: -10, max: 20, noNaN: true }),
  rollerDropMm: fc.double({ min: 0, max: 5, noNaN: true }),
  camRiseMm: fc.double({ min: 0, max: 3, noNaN: true }),
  seat: fc.constantFrom('back' as const, 'underside' as const),
});

describe('guide-projection', () => {
  it('agrees with the worked examples', () => {
    expect(projection(chiselJaws, 25)).toBeCloseTo(39.894, 3);
    expect(projection(chiselJaws, 30)).toBeCloseTo(29.896, 3);
    expect(projection(chiselJaws, 35)).toBeCloseTo(22.648, 3);
    expect(projection(ironJaws, 30)).toBeCloseTo(38.123, 3);
  });

  it('reproduces the projections the trade uses within 0.13 mm (common practice, no source)', () => {
    const usual = [
      [chiselJaws, 25, 40],
      [chiselJaws, 30, 30],
      [ironJaws, 25, 50],
      [ironJaws, 30, 38],
    ] as const;
    for (const [guide, deg, mm] of usual) {
      expect(Math.abs(projection(guide, deg) - mm)).toBeLessThanOrEqual(0.13);
    }
  });

  it('lays the stone tangent to the roller (distance of the axle to the plane, fast-check)', () => {
    fc.assert(
      fc.property(
        anyGuide,
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.double({ min: 1, max: 8, noNaN: true }),
        (guide, angleDeg, thicknessMm) => {
          let p: number;
          try {
            p = projection(guide, angleDeg, thicknessMm);
          } catch (reason) {
            return reason instanceof Refusal;
          }
          // The plane through the edge along the stone; the axle's perpendicular distance to it.
          const rad = (angleDeg * Math.PI) / 180;
          const height = guide.seatHeightMm + (guide.seat === 'underside' ? thicknessMm : 0);
          const edge = { x: p + guide.noseMm, y: height };
          const along = { x: -Math.cos(rad), y: -Math.sin(rad) };
          const distance = Math.abs(edge.x * along.y - edge.y * along.x);
          const wanted = Math.abs(guide.rollerRadiusMm + guide.camRiseMm - guide.rollerDropMm);
          return Math.abs(distance - wanted) < 1e-9;
        },
      ),
    );
  });

  it('stands where a stone turned about the edge first touches the roller (found numerically)', () => {
    for (const angleDeg of [18, 25, 30, 37]) {
      const edge = { x: projection(chiselJaws, angleDeg) + chiselJaws.noseMm, y: chiselJaws.seatHeightMm };
      // Raise the stone from the blade's back until it comes within a roller radius of the axle.
      let [low, high] = [0, 89];
      for (let i = 0; i < 100; i++) {
        const middle = (low + high) / 2;
        const [c, s] = [Math.cos((middle * Math.PI) / 180), Math.sin((middle * Math.PI) / 180)];
        if (edge.x * s - edge.y * c < chiselJaws.rollerRadiusMm) low = middle;
        else high = middle;
      }
      expect(low).toBeCloseTo(angleDeg, 9);
    }
  });

  it('is undone by guide-angle, and its slope is the numeric derivative', () => {
    fc.assert(
      fc.property(anyGuide, fc.double({ min: 15, max: 45, noNaN: true }), (guide, angleDeg) => {
        const input = { guide, thicknessMm: 3 };
        let set;
        try {
          set = guideProjection({ ...input, angleDeg });
        } catch {
          return;
        }
        if (set.projectionMm < 1) return;
        const read = guideAngle({ ...input, projectionMm: set.projectionMm });
        expect(read.angleDeg).toBeCloseTo(angleDeg, 8);
        const at = (mm: number): number =>
          guideAngle({ ...input, projectionMm: set.projectionMm + mm }).angleDeg;
        expect((at(1e-4) - at(-1e-4)) / 2e-4).toBeCloseTo(read.degPerMm, 4);
        expect(set.degPerMm).toBeCloseTo(read.degPerMm, 8);
        expect(read.degPerMm).toBeLessThan(0);
      }),
    );
  });

  it('counts thickness for a guide that holds the underside, and asks for it', () => {
    const guide: GuideGeometry = { ...chiselJaws, seat: 'underside' };
    const raised: GuideGeometry = { ...chiselJaws, seatHeightMm: chiselJaws.seatHeightMm + 4 };
    expect(projection(guide, 30, 4)).toBeCloseTo(projection(raised, 30), 12);
    expect(() => projection(guide, 30)).toThrowError(Refusal, /thickness/);
  });

  it('refuses what the guide cannot reach, in words at the field', () => {
    expect(() => projection(chiselJaws, 80)).toThrowError(Refusal, /cannot hold 80°/);
    expect(() => guideAngle({ guide: chiselJaws, projectionMm: 0 })).toThrowError(/above 0 mm/);
    const close: GuideGeometry = { rollerRadiusMm: 30, seatHeightMm: 1, noseMm: -10 };
    expect(() => guideAngle({ guide: close, projectionMm: 11 })).toThrowError(/further out/);
  });
});

describe('seatForWidth', () => {
  it('takes the first seat the blade fits, else the first', () => {
    const named = (mm: number): GuideSeat | undefined => seatForWidth(generic, mm);
    expect(named(19)?.name).toBe('Chisel jaws');
    expect(named(50)?.name).toBe('Iron jaws');
    expect(named(90)?.name).toBe('Chisel jaws');
  });
});

describe('guidePose', () => {
  it('lays the honed facet on the stone and the axle a roller radius above where it runs', () => {
    for (const [guide, thicknessMm] of [
      [ironJaws, 3],
      [{ ...ironJaws, seat: 'underside', rollerDropMm: 2, camRiseMm: 0.5 }, 4],
    ] as const) {
      const { projectionMm } = guideProjection({ guide, angleDeg: 30, thicknessMm });
      const edge = flatBlade({ thicknessMm, secondaryDeg: 30, landMm: 1 });
      const pose = guidePose({ guide, angleDeg: 30, projectionMm, edge, thicknessMm });
      const secondaryEnd = pose.blade.at(-1);
      expect(secondaryEnd?.y).toBeCloseTo(0, 12);
      expect(secondaryEnd?.x).toBeCloseTo(1, 12);
      expect(pose.axle.y - pose.rollerRadiusMm).toBeCloseTo(pose.rollerRunsAtMm, 9);
      expect(Math.min(...pose.blade.map(({ y }) => y))).toBeGreaterThan(-1e-9);
    }
  });
});
