import { flatBlade } from '../testing/blades.js';
import type { Edge } from '../blade/edge.js';
import { facetSettings, usualGuide } from './facet-settings.js';
import {
  GENERIC_SIDE_CLAMPING_GUIDE,
  measuredSeat,
  seatCalibration,
  type Guide,
  type GuideSeat,
} from './guide.js';
import { guideAngle } from './guide-angle.js';
import { guideProjection } from './guide-projection.js';

const generic = GENERIC_SIDE_CLAMPING_GUIDE;
const [chiselJaws, ironJaws] = generic.seats as [GuideSeat, GuideSeat];
const iron = flatBlade({ widthMm: 50, secondaryDeg: 30, microDeg: 75 });
const of = (edge: Edge, guide: Guide, seat?: GuideSeat) => facetSettings({ edge }, guide, seat);

describe('facetSettings', () => {
  it('sets every facet on a roller guide, or says why it cannot', () => {
    const [primary, secondary, micro] = of(iron, generic, ironJaws);
    expect(primary?.facet).toBe('primary');
    expect(secondary?.projectionMm).toBeCloseTo(38.123, 3);
    expect(secondary?.plusMinusMm).toBeUndefined();
    expect(micro?.refusal).toMatch(/cannot hold 75°/);
  });

  it('puts the edge of a double bevel in the middle of its thickness', () => {
    const carving = {
      form: 'double-bevel',
      widthMm: 16,
      thicknessMm: 4,
      leftDeg: 20,
      rightDeg: 25,
      skewDeg: 0,
      grind: 'flat',
    } as const;
    const [left, right] = of(carving, generic, chiselJaws);
    const lowered = { rollerRadiusMm: 9, noseMm: 16.25, seatHeightMm: 14.25 };
    expect(left?.projectionMm).toBeCloseTo(
      guideProjection({ guide: lowered, angleDeg: 20 }).projectionMm,
      12,
    );
    expect(right?.angleDeg).toBe(25);
  });

  it('answers for jigs without a roller: the bar’s gap, a fixed angle, nothing by hand', () => {
    const wheel: Guide = {
      name: 'Jig',
      form: 'wet-wheel-jig',
      wheelRadiusMm: 125,
      jigProjectionMm: 139,
      offsetMm: 12,
    };
    expect(of(iron, wheel)[0]?.gapMm).toBeCloseTo(91.926, 3);
    const knives = {
      form: 'knife-set',
      count: 3,
      lengthMm: 260,
      widthMm: 25,
      thicknessMm: 3,
      bevelDeg: 40,
    } as const;
    const pair: Guide = { name: 'Pair jig', form: 'pair-jig', fixedDeg: 45 };
    expect(of(knives, pair)[0]?.refusal).toMatch(/holds every knife at 45°/);
    expect(of({ ...knives, bevelDeg: 45 }, pair)[0]?.refusal).toBeUndefined();
    expect(of(iron, { name: 'By hand', form: 'freehand' })[0]).toEqual({ facet: 'primary', angleDeg: 25 });
    const gouge = {
      form: 'gouge',
      widthMm: 20,
      depthMm: 5,
      thicknessMm: 2,
      cannel: 'out',
      bevelDeg: 22,
    } as const;
    expect(of(gouge, generic)[0]?.refusal).toMatch(/rolled along its arc/);
  });

  it('begins with the guide that holds the edge: a jig made for it, a roller, then hands', () => {
    const all: readonly Guide[] = [
      { name: 'By hand', form: 'freehand' },
      { name: 'Jig', form: 'wet-wheel-jig', wheelRadiusMm: 125, jigProjectionMm: 139, offsetMm: 12 },
      generic,
      { name: 'Pair jig', form: 'pair-jig', fixedDeg: 45 },
    ];
    const first = (edge: Edge): string | undefined => usualGuide(edge, all)?.form;
    expect(first(flatBlade({ widthMm: 50 }))).toBe('side-clamping-roller');
    expect(first(flatBlade({ widthMm: 230 }))).toBe('freehand');
    const knives = {
      form: 'knife-set',
      count: 3,
      lengthMm: 260,
      widthMm: 25,
      thicknessMm: 3,
      bevelDeg: 45,
    } as const;
    expect(first(knives)).toBe('pair-jig');
    expect(first({ ...knives, bevelDeg: 38 })).toBe('freehand');
    expect(usualGuide<Guide>(knives, [])).toBeUndefined();
  });

  it('sets a measured seat by its own readings, with their ±; underside and low roller too', () => {
    const truth = { ...generic, rollerDropMm: 2 };
    const held: GuideSeat = { name: 'Bed', registers: 'underside', heightMm: 14 };
    const thicknessMm = 4;
    const readings = [25, 29, 33, 38].map((projectionMm) => ({
      projectionMm,
      ...guideAngle({
        guide: { rollerRadiusMm: 9, rollerDropMm: 2, noseMm: 18, seatHeightMm: 14, seat: 'underside' },
        thicknessMm,
        projectionMm,
      }),
    }));
    const measured = { readings, divisionDeg: 0.5, thicknessMm };
    const fitted = seatCalibration(truth, { ...held, measured });
    const seat = fitted && measuredSeat(held, measured, fitted);
    expect(seat?.heightMm).toBeCloseTo(14, 4);
    expect(seat?.noseMm).toBeCloseTo(18, 4);
    const [primary] = of(flatBlade({ thicknessMm: 3 }), truth, seat);
    const thinner = { rollerRadiusMm: 9, rollerDropMm: 2, noseMm: 18, seatHeightMm: 17 };
    expect(primary?.projectionMm).toBeCloseTo(
      guideProjection({ guide: thinner, angleDeg: 25 }).projectionMm,
      3,
    );
    expect(primary?.plusMinusMm).toBeGreaterThan(0.1);
    expect(primary?.plusMinusMm).toBeLessThan(2);
  });
});
