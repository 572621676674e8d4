/** A stream of chances. */
export interface Chance {
  /** Evenly between 0 and 1, without it. */
  readonly uniform: () => number;
  /** Of the standard normal law. */
  readonly normal: () => number;
}

/** The same stream, and the normal law drawn from it (Box and Muller, 1958). */
export const chanceOf = (uniform: () => number): Chance => ({
  uniform,
  normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
});

/** About `middle`, times or divided by e to the `sd`. */
export const about = ({ normal }: Chance, middle: number, sd: number): number =>
  middle * Math.exp(sd * normal());

/** Evenly between two values. */
export const between = ({ uniform }: Chance, least: number, most: number): number =>
  least + (most - least) * uniform();
