import { LRUCache } from 'lru-cache';
import type { Stored } from '@mellow-anvil/contract';
import type { Session } from '@mellow-anvil/core/record';
import { sessionTable } from '../sessions/tables.js';
import { liveRowsNamed } from '../../storage/rows.js';
import { toStored } from '../../storage/table.js';
import type { Connection } from '../../storage/database.js';
import type { Changes } from '../../storage/derived-answers.js';

/** Tools whose entries stay read, those last asked for. */
const TOOLS_KEPT = 40;

interface Kept {
  readonly entries: readonly Stored<Session>[];
  /** Entries of it stored since those were read. */
  readonly since: readonly string[];
}

/**
 * The entries of tools as they are stored: one tool’s are read once, whatever is reckoned of them, and of what is
 * stored after that just what is new. An entry nobody changed stays the very same object.
 */
export class Entries {
  private readonly kept = new LRUCache<string, Kept>({ max: TOOLS_KEPT });
  /** Rises with every entry stored, so that what was read before is not kept as what is there after. */
  private stored = 0;

  constructor(
    private readonly database: Connection,
    changes: Changes,
  ) {
    changes.onStored((stored) => {
      for (const { kind, id, toolId = '' } of stored) {
        if (kind !== 'sessions') continue;
        this.stored += 1;
        const kept = this.kept.get(toolId);
        if (kept) this.kept.set(toolId, { ...kept, since: [...kept.since, id] });
      }
    });
  }

  async of(toolIds: readonly string[]): Promise<ReadonlyMap<string, readonly Stored<Session>[]>> {
    const { stored } = this;
    const known = new Map<string, Kept>();
    for (const id of toolIds) {
      const kept = this.kept.get(id);
      if (kept) known.set(id, kept);
    }
    const unread = toolIds.filter((id) => !known.has(id));
    const since = [...new Set([...known.values()].flatMap((kept) => kept.since))];
    const [whole, more] = await Promise.all([
      liveRowsNamed(this.database, sessionTable, 'toolId', unread),
      liveRowsNamed(this.database, sessionTable, 'id', since),
    ]);
    const all = new Map(unread.map((id): [string, Stored<Session>[]] => [id, []]));
    for (const [id, kept] of known) all.set(id, standing(kept));
    for (const row of whole) all.get(row['toolId'] as string)?.push(toStored(sessionTable, row));
    for (const row of more) {
      // One that came from a tool just read is in that tool’s already.
      const toolId = row['toolId'] as string;
      if (known.has(toolId)) all.get(toolId)?.push(toStored(sessionTable, row));
    }
    if (stored === this.stored) for (const [id, entries] of all) this.kept.set(id, { entries, since: [] });
    return all;
  }
}

const standing = ({ entries, since }: Kept): Stored<Session>[] =>
  entries.filter(({ id }) => !since.includes(id));
