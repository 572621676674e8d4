import type { Session } from './session.js';

/**
 * What each honing owes of the grinding it led to, min: a grinding’s minutes shared out alike over the honings since
 * the one before, so that an angle whose land grows fast pays for it. The honings since the last grinding owe what the
 * others did, as a mean.
 * @param sessions in order of time
 */
export function grindingShares(sessions: readonly Session[]): ReadonlyMap<Session, number> {
  const shares = new Map<Session, number>();
  let since: Session[] = [];
  for (const session of sessions) {
    if (session.kind === 'honing') since.push(session);
    if (session.kind !== 'grinding') continue;
    const { minutes } = session;
    if (minutes !== undefined) for (const each of since) shares.set(each, minutes / since.length);
    since = [];
  }
  const mean = [...shares.values()].reduce((sum, each) => sum + each, 0) / shares.size;
  if (shares.size > 0) for (const each of since) shares.set(each, mean);
  return shares;
}
