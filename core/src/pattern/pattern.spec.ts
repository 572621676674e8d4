import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import type { Point } from '../blade/section.js';
import { wheelPose } from '../guide/wheel-pose.js';
import { unlessRefused } from '../base/refusal.js';
import { wheelSupport } from '../guide/wheel-support.js';
import { bevelGauge } from './bevel-gauge.js';
import { foldingSheet } from './folding-sheet.js';
import { gaugeBlock, gaugeSteps } from './gauge-block.js';
import { arcPoints, extentOf, type PathMark, type Pattern } from './pattern.js';
import { restTemplate, wheelCentre } from './rest-template.js';

const hand = {
  length: (mm: number) => `${mm} mm`,
  setting: (mm: number) => `${mm} mm`,
  angle: (deg: number) => `${deg}°`,
};
const real = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const paths = ({ marks }: Pattern): readonly PathMark[] => marks.filter((mark) => mark.kind === 'path');
const outline = (pattern: Pattern): readonly Point[] =>
  paths(pattern).find(({ layer }) => layer === 'cut')?.points ?? [];
const deg = (from: Point, to: Point): number => (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
const turnsLeft = (points: readonly Point[]): boolean => polygonArea(points.map(({ x, y }) => [x, y])) < 0;

describe('patterns', () => {
  it('arcs are chords within a hundredth of a millimetre of the circle', () => {
    fc.assert(
      fc.property(real(0.5, 300), real(0, 180), real(5, 300), (radius, from, sweep) => {
        const points = arcPoints({ x: 3, y: -2 }, radius, from, from + sweep);
        points.slice(1).forEach((to, i) => {
          const a = points[i] as Point;
          const off = radius - Math.hypot((a.x + to.x) / 2 - 3, (a.y + to.y) / 2 + 2);
          expect(off).toBeLessThan(0.006);
        });
      }),
    );
  });

  it('a gauge’s notches open by their angles, in order along one rim', () => {
    fc.assert(
      fc.property(
        fc.array(real(5, 120), { minLength: 1, maxLength: 12 }),
        real(4, 40),
        (anglesDeg, notchMm) => {
          const points = outline(bevelGauge({ anglesDeg, notchMm, thicknessMm: 2 }, hand));
          const rim = Math.max(...points.map(({ y }) => y));
          // Down into a notch and up out of it: the two long flanks about each relief.
          const flanks = points.flatMap((from, i): number[] => {
            const to = points[(i + 1) % points.length] as Point;
            return (from.y === rim) !== (to.y === rim) && Math.min(from.y, to.y) > 1 ? [deg(from, to)] : [];
          });
          const opened = Array.from({ length: flanks.length / 2 }, (_, i) => {
            // The outline runs from the right: up the right flank last, so angles come in pairs.
            const [a = 0, b = 0] = [flanks[2 * i], flanks[2 * i + 1]];
            return 180 - Math.abs(((b - a + 540) % 360) - 180);
          }).reverse();
          expect(opened.length).toBe(anglesDeg.length);
          opened.forEach((each, i) => expect(each).toBeCloseTo(anglesDeg[i] ?? NaN, 6));
        },
      ),
    );
    expect(() => bevelGauge({ anglesDeg: [20, 170], notchMm: 14, thicknessMm: 2 }, hand)).toThrowError(
      /5° to 120°/,
    );
  });

  it('a rest template beds on a wheel that grinds the blade to the bevel (found numerically)', () => {
    fc.assert(
      fc.property(real(50, 200), real(2, 6), real(18, 40), (wheelRadiusMm, thicknessMm, bevelDeg) => {
        const wheel = { wheelRadiusMm, thicknessMm, bevelDeg };
        const centre = wheelCentre(wheel);
        const from = (point: Point): number => Math.hypot(point.x - centre.x, point.y - centre.y);
        // The blade's edge and heel both lie on the rim: the chord between them is the bevel.
        const heel = { x: -thicknessMm / Math.tan((bevelDeg * Math.PI) / 180), y: 0 };
        expect(from({ x: 0, y: thicknessMm })).toBeCloseTo(wheelRadiusMm, 9);
        expect(from(heel)).toBeCloseTo(wheelRadiusMm, 9);
        expect(deg(heel, { x: 0, y: thicknessMm })).toBeCloseTo(bevelDeg, 9);
        const points = outline(restTemplate({ ...wheel, plateMm: 6 }, hand));
        const bedded = points.filter((point) => Math.abs(from(point) - wheelRadiusMm) < 1e-6);
        expect(bedded.length).toBeGreaterThan(5);
        // Nothing of it lies inside the wheel.
        expect(Math.min(...points.map(from))).toBeGreaterThan(wheelRadiusMm - 1e-6);
        expect(turnsLeft(points)).toBeTrue();
      }),
    );
  });

  it('a gauge block’s steps are the bar’s gap less half the bar', () => {
    const asked = {
      wheelRadiusMm: 125,
      jigProjectionMm: 139,
      offsetMm: 12,
      barDiameterMm: 12,
      thicknessMm: 12,
    };
    const steps = gaugeSteps({ ...asked, anglesDeg: [30, 25] });
    expect(steps[1]?.heightMm).toBeCloseTo(216.926 - 125 - 6, 3);
    expect(steps[0]?.heightMm).toBeCloseTo(wheelSupport({ ...asked, angleDeg: 30 }).gapMm - 6, 12);
    const block = gaugeBlock({ ...asked, anglesDeg: [30, 25] }, hand);
    expect(extentOf(block).top).toBeCloseTo(steps[0]?.heightMm ?? NaN, 9);
    expect(() => gaugeSteps({ ...asked, jigProjectionMm: 8, anglesDeg: [25] })).toThrowError(/bar/);
  });

  it('a folding sheet’s creases halve its corner down to the nearest', () => {
    const creases = paths(foldingSheet({ angleDeg: 30, sideMm: 120 }, hand)).filter(({ name }) =>
      name?.startsWith('crease'),
    );
    const angles = creases.map(({ points: [a, b] }) => deg(a as Point, b as Point));
    [45, 22.5, 33.75, 28.125, 30.9375].forEach((each, i) => expect(angles[i]).toBeCloseTo(each, 9));
    creases.forEach(({ points }) =>
      expect(Math.max(points[1]?.x ?? 0, points[1]?.y ?? 0)).toBeCloseTo(120, 9),
    );
  });

  it('on a wet wheel the bar stands off the rim by wheel-support’s gap, the back at the angle to the tangent', () => {
    fc.assert(
      fc.property(real(80, 200), real(60, 160), real(-10, 30), real(15, 45), (r, p, c, angleDeg) => {
        const input = { wheelRadiusMm: r, jigProjectionMm: p, offsetMm: c, angleDeg };
        // A short jig on a low angle would have its bar inside the wheel: that is refused, and drawn nowhere.
        const pose = unlessRefused(() => wheelPose(input, 3));
        fc.pre(pose !== undefined);
        const { edge, bar, rim, foot, blade } = pose;
        const gap = Math.hypot(bar.x - rim.x, bar.y - rim.y);
        expect(gap).toBeCloseTo(wheelSupport(input).gapMm, 9);
        expect(Math.hypot(edge.x, edge.y)).toBeCloseTo(r, 9);
        expect(Math.hypot(foot.x - edge.x, foot.y - edge.y)).toBeCloseTo(p, 9);
        const tangent = (Math.atan2(edge.y, edge.x) * 180) / Math.PI - 90;
        expect(deg(edge, foot) - tangent).toBeCloseTo(angleDeg, 9);
        // The heel lies on the tangent: the whole bevel touches where it is flat.
        expect(deg(edge, blade[3] as Point)).toBeCloseTo(tangent, 9);
      }),
    );
  });
});
