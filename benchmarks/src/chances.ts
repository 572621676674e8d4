import { type Chance, chanceOf } from '@mellow-anvil/core/simulate';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A stream of chances of its own for every seed. */
export function chances(seed: number): Chance {
  const random = xoroshiro128plus(seed);
  return chanceOf(() => uniformFloat64(random));
}
