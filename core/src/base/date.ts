import { format, isValid, parse } from 'date-fns';
import { Refusal } from './refusal.js';

const UNAMBIGUOUS = ['yyyy-MM-dd', 'd.M.yyyy', 'd MMM yyyy', 'd MMMM yyyy'] as const;
const EPOCH = new Date(2000, 0, 1);

/**
 * Reads a calendar day: `2026-11-23`, `23.11.2026`, `23 Nov 2026`. Slashes are refused because
 * `4/5/2026` names two different days in two countries.
 * @returns the day as `yyyy-MM-dd`
 * @throws Refusal on `field`.
 */
export function parseDay(text: string, field = 'date'): string {
  const trimmed = text.trim();
  if (trimmed.includes('/')) {
    throw new Refusal(field, `“${trimmed}” can be read two ways; write 2026-11-23 or 23.11.2026.`);
  }
  for (const pattern of UNAMBIGUOUS) {
    const day = parse(trimmed, pattern, EPOCH);
    if (isValid(day) && day.getFullYear() >= 1900 && day.getFullYear() < 2200) {
      return format(day, 'yyyy-MM-dd');
    }
  }
  throw new Refusal(field, `“${trimmed}” is not a day; write 2026-11-23 or 23.11.2026.`);
}

/** Writes a `yyyy-MM-dd` day (or the day of an ISO instant, local time) as `23 Nov 2026`. */
export function formatDay(day: string): string {
  const date = day.length === 10 ? parse(day, 'yyyy-MM-dd', EPOCH) : new Date(day);
  return isValid(date) ? format(date, 'd MMM yyyy') : day;
}
