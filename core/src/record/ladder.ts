import type { AbrasiveKind } from '../abrasive/abrasive.js';
import type { RecordedSession } from './edge-state.js';

/** A rung of the ladder of visits some edges have. */
interface Rung {
  readonly kind: AbrasiveKind;
  readonly says: string;
  readonly everyDays: number;
  readonly lastAt?: string;
  readonly due: boolean;
}

/** Ceramic several times a sitting, oil stone monthly, diamond every few months (common practice, no source). */
const LADDER: readonly Pick<Rung, 'kind' | 'says' | 'everyDays'>[] = [
  { kind: 'ceramic', says: 'a few strokes each sitting', everyDays: 1 },
  { kind: 'oil-stone', says: 'about once a month', everyDays: 30 },
  { kind: 'diamond-plate', says: 'every few months', everyDays: 90 },
];
const DAY_MS = 86_400_000;

/**
 * The rungs this bench has a stone for, with when this tool was last on one of that kind and whether it is due.
 * @param kindOf the kind of an abrasive by id; undefined where it is not known
 * @param now ISO 8601 instant
 */
export function ladderOf(
  sessions: readonly RecordedSession[],
  kindOf: (abrasiveId: string) => AbrasiveKind | undefined,
  onBench: ReadonlySet<AbrasiveKind>,
  now: string,
): readonly Rung[] {
  return LADDER.filter(({ kind }) => onBench.has(kind)).map((rung) => {
    const lastAt = sessions
      .filter(({ steps = [] }) => steps.some(({ abrasiveId }) => kindOf(abrasiveId) === rung.kind))
      .map(({ startedAt }) => startedAt)
      .sort()
      .at(-1);
    const days = lastAt === undefined ? Infinity : (Date.parse(now) - Date.parse(lastAt)) / DAY_MS;
    return { ...rung, ...(lastAt !== undefined && { lastAt }), due: days >= rung.everyDays };
  });
}
