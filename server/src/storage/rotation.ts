import { formatISO } from 'date-fns/formatISO';

/** How many backups stay: the newest, and the last of each day and of each month before them. */
export const KEPT = { newest: 8, days: 14, months: 12 } as const;

/**
 * Which of some backups may go.
 * @param made the instant each was made, in any order
 */
export function toRemove(made: readonly Date[]): readonly Date[] {
  const newestFirst = [...made].sort((a, b) => b.getTime() - a.getTime());
  const kept = new Set([
    ...newestFirst.slice(0, KEPT.newest),
    ...lastOfEach(newestFirst, KEPT.days, (date) => formatISO(date, { representation: 'date' })),
    ...lastOfEach(newestFirst, KEPT.months, (date) =>
      formatISO(date, { representation: 'date' }).slice(0, 7),
    ),
  ]);
  return newestFirst.filter((date) => !kept.has(date));
}

function lastOfEach(newestFirst: readonly Date[], spans: number, spanOf: (date: Date) => string): Date[] {
  const last = new Map<string, Date>();
  for (const date of newestFirst) {
    const span = spanOf(date);
    if (!last.has(span)) last.set(span, date);
  }
  return [...last.values()].slice(0, spans);
}
