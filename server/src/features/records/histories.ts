import { isDeepStrictEqual } from 'node:util';
import { LRUCache } from 'lru-cache';
import type { OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { edgeHistory, type HistoryEntry, type RecordedSession } from '@mellow-anvil/core/record';

/** Entries whose states are kept at most. */
const ENTRIES_KEPT = 20_000;

interface Kept<S> {
  readonly tool: Tool;
  readonly stones: readonly S[];
  readonly history: readonly HistoryEntry[];
}

/** Histories of tools as they were last reckoned, so that one more entry costs one more entry. */
export class Histories<S extends OwnedAbrasive> {
  private readonly kept = new LRUCache<string, Kept<S>>({
    maxSize: ENTRIES_KEPT,
    sizeCalculation: ({ history }) => history.length + 1,
  });

  /** The history of the tool of an id, at these stones. */
  of<E extends RecordedSession>(
    id: string,
    tool: Tool,
    entries: readonly E[],
    stones: readonly S[],
  ): readonly HistoryEntry<E>[] {
    const before = this.kept.get(id);
    const stands = before && isDeepStrictEqual([before.tool, before.stones], [tool, stones]);
    const history = edgeHistory<RecordedSession>(tool, entries, stones, stands ? before.history : []);
    this.kept.set(id, { tool, stones, history });
    return history as readonly HistoryEntry<E>[];
  }
}
