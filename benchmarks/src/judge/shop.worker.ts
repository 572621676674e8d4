import { CONTESTANTS, type Days, daysOf, hiddenShop, type Year, yearOf } from '@mellow-anvil/core/simulate';
import workerpool from 'workerpool';
import { chances } from '../chances.js';

/** Which shops, under whom: places in {@link CONTESTANTS}. */
export interface Wanted {
  readonly from: number;
  readonly shops: number;
  readonly contestants: readonly number[];
}
/** A year of one shop under one contestant. */
export interface Judged {
  readonly shop: number;
  readonly contestant: number;
  readonly year: Year;
}

function yearsOf(number: number, contestants: readonly number[]): readonly Judged[] {
  const shop = hiddenShop(chances(3 * number));
  const known = new Map<number, Days>();
  const daysFor = (years: number): Days => {
    const days = known.get(years) ?? daysOf(shop, chances(3 * number + 1), years);
    known.set(years, days);
    return days;
  };
  return contestants.map((contestant) => {
    const { adviser, yearsBefore = 0 } = CONTESTANTS[contestant] ?? {};
    if (!adviser) throw new Error(`There is no contestant ${String(contestant)}.`);
    // The same shop, days and slips of the hand for everybody.
    const year = yearOf(shop, adviser(), daysFor(yearsBefore + 1), chances(3 * number + 2));
    return { shop: number, contestant, year };
  });
}

workerpool.worker({
  judged: ({ from, shops, contestants }: Wanted): readonly Judged[] =>
    Array.from({ length: shops }, (_, i) => yearsOf(from + i, contestants)).flat(),
});
