import fc from 'fast-check';
import { heldWays } from './handles.js';

describe('which way up a drawknife is held', () => {
  it('lets handles rise by their own line on the back, by the bevel less that on the bevel', () => {
    const { ways, straighter, byDeg } = heldWays({ towardsBevelDeg: 10 }, 28);
    expect(ways['bevel-up']).toEqual({ handleDeg: 10, bentDeg: 10 });
    expect(ways['bevel-down']).toEqual({ handleDeg: 18, bentDeg: 18 });
    expect([straighter, byDeg]).toEqual(['bevel-up', 8]);
  });

  it('holds handles in line with the back bevel up, those in line with the bevel bevel down (common practice, no source)', () => {
    expect(heldWays({ towardsBevelDeg: 0 }, 30)).toEqual(
      jasmine.objectContaining({ straighter: 'bevel-up', byDeg: 30 }),
    );
    expect(heldWays({ towardsBevelDeg: 30 }, 30)).toEqual(
      jasmine.objectContaining({ straighter: 'bevel-down', byDeg: 30 }),
    );
    // A forearm that comes from above asks for handles that rise as it does.
    expect(heldWays({ towardsBevelDeg: 25 }, 30, 25).straighter).toBe('bevel-up');
  });

  it('changes hands where the handles halve the bevel', () => {
    fc.assert(
      fc.property(fc.double({ min: 15, max: 45, noNaN: true }), (bevelDeg) => {
        const { byDeg } = heldWays({ towardsBevelDeg: bevelDeg / 2 }, bevelDeg);
        expect(byDeg).toBeCloseTo(0, 9);
      }),
    );
  });

  it('refuses what is no bevel', () => {
    expect(() => heldWays({ towardsBevelDeg: 0 }, 0)).toThrowError(/above 0°/);
  });
});
