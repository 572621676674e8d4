import { chances } from '../testing/chances.js';
import { nextLooks, rankCauses, type Seen } from '../advice/ranking.js';
import { type PuzzleCase, puzzleCases } from './puzzle-cases.js';

const SHOPS = 6;
const CASES = 700;
/** Somebody looks until a cause is as likely as this, or so often. */
const SURE = 0.9;
const MOST_LOOKS = 5;

/** What the puzzle says at last, and after how many looks. */
function asked({ symptoms, looks, cause }: PuzzleCase) {
  let seen: Seen = { symptoms, looks: {} };
  let ranked = rankCauses(seen);
  let count = 0;
  const told = [ranked[0]];
  while (count < MOST_LOOKS && (ranked[0]?.share ?? 0) < SURE) {
    const [next] = nextLooks(seen);
    if (!next) break;
    seen = { ...seen, looks: { ...seen.looks, [next.look]: looks[next.look] } };
    ranked = rankCauses(seen);
    told.push(ranked[0]);
    count += 1;
  }
  return { told, cause, count, firstThree: ranked.slice(0, 3).some((each) => each.cause === cause) };
}

describe('the puzzle, in shops of other habits than it was made by', () => {
  const all = Array.from({ length: SHOPS }, (_, shop) => puzzleCases(chances(40 + shop), CASES))
    .flat()
    .filter(({ symptoms }) => symptoms.length > 0)
    .map(asked);

  it('is right about as often as it says, whenever it says it (seeded)', () => {
    for (const [low, high] of [
      [0.4, 0.6],
      [0.65, 0.75],
      [0.8, 0.9],
    ] as const) {
      const said = all.flatMap(({ told, cause }) =>
        told.flatMap((each) =>
          each && each.share >= low && each.share < high ? [{ ...each, cause: each.cause === cause }] : [],
        ),
      );
      const right = said.filter(({ cause }) => cause).length / said.length;
      const mean = said.reduce((sum, { share }) => sum + share, 0) / said.length;
      expect(said.length).toBeGreaterThan(150);
      expect(Math.abs(right - mean))
        .withContext(`told ${mean.toFixed(3)}, right ${right.toFixed(3)} of ${said.length}`)
        .toBeLessThan(0.06);
    }
  });

  it('has the cause among its first three nearly always, after a few looks (seeded)', () => {
    const share = all.filter(({ firstThree }) => firstThree).length / all.length;
    const looks = all.reduce((sum, { count }) => sum + count, 0) / all.length;
    expect(share)
      .withContext(`after ${looks.toFixed(2)} looks`)
      .toBeGreaterThan(0.9);
    expect(looks).toBeLessThan(3);
  });
});
