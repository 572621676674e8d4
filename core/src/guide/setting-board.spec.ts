import fc from 'fast-check';
import { guideAngle } from './guide-angle.js';
import { guideProjection } from './guide-projection.js';
import { GENERIC_SIDE_CLAMPING_GUIDE as GUIDE, seatGeometry } from './guide.js';
import { flatBlade } from '../testing/blades.js';
import { boardPattern } from '../pattern/board-pattern.js';
import { boardShifts, movedStops, stopFor } from './board-use.js';
import {
  USUAL_BOARD,
  boardFaults,
  cutStops,
  leastDepthMm,
  leastLengthMm,
  makeBoard,
  nextLabel,
  stopPitchMm,
  type BoardAsked,
} from './setting-board.js';

const [CHISEL_JAWS] = GUIDE.seats;
if (!CHISEL_JAWS) throw new Error('the generic guide has jaws');
const asked = (angles: readonly number[], change: Partial<BoardAsked> = {}): BoardAsked => ({
  ...USUAL_BOARD,
  name: 'Chisels',
  guideId: 'g',
  seatName: 'Chisel jaws',
  stops: angles.map((angleDeg, i) => ({ label: `S${i}`, angleDeg })),
  ...change,
});
const hand = {
  length: (mm: number) => `${mm} mm`,
  setting: (mm: number) => `${mm} mm`,
  angle: (deg: number) => `${deg}°`,
};
const OWNED = { ...GUIDE, id: 'g' };

describe('a setting board', () => {
  it('cuts the trade’s stops: 40 mm for 25° and 30 mm for 30° (common practice, no source), within 0.13 mm', () => {
    const [a, b] = cutStops(GUIDE, asked([25, 30]));
    expect(Math.abs((a?.projectionMm ?? 0) - 40)).toBeLessThan(0.13);
    expect(Math.abs((b?.projectionMm ?? 0) - 30)).toBeLessThan(0.13);
  });

  it('laid out side by side on the least board, any stops are in nobody’s way (fast-check)', () => {
    const angle = fc.double({ min: 16, max: 45, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(angle, { minLength: 1, maxLength: 40 }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.double({ min: 3, max: 80, noNaN: true }),
        (angles, stopWidthMm, bladeWidthMm) => {
          const sizes = { ...USUAL_BOARD, stopWidthMm, bladeWidthMm };
          const stops = cutStops(GUIDE, asked(angles, sizes));
          const fits = {
            ...sizes,
            lengthMm: leastLengthMm(sizes, angles.length),
            depthMm: leastDepthMm(sizes, stops),
            stops,
          };
          expect(boardFaults(fits)).toEqual([]);
          if (angles.length > 1)
            expect(boardFaults({ ...fits, lengthMm: fits.lengthMm - 12 })).not.toEqual([]);
          // A blade on its way to its stop passes every other: worked out from the boxes themselves.
          for (const mine of stops)
            for (const other of stops)
              if (mine !== other)
                expect(Math.abs(mine.alongMm - other.alongMm)).toBeGreaterThanOrEqual(
                  (bladeWidthMm + stopWidthMm) / 2,
                );
        },
      ),
      { numRuns: 60 },
    );
  });

  it('tells what keeps it from being made, each at its field', () => {
    const faults = (change: Partial<BoardAsked>): string[] => {
      const board = asked([25, 30], change);
      return boardFaults({ ...board, stops: cutStops(GUIDE, board) }).map(({ field }) => field);
    };
    expect(faults({})).toEqual([]);
    expect(faults({ depthMm: 45 })).toEqual(['stops.0.angleDeg']);
    expect(faults({ lengthMm: 60 })).toEqual(['stops.1.alongMm']);
    const pitch = stopPitchMm(USUAL_BOARD);
    const at = (apart: number): BoardAsked['stops'] => [
      { label: 'A', angleDeg: 25, alongMm: 40 },
      { label: 'B', angleDeg: 30, alongMm: 40 + apart },
    ];
    expect(faults({ stops: at(pitch) })).toEqual([]);
    expect(faults({ stops: at(pitch - 0.1) })).toEqual(['stops.1.alongMm']);
    expect(() => makeBoard(GUIDE, asked([25, 80]), '2026-11-23')).toThrowMatching(
      ({ field }: { field: string }) => field === 'stops.1.angleDeg',
    );
  });

  it('re-measuring its guide says which stops moved and by how much, and what they give as they stand', () => {
    const board = makeBoard(GUIDE, asked([25, 30, 35]), '2026-11-23');
    expect(movedStops(boardShifts(GUIDE, board))).toEqual([]);
    const measured = {
      ...GUIDE,
      seats: GUIDE.seats.map((seat) => ({ ...seat, heightMm: seat.heightMm + 0.5 })),
    };
    const moved = movedStops(boardShifts(measured, board));
    expect(moved.length).toBe(3);
    moved.forEach(({ stop, byMm = 0, nowMm = 0, givesDeg = 0 }) => {
      // (p + a)·sin θ − H·cos θ = r: half a millimetre of H is half a cotangent of p.
      expect(byMm).toBeCloseTo(0.5 / Math.tan((stop.angleDeg * Math.PI) / 180), 9);
      const guide = seatGeometry(measured, measured.seats[0] as typeof CHISEL_JAWS);
      expect(guideProjection({ guide, angleDeg: stop.angleDeg }).projectionMm).toBeCloseTo(nowMm, 9);
      expect(guideAngle({ guide, projectionMm: stop.projectionMm }).angleDeg).toBeCloseTo(givesDeg, 9);
    });
  });

  it('is found for a blade by what its stop really gives it', () => {
    const board = { ...makeBoard(GUIDE, asked([25, 30]), '2026-11-23'), id: 'b' };
    const blade = flatBlade({});
    const found = stopFor([board], OWNED, CHISEL_JAWS, blade, 30.1);
    expect([found?.label, found?.boardId]).toEqual(['S1', 'b']);
    expect(found?.givesDeg).toBeCloseTo(30, 9);
    expect(stopFor([board], OWNED, CHISEL_JAWS, blade, 28)).toBeUndefined();
    expect(stopFor([{ ...board, guideId: 'other' }], OWNED, CHISEL_JAWS, blade, 30)).toBeUndefined();
  });

  it('letters its stops A … Z, A1 …, never one twice', () => {
    let labels: string[] = [];
    for (let i = 0; i < 40; i++) labels = [...labels, nextLabel(labels)];
    expect(new Set(labels).size).toBe(40);
    expect([labels[0], labels[25], labels[26]]).toEqual(['A', 'Z', 'A1']);
    expect(nextLabel(['A', 'C'])).toBe('B');
  });

  it('drawn, every face stands at its projection from the fence', () => {
    const board = makeBoard(GUIDE, asked([25, 30, 35]), '2026-11-23');
    const { marks } = boardPattern(board, 'jaws', hand);
    for (const { label, projectionMm, alongMm } of board.stops) {
      const face = marks.find((mark) => mark.kind === 'path' && mark.name === `face ${label}`);
      const points = face?.kind === 'path' ? face.points : [];
      expect(points.map(({ y }) => y)).toEqual([projectionMm, projectionMm]);
      expect(((points[0]?.x ?? 0) + (points[1]?.x ?? 0)) / 2).toBeCloseTo(alongMm, 9);
    }
  });
});
