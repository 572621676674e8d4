import fc from 'fast-check';
import { cosDeg, sinDeg } from '../base/trig.js';
import { type Handles, USUAL_HANDLES } from '../blade/handles.js';
import { type FaceAtWork, handlesAtSlab, handlesAtWheel } from './handles-clear.js';

const bevel: FaceAtWork = { face: 'bevel', bevelDeg: 28, thicknessMm: 5 };
const back: FaceAtWork = { face: 'back', backMm: 25 };
const handlesOf = (change: Partial<Handles>): Handles => ({ ...USUAL_HANDLES, ...change });

const anyHandles = fc.record({
  fromEdgeMm: fc.double({ min: 20, max: 80, noNaN: true }),
  lengthMm: fc.double({ min: 60, max: 200, noNaN: true }),
  thickMm: fc.double({ min: 10, max: 40, noNaN: true }),
  towardsBevelDeg: fc.double({ min: -30, max: 45, noNaN: true }),
  besideMm: fc.double({ min: -10, max: 20, noNaN: true }),
});
const anyFace = fc.oneof(
  fc.record({
    face: fc.constant('bevel' as const),
    bevelDeg: fc.double({ min: 20, max: 40, noNaN: true }),
    thicknessMm: fc.double({ min: 2, max: 8, noNaN: true }),
  }),
  fc.record({ face: fc.constant('back' as const), backMm: fc.double({ min: 10, max: 40, noNaN: true }) }),
);

/** The gap found point by point: along the handle’s line, its skin, and from there to the wheel’s rim. */
function gapByPoints(handles: Handles, of: FaceAtWork, radiusMm: number): number {
  const faceMm = of.face === 'bevel' ? of.thicknessMm / sinDeg(of.bevelDeg) : of.backMm;
  const deg = of.face === 'bevel' ? of.bevelDeg : 0;
  const out = of.face === 'bevel' ? { x: -sinDeg(deg), z: cosDeg(deg) } : { x: 0, z: -1 };
  const centre = {
    x: (faceMm / 2) * cosDeg(deg) + radiusMm * out.x,
    z: (faceMm / 2) * sinDeg(deg) + radiusMm * out.z,
  };
  const { fromEdgeMm, lengthMm, towardsBevelDeg, thickMm } = handles;
  const distances = Array.from({ length: 20001 }, (_, i) => {
    const along = (lengthMm * i) / 20000;
    return Math.hypot(
      fromEdgeMm + along * cosDeg(towardsBevelDeg) - centre.x,
      along * sinDeg(towardsBevelDeg) - centre.z,
    );
  });
  return Math.min(...distances) - thickMm / 2 - radiusMm;
}

describe('a drawknife’s handles at the wheel', () => {
  it('come as near as the points of a handle and a rim do', () => {
    fc.assert(
      fc.property(
        anyHandles,
        anyFace,
        fc.double({ min: 20, max: 150, noNaN: true }),
        (handles, of, radiusMm) => {
          expect(handlesAtWheel(handles, of, radiusMm).gapMm).toBeCloseTo(
            gapByPoints(handles, of, radiusMm),
            3,
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  it('clear every smaller wheel than the largest that clears, and foul a larger one', () => {
    fc.assert(
      fc.property(anyHandles, anyFace, (handles, of) => {
        const { way, clearsAcrossMm } = handlesAtWheel(handles, of, 250);
        if (way === 'clear' || clearsAcrossMm === undefined) return;
        expect(handlesAtWheel(handles, of, clearsAcrossMm / 2 - 0.2).way).toBe('clear');
        expect(handlesAtWheel(handles, of, clearsAcrossMm / 2 + 0.2).way).not.toBe('clear');
      }),
    );
  });

  it('turn just so far that handle and guard stand apart, where only the corner reaches', () => {
    const handles = handlesOf({ towardsBevelDeg: 0, besideMm: 2 });
    const { way, unreachedMm, turnDeg = NaN } = handlesAtWheel(handles, back, 125, 10);
    expect(way).toBe('corner');
    expect(unreachedMm).toBeCloseTo(11, 9);
    const aside = handles.besideMm * cosDeg(turnDeg) + handles.fromEdgeMm * sinDeg(turnDeg);
    expect(aside).toBeCloseTo(13, 9);
    expect(handlesAtWheel({ ...handles, besideMm: 13 }, back, 125, 10).way).toBe('beside');
    expect(handlesAtWheel({ ...handles, besideMm: -60 }, back, 125, 60).way).toBe('none');
  });

  it('refuse a wheel of no size', () => {
    expect(() => handlesAtWheel(USUAL_HANDLES, bevel, 0)).toThrowError(/more than 0 mm/);
  });
});

describe('a drawknife’s handles at a slab', () => {
  it('hang below its face by the lower end of the bar, and lie above it where they rise enough', () => {
    // On its back, straight handles half as thick as their bar stick out below.
    expect(handlesAtSlab(handlesOf({ towardsBevelDeg: 0, thickMm: 30 }), back, 200, 70)).toEqual({
      dropMm: 15,
      way: 'between',
      raiseMm: 18,
    });
    expect(handlesAtSlab(handlesOf({ towardsBevelDeg: -20 }), bevel, 200, 70).way).toBe('clear');
    // As wide as the tool, a slab is worked at its edge.
    expect(handlesAtSlab(handlesOf({ towardsBevelDeg: 0 }), back, 200, 230).way).toBe('edge');
    expect(handlesAtSlab(handlesOf({ towardsBevelDeg: 0, fromEdgeMm: 20 }), back, 200, 230).way).toBe('none');
  });
});
