import { instantOf, type Session } from './session.js';

const DAY_MS = 86_400_000;
const YEAR_DAYS = 365;
/** A shorter record tells nothing of a year. */
const QUARTER_DAYS = 91;

/**
 * What something of the sessions comes to in a year, by the year before the last of them.
 * @param sessions in order of time
 * @returns undefined of a record shorter than a quarter
 */
export function yearly(sessions: readonly Session[], of: (session: Session) => number): number | undefined {
  const [first, last] = [sessions[0], sessions.at(-1)];
  if (!first || !last) return undefined;
  const days = Math.min(YEAR_DAYS, (instantOf(last) - instantOf(first)) / DAY_MS);
  if (days < QUARTER_DAYS) return undefined;
  const from = instantOf(last) - days * DAY_MS;
  const sum = sessions.reduce((all, session) => all + (instantOf(session) > from ? of(session) : 0), 0);
  return (sum * YEAR_DAYS) / days;
}
