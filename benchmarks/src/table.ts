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

/** Medians of two works, run in turns, with something done before each turn that is not timed. */
export async function mediansMsOf(
  runs: number,
  one: () => Promise<unknown>,
  other: () => Promise<unknown>,
  before?: () => Promise<unknown>,
): Promise<[number, number]> {
  const took: [number[], number[]] = [[], []];
  const timed = async (work: () => Promise<unknown>): Promise<number> => {
    const start = performance.now();
    await work();
    return performance.now() - start;
  };
  for (let i = -5; i < runs; i++) {
    await before?.();
    const pair = [await timed(one), await timed(other)] as const;
    if (i < 0) continue;
    took[0].push(pair[0]);
    took[1].push(pair[1]);
  }
  return [median(took[0]), median(took[1])];
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
