/** One measured figure, and the yardstick it was measured beside in the same run. */
export interface Row {
  readonly what: string;
  readonly figure: string;
  readonly yardstick?: string;
  readonly aim?: string;
}

export function median(values: readonly number[]): number {
  const inOrder = [...values].sort((a, b) => a - b);
  const middle = Math.floor(inOrder.length / 2);
  const upper = inOrder[middle] ?? NaN;
  return inOrder.length % 2 === 1 ? upper : ((inOrder[middle - 1] ?? NaN) + upper) / 2;
}

/** Median milliseconds of `runs` calls, after a few to warm up. */
export function medianMs(runs: number, work: () => unknown): number {
  for (let i = 0; i < Math.min(5, runs); i++) work();
  return median(
    Array.from({ length: runs }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

export async function medianMsOf(runs: number, work: () => Promise<unknown>): Promise<number> {
  for (let i = 0; i < Math.min(5, runs); i++) await work();
  const took: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    await work();
    took.push(performance.now() - start);
  }
  return median(took);
}

export const ms = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(0)} ms`;
export const times = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(0)} ×`;

export function printTable(rows: readonly Row[]): void {
  const columns = ['what', 'figure', 'yardstick', 'aim'] as const;
  const cells = [columns.map(String), ...rows.map((row) => columns.map((column) => row[column] ?? ''))];
  const widths = columns.map((_, i) => Math.max(...cells.map((line) => line[i]?.length ?? 0)));
  cells.forEach((line, at) => {
    console.log(
      line
        .map((cell, i) => cell.padEnd(widths[i] ?? 0))
        .join('  ')
        .trimEnd(),
    );
    if (at === 0) console.log(widths.map((width) => '─'.repeat(width)).join('  '));
  });
}
