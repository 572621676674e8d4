import { LRUCache } from 'lru-cache';
import type { Stored } from '@mellow-anvil/contract';
import type { Session } from '@mellow-anvil/core/record';
import { sessions } from '../sessions/index.js';
import { liveRowsNamed } from '../../storage/rows.js';
import { toStored } from '../../storage/store.js';
import type { Connection } from '../../storage/database.js';
import type { Changes } from '../../storage/derived-answers.js';

/** Tools whose entries stay read, those last asked for. */
const TOOLS_KEPT = 40;

/** The entries of tools as they are stored: one tool’s are read once, whatever is reckoned of them. */
export class Entries {
  private readonly kept = new LRUCache<string, readonly Stored<Session>[]>({ max: TOOLS_KEPT });
  /** Rises with every entry stored, so that what was read before is not kept as what is there after. */
  private stored = 0;

  constructor(
    private readonly database: Connection,
    changes: Changes,
  ) {
    changes.onStored((stored) => {
      for (const { kind, toolId } of stored) {
        if (kind !== 'sessions') continue;
        this.stored += 1;
        this.kept.delete(toolId ?? '');
      }
    });
  }

  async of(toolIds: readonly string[]): Promise<ReadonlyMap<string, readonly Stored<Session>[]>> {
    const { stored } = this;
    const found = new Map<string, Stored<Session>[]>();
    const missing = toolIds.filter((id) => !this.kept.has(id));
    for (const id of missing) found.set(id, []);
    for (const row of await liveRowsNamed(this.database, sessions, 'toolId', missing)) {
      found.get(row['toolId'] as string)?.push(toStored(sessions, row));
    }
    const all = new Map(toolIds.map((id) => [id, found.get(id) ?? this.kept.get(id) ?? []]));
    if (stored === this.stored) for (const [id, own] of found) this.kept.set(id, own);
    return all;
  }
}
