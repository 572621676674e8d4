import fc from 'fast-check';
import { learnedRate } from '../abrasive/learned-rate.js';
import { stoneCare } from '../abrasive/care.js';
import { waterStone } from '../testing/blades.js';
import { likelyMinutes, likelyStrokes, rateSd } from './how-sure.js';

/** Normal figures from even ones (G. Box and M. Muller 1958), the same every time. */
function* normals(): Generator<number> {
  let seed = 20261128;
  const even = (): number => {
    // Numerical Recipes’ quick generator (W. Press and others, from memory).
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    return (seed + 0.5) / 2 ** 32;
  };
  for (;;) yield Math.sqrt(-2 * Math.log(even())) * Math.cos(2 * Math.PI * even());
}

describe('how sure a plan is', () => {
  it('holds the strokes there really are in four of five cases', () => {
    const draws = normals();
    const [steelSd, rate] = [0.42, 0.3];
    const { low, high } = likelyStrokes(100, steelSd, rate);
    let within = 0;
    for (let i = 0; i < 20_000; i++) {
      const steel = steelSd * (draws.next().value as number);
      const slower = rate * (draws.next().value as number);
      const really = 100 * Math.exp(steel + slower);
      if (really >= low && really <= high) within += 1;
    }
    expect(within / 20_000).toBeGreaterThan(0.79);
    expect(within / 20_000).toBeLessThan(0.82);
  });

  it('narrows with every reading of the stone, and never leaves its figure out (fast-check)', () => {
    const stone = waterStone('w', { standard: 'JIS', grade: '1000' });
    const care = stoneCare(stone, stone.sizeUm, [], []);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2000 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (strokes, sd) => {
          let widest = Infinity;
          for (const readings of [0, 2, 8, 40]) {
            const rate = learnedRate(Array.from({ length: readings }, () => 1.2));
            const { low, high } = likelyStrokes(strokes, sd, rateSd({ w: { care, rate } }, 'w'));
            expect(low).toBeLessThanOrEqual(strokes);
            expect(high).toBeGreaterThanOrEqual(strokes);
            expect(high - low).toBeLessThanOrEqual(widest);
            widest = high - low;
          }
        },
      ),
    );
    expect(rateSd({}, 'nobody read it')).toBe(0.5);
  });

  it('adds the steps’ minutes as independent of each other', () => {
    const steps = [{ strokes: 40, low: 10, high: 70 }, { strokes: 20, low: 20, high: 60 }, { strokes: 9 }];
    expect(likelyMinutes(10, steps, 10)).toEqual({ low: 7, high: 15 });
  });
});
