import fc from 'fast-check';
import type { GougeEdge, VEdge } from '../blade/edge.js';
import { gougeArc } from './gouge-arc.js';
import { aheadMm, isForeign, keelMm, partsMm } from './uneven.js';

const GOUGE: GougeEdge = {
  ...{ form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
};
const V: VEdge = { form: 'v', wingMm: 9, openingDeg: 60, thicknessMm: 2, bevelDeg: 22, keelRadiusMm: 0.4 };

describe('what stands ahead of a curved edge', () => {
  it('has parts that make up the whole edge', () => {
    expect(partsMm(GOUGE).reduce((sum, mm) => sum + mm, 0)).toBeCloseTo(gougeArc(GOUGE).arcMm, 9);
    // Between wings at 60° the keel turns through the other 120°.
    expect(keelMm(V)).toBeCloseTo((0.4 * 2 * Math.PI) / 3, 12);
    expect(partsMm(V).slice(0, 2)).toEqual([9, 9]);
  });

  it('leads at the corners as a parabola whose mean is a third, in the middle as the rest of it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 3, noNaN: true }), (mm) => {
        const [corners, middle] = [aheadMm('corners-ahead', mm), aheadMm('middle-ahead', mm)];
        const mean = (list: readonly number[]): number => list.reduce((sum, each) => sum + each, 0) / 5;
        expect(mean(corners)).toBeCloseTo(mm / 3, 9);
        expect(mean(middle)).toBeCloseTo((2 * mm) / 3, 9);
        corners.forEach((each, i) => expect(each).toBeCloseTo(corners[4 - i] ?? NaN, 12));
      }),
    );
  });

  it('is at a V’s apex the keel, both wings, or the wing it leans to: the one that was honed less', () => {
    expect(aheadMm('tooth', 0.2)).toEqual([0, 0, 0.2]);
    expect(aheadMm('notch', 0.2)).toEqual([0.2, 0.2, 0]);
    expect(aheadMm('hook-left', 0.2)).toEqual([0.2, 0, 0]);
    expect(aheadMm('hook-right', 0.2)).toEqual([0, 0.2, 0]);
  });

  it('is said only of the form that can have it', () => {
    expect([isForeign('tooth', V), isForeign('tooth', GOUGE)]).toEqual([false, true]);
    expect([isForeign('corners-ahead', GOUGE), isForeign('corners-ahead', V)]).toEqual([false, true]);
    expect(isForeign('pits', V)).toBeFalse();
  });
});
