import { student975, studentQuantile } from './student.js';

describe('studentQuantile', () => {
  it('is what printed tables of Student’s t have', () => {
    // Two-sided 5 %, 1 % and one-sided 0.1 %: any table of the distribution (Fisher and Yates).
    const table: readonly (readonly [probability: number, freedom: number, t: number])[] = [
      [0.975, 2, 4.303],
      [0.975, 5, 2.571],
      [0.975, 10, 2.228],
      [0.975, 30, 2.042],
      [0.975, 120, 1.98],
      [0.995, 5, 4.032],
      [0.995, 10, 3.169],
      [0.995, 20, 2.845],
      [0.999, 6, 5.208],
      [0.999, 15, 3.733],
      [0.9995, 10, 4.587],
    ];
    for (const [probability, freedom, t] of table)
      expect(studentQuantile(probability, freedom) / t)
        .withContext(`${probability}, ${freedom}`)
        .toBeCloseTo(1, 2);
  });

  it('comes to the normal’s as readings grow many', () => {
    expect(student975(1e5)).toBeCloseTo(1.96, 2);
  });
});
