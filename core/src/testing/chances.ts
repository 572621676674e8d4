import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { chanceOf, type Chance } from '../simulate/chance.js';

/** The same chances again and again, for specs. */
export function chances(seed: number): Chance {
  const random = xoroshiro128plus(seed);
  return chanceOf(() => uniformFloat64(random));
}
