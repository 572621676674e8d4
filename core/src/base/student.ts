import { normalQuantile } from './normal.js';

/**
 * Student’s t that so much of the distribution lies under, by Hill’s algorithm 396 (Communications of the ACM 13, 1970):
 * to three digits from 2 degrees of freedom.
 * @param probability over a half
 * @example
 * studentQuantile(0.975, 10); // 2.228
 */
export function studentQuantile(probability: number, freedom: number): number {
  const tails = 2 * (1 - probability);
  const a = 1 / (freedom - 0.5);
  const b = 48 / a ** 2;
  const c = (((20700 * a) / b - 98) * a - 16) * a + 96.36;
  const d = ((94.5 / (b + c) - 3) / b + 1) * Math.sqrt((a * Math.PI) / 2) * freedom;
  let y = (d * tails) ** (2 / freedom);
  if (y > 0.05 + a) {
    const x = normalQuantile(tails / 2);
    y = x * x;
    const near = freedom < 5 ? c + 0.3 * (freedom - 4.5) * (x + 0.6) : c;
    const wide = (((0.05 * d * x - 5) * x - 7) * x - 2) * x + b + near;
    const step = (((((0.4 * y + 6.3) * y + 36) * y + 94.5) / wide - y - 3) / b + 1) * x;
    y = Math.expm1(a * step * step);
  } else {
    y =
      ((1 / (((freedom + 6) / (freedom * y) - 0.089 * d - 0.822) * (freedom + 2) * 3) + 0.5 / (freedom + 4)) *
        y -
        1) *
        ((freedom + 1) / (freedom + 2)) +
      1 / y;
  }
  return Math.sqrt(freedom * y);
}

/** Student’s t at 97.5 %: half of a 95 % interval, in standard deviations. */
export const student975 = (freedom: number): number => studentQuantile(0.975, freedom);
