import { nextLooks, rankCauses, type Seen, weighed, type Weigher } from '../advice/ranking.js';
import { chances } from '../testing/chances.js';
import { type PuzzleCase, puzzleShop } from './puzzle-cases.js';

const SHOPS = 6;
const CASES = 500;
/** Fewer for one who knows the habits: he takes longer to think. */
const HIS_CASES = 120;
/** Somebody looks until a cause is as likely as this, or so often. */
const SURE = 0.9;
const MOST_LOOKS = 5;

/** What somebody says at last, and after how many looks. */
function asked({ symptoms, looks, cause }: PuzzleCase, weigh: Weigher) {
  let seen: Seen = { symptoms, looks: {} };
  let ranked = rankCauses(seen, weigh);
  let count = 0;
  const told = [ranked[0]];
  while (count < MOST_LOOKS && (ranked[0]?.share ?? 0) < SURE) {
    const [next] = nextLooks(seen, weigh);
    if (!next) break;
    seen = { ...seen, looks: { ...seen.looks, [next.look]: looks[next.look] } };
    ranked = rankCauses(seen, weigh);
    told.push(ranked[0]);
    count += 1;
  }
  return { told, cause, count, firstThree: ranked.slice(0, 3).some((each) => each.cause === cause) };
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, each) => sum + each, 0) / values.length;

describe('the puzzle, in shops of other habits than it was made by', () => {
  const shops = Array.from({ length: SHOPS }, (_, i) => {
    const shop = puzzleShop(chances(40 + i));
    return { knows: shop.knows, cases: shop.casesOf(CASES).filter(({ symptoms }) => symptoms.length > 0) };
  });
  const all = shops.flatMap(({ cases }) => cases.map((each) => asked(each, weighed)));

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
      const right = mean(said.map(({ cause }) => Number(cause)));
      const told = mean(said.map(({ share }) => share));
      expect(said.length).toBeGreaterThan(150);
      expect(Math.abs(right - told))
        .withContext(`told ${told.toFixed(3)}, right ${right.toFixed(3)} of ${said.length}`)
        .toBeLessThan(0.06);
    }
  });

  it('has the cause among its first three nearly as often, and asks no more, than one who knows their habits', () => {
    const few = shops.map(({ knows, cases }) => ({ knows, cases: cases.slice(0, HIS_CASES) }));
    const his = few.flatMap(({ knows, cases }) => cases.map((each) => asked(each, knows)));
    const ours = few.flatMap(({ cases }) => cases.map((each) => asked(each, weighed)));
    const threeOf = (some: typeof his): number => mean(some.map(({ firstThree }) => Number(firstThree)));
    const looksOf = (some: typeof his): number => mean(some.map(({ count }) => count));
    const told = `ours ${threeOf(ours).toFixed(3)} after ${looksOf(ours).toFixed(2)} looks, his ${threeOf(his).toFixed(3)} after ${looksOf(his).toFixed(2)}`;
    expect(threeOf(ours))
      .withContext(told)
      .toBeGreaterThan(threeOf(his) - 0.04);
    expect(threeOf(ours)).withContext(told).toBeGreaterThan(0.91);
    expect(looksOf(ours))
      .withContext(told)
      .toBeLessThan(looksOf(his) + 1);
  });

  it('knows of its own habits what it says of them: one who knows them is right as often as he says', () => {
    const said = shops.flatMap(({ knows, cases }) =>
      cases.slice(0, HIS_CASES).map(({ symptoms, cause }) => {
        const [first] = rankCauses({ symptoms, looks: {} }, knows);
        return { share: first?.share ?? 0, right: first?.cause === cause };
      }),
    );
    expect(
      Math.abs(mean(said.map(({ share }) => share)) - mean(said.map(({ right }) => Number(right)))),
    ).toBeLessThan(0.05);
  });
});
