import { backPmMm, settingPmDeg } from './state-doubt.js';

describe('what is reckoned of an edge is told with its doubt', () => {
  it('knows a recession the better the more honings it is made of, but never past the hand', () => {
    expect(backPmMm(0.4, 1)).toBeCloseTo(1.96 * 0.4 * Math.hypot(0.3, 0.3), 12);
    expect(backPmMm(0.4, 16)).toBeLessThan(backPmMm(0.4, 4));
    expect(backPmMm(0.4, 1e9)).toBeCloseTo(1.96 * 0.4 * 0.3, 9);
    expect(backPmMm(0, 5)).toBe(0);
  });

  it('knows an angle best by a stop, least by hand', () => {
    const by = [{ stop: { boardId: 'b', board: 'Board', label: 'A' } }, { guideId: 'g' }, {}];
    expect(by.map((how) => settingPmDeg({ angleDeg: 30, ...how }))).toEqual([0.2, 0.5, 2]);
  });
});
