/** Gauss and Jordan with the largest pivot; undefined where there is no inverse. */
export function inverted(matrix: readonly (readonly number[])[]): readonly (readonly number[])[] | undefined {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))]);
  const largest = Math.max(...matrix.flat().map(Math.abs));
  for (let i = 0; i < n; i++) {
    let pivot = i;
    for (let k = i + 1; k < n; k++) {
      if (Math.abs(rows[k]?.[i] ?? 0) > Math.abs(rows[pivot]?.[i] ?? 0)) pivot = k;
    }
    const top = rows[pivot] as number[];
    const by = top[i] as number;
    if (!(Math.abs(by) > 1e-12 * largest)) return undefined;
    rows[pivot] = rows[i] as number[];
    rows[i] = top.map((value) => value / by);
    for (let k = 0; k < n; k++) {
      const factor = rows[k]?.[i] ?? 0;
      if (k !== i && factor !== 0) {
        rows[k] = (rows[k] as number[]).map(
          (value, j) => value - factor * ((rows[i] as number[])[j] as number),
        );
      }
    }
  }
  return rows.map((row) => row.slice(n));
}

/** What values are off their mean. */
export function offMean(values: readonly number[]): readonly number[] {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return values.map((value) => value - mean);
}

export const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, i) => sum + value * (b[i] as number), 0);

/** The upper triangle whose transpose times itself is a positive definite matrix (Cholesky). */
export function rootOf(matrix: readonly (readonly number[])[]): readonly (readonly number[])[] {
  const root = matrix.map((row) => row.map(() => 0));
  matrix.forEach((row, i) => {
    const above = (j: number): number =>
      root.slice(0, i).reduce((sum, each) => sum + (each[i] as number) * (each[j] as number), 0);
    const own = root[i] as number[];
    own[i] = Math.sqrt(Math.max(0, (row[i] as number) - above(i)));
    for (let j = i + 1; j < row.length; j++)
      own[j] = own[i] > 0 ? ((row[j] as number) - above(j)) / own[i] : 0;
  });
  return root;
}
