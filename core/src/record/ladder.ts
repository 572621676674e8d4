import type { AbrasiveKind } from '../abrasive/abrasive.js';
import type { RecordedSession } from './edge-state.js';

/** A rung of the ladder of visits some edges have. */
interface Rung {
  readonly kind: AbrasiveKind;
  readonly says: string;
  /** Days from one visit to the next: as its own record has them, or as common practice does. */
  readonly everyDays: number;
  readonly learned: boolean;
  readonly lastAt?: string;
  /** ISO 8601 instant it wants the stone at; absent for the rung of every sitting. */
  readonly dueAt?: string;
  readonly due: boolean;
}

/** Ceramic several times a sitting, oil stone monthly, diamond every few months (common practice, no source). */
const LADDER: readonly Pick<Rung, 'kind' | 'says' | 'everyDays'>[] = [
  { kind: 'ceramic', says: 'a few strokes each sitting', everyDays: 0 },
  { kind: 'oil-stone', says: 'about once a month', everyDays: 30 },
  { kind: 'diamond-plate', says: 'every few months', everyDays: 90 },
];
const DAY_MS = 86_400_000;
/** So many visits show a rhythm of its own. */
const VISITS_TO_LEARN = 4;

/**
 * The rungs this bench has a stone for, from what is done within a sitting to what is done by the season: when this
 * tool was last on one of that kind, how often it comes there by its own record (the median of the days between the
 * visits, from four of them on), and whether that is due. A rung it was never on is counted from its first entry, so
 * that a new one skips it.
 * @param kindOf the kind of an abrasive by id; undefined where it is not known
 * @param now ISO 8601 instant
 */
export function ladderOf(
  sessions: readonly RecordedSession[],
  kindOf: (abrasiveId: string) => AbrasiveKind | undefined,
  onBench: ReadonlySet<AbrasiveKind>,
  now: string,
): readonly Rung[] {
  const began = sessions.map(({ startedAt }) => startedAt).sort()[0] ?? now;
  return LADDER.filter(({ kind }) => onBench.has(kind)).map(({ kind, says, everyDays: usual }) => {
    const visits = sessions
      .filter(({ steps = [] }) => steps.some(({ abrasiveId }) => kindOf(abrasiveId) === kind))
      .map(({ startedAt }) => startedAt)
      .sort();
    const lastAt = visits.at(-1);
    const learned = usual > 0 && visits.length >= VISITS_TO_LEARN;
    const everyDays = learned ? usualDays(visits) : usual;
    if (usual === 0) {
      const used = sessions.findLast(({ kind: what }) => what === 'use')?.startedAt ?? '';
      return { kind, says, everyDays, learned, ...(lastAt && { lastAt }), due: used > (lastAt ?? '') };
    }
    const dueAt = new Date(Date.parse(lastAt ?? began) + everyDays * DAY_MS).toISOString();
    return { kind, says, everyDays, learned, ...(lastAt && { lastAt }), dueAt, due: now >= dueAt };
  });
}

function usualDays(visits: readonly string[]): number {
  const days = visits
    .slice(1)
    .map((at, i) => (Date.parse(at) - Date.parse(visits[i] as string)) / DAY_MS)
    .sort((a, b) => a - b);
  return Math.round(days[Math.floor(days.length / 2)] as number);
}
