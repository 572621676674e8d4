import type { Workshop } from './workshop.js';

const DAY_MS = 86_400_000;
/** Fields that hold a day or an instant, ISO 8601, wherever they stand in a workshop. */
const DAYS: ReadonlySet<string> = new Set(['startedAt', 'at', 'on', 'cutOn']);

/**
 * A workshop moved by whole days, all of it alike, so that its last entry falls on a day: years made up once stay
 * as fresh as on their first day.
 * @param day ISO 8601, such as 2026-11-27
 * @example endingOn(boatShed, '2027-03-01').sessions.at(-1)?.startedAt // '2027-03-01T16:30:00.000Z'
 */
export function endingOn(workshop: Workshop, day: string): Workshop {
  const last = workshop.sessions.map(({ startedAt }) => startedAt.slice(0, 10)).reduce(later, '');
  if (last === '') return workshop;
  const by = Date.parse(day) - Date.parse(last);
  return JSON.parse(JSON.stringify(workshop), (key, value: unknown) =>
    DAYS.has(key) && typeof value === 'string' ? moved(value, by) : value,
  ) as Workshop;
}

const later = (one: string, other: string): string => (one > other ? one : other);

/** A day stays a day, an instant an instant at the same time of day. */
function moved(when: string, byMs: number): string {
  const to = new Date(Date.parse(when.slice(0, 10)) + Math.round(byMs / DAY_MS) * DAY_MS);
  return to.toISOString().slice(0, 10) + when.slice(10);
}
