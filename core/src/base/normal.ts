/** Four times in five a normal quantity lies within so many standard deviations. */
export const FOUR_IN_FIVE_SD = 1.2815515655446004;

/** A logistic law of this slope lies nearest to the standard normal (Camilli 1994). */
const LOGISTIC = 1.702;

/** The standard normal’s share below z, by a logistic law: within 0.0095, and simple. */
export const shareBelow = (z: number): number => 1 / (1 + Math.exp(-LOGISTIC * z));

/** Its logarithm, which holds far out too. */
export const lnShareBelow = (z: number): number => -Math.log1p(Math.exp(-LOGISTIC * z));

/** The standard normal’s quantile, by Abramowitz and Stegun, 26.2.23: within 0.00045. */
export function normalQuantile(probability: number): number {
  const tail = Math.min(probability, 1 - probability);
  const t = Math.sqrt(-2 * Math.log(tail));
  const z =
    t -
    (2.515517 + 0.802853 * t + 0.010328 * t * t) / (1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t ** 3);
  return probability < 0.5 ? -z : z;
}
