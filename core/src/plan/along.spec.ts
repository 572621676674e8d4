import fc from 'fast-check';
import { layAlong, shareAt } from './along.js';

const sizes = fc.record({
  edgeMm: fc.double({ min: 20, max: 400, noNaN: true }),
  stoneMm: fc.double({ min: 15, max: 120, noNaN: true }),
});
const places = Array.from({ length: 101 }, (_, i) => i / 100);

describe('strokes along an edge longer than its stone', () => {
  it('are made in as few parts as the stone covers, each with as many', () => {
    expect(layAlong('parts', { edgeMm: 230, stoneMm: 70, strokes: 30 })).toEqual({
      visits: 4,
      strokes: 32,
      overMm: 0,
      sharedMm: 50 / 3,
    });
    expect(layAlong('parts', { edgeMm: 140, stoneMm: 70, strokes: 30 }).visits).toBe(2);
  });

  it('in parts leave no place out, and none of it gets more than two of them', () => {
    fc.assert(
      fc.property(sizes, (of) => {
        const shares = places.map((at) => shareAt('parts', of, at * of.edgeMm));
        expect(Math.min(...shares)).toBeGreaterThanOrEqual(1);
        // Where the last part is all but a whole one over, a third touches a place at most at its rim.
        expect(Math.max(...shares)).toBeLessThanOrEqual(3);
        const { visits, sharedMm } = layAlong('parts', { ...of, strokes: 1 });
        expect(visits * of.stoneMm - (visits - 1) * sharedMm).toBeCloseTo(Math.max(of.edgeMm, of.stoneMm), 6);
      }),
    );
  });

  it('crosswise give every place the same once the stone leaves the edge, and the ends too little before', () => {
    fc.assert(
      fc.property(sizes, (of) => {
        for (const at of places) expect(shareAt('crosswise', of, at * of.edgeMm)).toBeCloseTo(1, 9);
        if (of.edgeMm > 2 * of.stoneMm) {
          expect(shareAt('crosswise', of, 0, 0)).toBe(0);
          expect(shareAt('crosswise', of, 0, of.stoneMm / 2)).toBeCloseTo(0.5, 9);
        }
      }),
    );
  });

  it('in half circles slide every place alike, both ends together', () => {
    const of = { edgeMm: 230, stoneMm: 70 };
    for (const at of places) expect(shareAt('half-circles', of, at * of.edgeMm)).toBeCloseTo(1, 12);
    expect(layAlong('half-circles', { ...of, strokes: 31 })).toEqual(
      jasmine.objectContaining({ visits: 2, strokes: 32 }),
    );
  });
});
