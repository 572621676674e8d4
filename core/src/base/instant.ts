import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';

/** How an instant is written (RFC 3339, the seconds and their fraction left out if need be): its zone is always said. */
export const INSTANT_PATTERN =
  /^\d{4}-\d\d-\d\dT\d\d:\d\d(?::\d\d(?:[.,]\d{1,9})?)?(?:Z|[+-]\d\d(?::?\d\d)?)$/;

/**
 * An instant in the one form it is kept in: UTC, to the millisecond, always 24 characters, so that
 * instants sort as text the way they follow each other.
 * @param text ISO 8601 with its zone, such as `2026-11-23T09:30:00+05:00`
 * @returns undefined for what is no such instant, a 30th of February among it
 * @example utcInstant('2026-11-23T09:30:00+05') // '2026-11-23T04:30:00.000Z'
 */
export function utcInstant(text: string): string | undefined {
  return INSTANT_PATTERN.test(text) ? readInstant(text) : undefined;
}

/**
 * An instant as releases up to 0.7.0 may have kept it, in today's form: any form of ISO 8601. A day
 * alone begins at midnight UTC; a time without a zone is this machine's, as it was read then.
 * @returns undefined for what names no instant
 * @example readInstant('2026-11-23') // '2026-11-23T00:00:00.000Z'
 */
export function readInstant(text: string): string | undefined {
  const date = parseISO(/^\d{4}-\d\d-\d\d$/.test(text) ? `${text}T00:00:00Z` : text.replace(',', '.'));
  const kept = isValid(date) ? date.toISOString() : '';
  return kept.length === 24 ? kept : undefined;
}
