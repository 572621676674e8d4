import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';

/** Writes a `yyyy-MM-dd` day (or the day of an ISO instant, local time) as `23 Nov 2026`. */
export function formatDay(day: string): string {
  const date = parseISO(day);
  return isValid(date) ? format(date, 'd MMM yyyy') : day;
}
