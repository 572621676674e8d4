import { CONTESTANTS, hiddenShop, type Year, yearOf } from '@mellow-anvil/core/simulate';
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

const yearsOf = (shop: number, contestants: readonly number[]): readonly Judged[] =>
  contestants.map((contestant) => {
    const { adviser, yearsBefore } = CONTESTANTS[contestant] ?? {};
    if (!adviser) throw new Error(`There is no contestant ${String(contestant)}.`);
    // The same shop, days and slips of the hand for everybody.
    const year = yearOf(
      hiddenShop(chances(3 * shop)),
      adviser(),
      chances(3 * shop + 1),
      chances(3 * shop + 2),
      yearsBefore,
    );
    return { shop, contestant, year };
  });

workerpool.worker({
  judged: ({ from, shops, contestants }: Wanted): readonly Judged[] =>
    Array.from({ length: shops }, (_, i) => yearsOf(from + i, contestants)).flat(),
});
