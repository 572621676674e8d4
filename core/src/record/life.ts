import type { EdgeState, HistoryEntry, RecordedSession } from './edge-state.js';

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
  /** How far back the edge had gone by then in all, mm. */
  readonly goneMm: number;
  /** Depth of the deepest marks on the faces that meet at the edge, µm, where it was sharpened. */
  readonly marksUm?: number;
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
    goneMm: after.backMm,
    ...marksOf(session, after),
  }));
}

/** Faces behind the edge keep the marks of wheel and forge; they cut nothing. */
function marksOf({ kind }: RecordedSession, { facets }: EdgeState): { readonly marksUm?: number } {
  const atTheEdge = facets.filter(({ facet }) => !['primary', 'body'].includes(facet));
  const marks = atTheEdge.flatMap(({ marksUm }) => (marksUm === undefined ? [] : [marksUm]));
  return (kind === 'honing' || kind === 'stropping') && marks.length > 0
    ? { marksUm: Math.max(...marks) }
    : {};
}
