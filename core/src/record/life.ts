import type { HistoryEntry, RecordedSession } from './edge-state.js';

/** One entry on the time line of a tool's life: what was done, and what it changed. */
export interface LifeEntry<S extends RecordedSession = RecordedSession> {
  readonly session: S;
  readonly landBeforeMm?: number;
  readonly landMm?: number;
  /** The curve after it, where it was read or worked by place: sagitta and its ±, mm. */
  readonly camberMm?: number;
  readonly camberPmMm?: number;
  /** How far this entry set the edge back, mm, and the steel it cost, mm³. */
  readonly backMm: number;
  readonly steelMm3: number;
}

/** What each entry of a history changed, in the same order. */
export function lifeOf<S extends RecordedSession>(
  history: readonly HistoryEntry<S>[],
): readonly LifeEntry<S>[] {
  return history.map(({ session, before, after }) => ({
    session,
    ...(before.landMm !== undefined && { landBeforeMm: before.landMm }),
    ...(after.landMm !== undefined && { landMm: after.landMm }),
    ...(after.camber &&
      after.camber !== before.camber && { camberMm: after.camber.camberMm, camberPmMm: after.camber.pmMm }),
    backMm: after.backMm - before.backMm,
    steelMm3: after.steelMm3 - before.steelMm3,
  }));
}
