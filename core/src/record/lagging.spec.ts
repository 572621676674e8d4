import type { Outcome } from './session.js';
import { forcesOf } from './forces.js';
import { laggingPlaces } from './lagging.js';

const honing = (outcome: Outcome) => ({ kind: 'honing', outcome }) as const;
const lagged = (...places: number[]) => honing({ burr: 'all-along', lagged: places });

describe('a corner that lags', () => {
  it('is told once it lagged twice in the last five honings, and no longer once it does not', () => {
    expect(laggingPlaces([lagged(4)])).toEqual([]);
    expect(laggingPlaces([lagged(4), lagged(), lagged(0, 4)])).toEqual([{ place: 4, times: 2, of: 3 }]);
    const better = [lagged(4), lagged(4), lagged(), lagged(), lagged(), lagged()];
    expect(laggingPlaces(better)).toEqual([]);
  });

  it('goes by honings whose burr was felt for, and by nothing else', () => {
    const unfelt = honing({ proof: [] });
    const other = { kind: 'use', outcome: { burr: 'all-along', lagged: [2] } } as const;
    expect(laggingPlaces([lagged(2), unfelt, other, lagged(2)])).toEqual([{ place: 2, times: 2, of: 2 }]);
  });
});

describe('forces of a tool', () => {
  it('are its threads alone, newtons and older grams alike', () => {
    const proof = [
      { test: 'force', passed: true, newtons: 1.8 },
      { test: 'nail', passed: true },
    ] as const;
    const old = [{ test: 'force', passed: true, grams: 1000 / 9.80665 }] as const;
    const [first, second] = forcesOf([{ outcome: { proof } }, {}, { outcome: { proof: old } }]);
    expect([first, second?.toFixed(9)]).toEqual([1.8, '1.000000000']);
  });
});
