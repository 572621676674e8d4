/** Student's t at 97.5 %, by the expansion of Abramowitz and Stegun, 26.7.5; good from 6 degrees of freedom. */
export function student975(freedom: number): number {
  const z = 1.959964;
  return (
    z +
    (z ** 3 + z) / (4 * freedom) +
    (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * freedom ** 2) +
    (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / (384 * freedom ** 3)
  );
}
