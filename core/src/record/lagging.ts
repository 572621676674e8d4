import type { Session } from './session.js';

/** How many honings back are looked at, and how often a place has to have lagged in them (estimates). */
const LOOKED_AT = 5;
const LAGS = 2;

/** A place along an edge where the burr is slow to come, 0 to 4 from the left, and how often it was. */
interface Lagging {
  readonly place: number;
  readonly times: number;
  readonly of: number;
}

/**
 * Places that lagged in at least two of the last five honings whose burr was felt for: a corner that lags is
 * usually the same corner every time (common practice, no source).
 * @param sessions in order of time
 */
export function laggingPlaces(sessions: readonly Pick<Session, 'kind' | 'outcome'>[]): readonly Lagging[] {
  const felt = sessions
    .filter(({ kind, outcome }) => kind === 'honing' && outcome?.burr !== undefined)
    .slice(-LOOKED_AT);
  const times = (place: number): number =>
    felt.filter(({ outcome }) => outcome?.lagged?.includes(place)).length;
  return [0, 1, 2, 3, 4]
    .map((place) => ({ place, times: times(place), of: felt.length }))
    .filter((each) => each.times >= LAGS);
}
