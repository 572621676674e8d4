import fc from 'fast-check';
import type { EdgeLife } from './edge-lives.js';
import { amountAt, cheapestAge, lastPast } from './lasting.js';
import { nextSpellOf, USUAL_LATE_COSTS } from './next-spell.js';

const lifeOf = (shape: number, spell: number): EdgeLife => ({
  ...{ shape, scale: 100, worth: 60, measure: 'minutes', spell },
  ...{ amount: 88, low: 80, high: 97, blunt: 50, unended: 10, inWood: [], atDeg: [], byHand: [] },
});

/** The least use it is asked for at, to half a minute. */
const askedFrom = (life: EdgeLife): number => {
  const ages = Array.from({ length: 600 }, (_, i) => (i + 1) / 2);
  return ages.find((used) => nextSpellOf(life, used)?.due) ?? Infinity;
};

describe('nextSpellOf', () => {
  it('asks once the cheapest age is nearer now than after the next spell', () => {
    const life = lifeOf(4, 20);
    expect(askedFrom(life)).toBeCloseTo((cheapestAge(life, USUAL_LATE_COSTS) ?? NaN) - 10, 0);
  });

  it('waits, where lives spread widely, until few edges it asks of would be not half used', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.6, max: 2.45, noNaN: true }),
        fc.double({ min: 8, max: 50, noNaN: true }),
        (shape, spell) => {
          const life = lifeOf(shape, spell);
          const from = askedFrom(life);
          fc.pre(Number.isFinite(from) && from < amountAt(life, 0.3));
          // Edges that are asked of somewhere in the spell that follows, and those of them that live twice as long.
          const asked = Array.from({ length: 40 }, (_, i) => from + ((i + 0.5) / 40) * spell);
          const still = (times: number): number =>
            asked.reduce((sum, age) => sum + lastPast(life, times * age), 0);
          const earliest = (cheapestAge(life, USUAL_LATE_COSTS) ?? NaN) - spell / 2;
          expect(from).toBeGreaterThanOrEqual(earliest - 0.5);
          if (from < earliest + 2.9 * spell) expect(still(2) / still(1)).toBeLessThan(0.2);
        },
      ),
    );
  });

  it('tells the chance that the next spell finds it blunt, and nothing of an edge nobody used', () => {
    const life = lifeOf(3, 20);
    expect(nextSpellOf(life, 0)).toBeUndefined();
    expect(nextSpellOf(life, 50)?.blunt).toBeCloseTo(1 - lastPast(life, 70) / lastPast(life, 50), 9);
  });
});
