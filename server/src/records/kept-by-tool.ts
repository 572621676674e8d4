import type { Identified, RecordedSession, Tool } from '@mellow-anvil/core';
import { sessions } from '../sessions/sessions.js';
import type { Row } from '../shared/kind.js';
import { rowsNamed, rowsOf } from '../shared/rows.js';
import type { Connection } from '../storage/database.js';
import { tools } from '../tools/tools.js';
import type { Commands } from '../undo/commands.js';

/** A stone as what is reckoned sees it; its name and the sets it stands in change nothing. */
interface SeenStone {
  readonly id: string;
  readonly name?: unknown;
  readonly notes?: unknown;
  readonly sets?: unknown;
}

interface Kept<T> {
  readonly answer: T;
  /** The stones its tool's entries name. */
  readonly stones: ReadonlySet<string>;
}

/**
 * An answer for every tool, kept until something it rests on changes: the tool, an entry of its, or a stone
 * that its entries name.
 */
export class KeptByTool<S extends SeenStone, T> {
  private readonly kept = new Map<string, Kept<T>>();
  /** Rises with everything stored, so that what was read before is not kept as what is so after. */
  private stored = 0;
  /** The stones the answers were reckoned with. */
  private seen: ReadonlyMap<string, string> = new Map();

  constructor(
    private readonly database: Connection,
    changes: Pick<Commands, 'onStored'>,
    private readonly reckon: (tool: Tool, entries: readonly RecordedSession[], stones: readonly S[]) => T,
  ) {
    changes.onStored((stored) => {
      this.stored += 1;
      for (const { kind, id, toolId } of stored) {
        if (kind === 'tools') this.kept.delete(id);
        else if (kind === 'sessions' && toolId !== undefined) this.kept.delete(toolId);
      }
    });
  }

  /**
   * The answers for the tools on the rack, or for some of them.
   * @param stones every stone there ever was, as it is to be reckoned with
   */
  async of(stones: readonly S[], toolIds?: readonly string[]): Promise<ReadonlyMap<string, T>> {
    this.forgetTouched(stones);
    const { stored } = this;
    const rack = toolIds
      ? await rowsNamed(this.database, tools, 'id', toolIds)
      : await rowsOf(this.database, tools, '"deletedAt" IS NULL');
    const missing = rack.filter(({ id }) => !this.kept.has(id));
    const entries = await this.entriesOf(missing.map(({ id }) => id));
    const fresh = new Map(
      missing.map((row): [string, Kept<T>] => {
        const own = entries.get(row.id) ?? [];
        const named = own.flatMap(({ steps = [] }) => steps.map(({ abrasiveId }) => abrasiveId));
        return [row.id, { answer: this.reckon(tools.fromRow(row), own, stones), stones: new Set(named) }];
      }),
    );
    if (stored === this.stored) for (const [id, kept] of fresh) this.kept.set(id, kept);
    return new Map(
      rack.flatMap(({ id }): [string, T][] => {
        const kept = fresh.get(id) ?? this.kept.get(id);
        return kept ? [[id, kept.answer]] : [];
      }),
    );
  }

  private forgetTouched(stones: readonly S[]): void {
    const now = new Map(
      stones.map((stone): [string, string] => [
        stone.id,
        JSON.stringify({ ...stone, name: undefined, notes: undefined, sets: undefined }),
      ]),
    );
    const changed = [...new Set([...now.keys(), ...this.seen.keys()])].filter(
      (id) => now.get(id) !== this.seen.get(id),
    );
    this.seen = now;
    if (changed.length === 0) return;
    for (const [toolId, kept] of this.kept) {
      if (changed.some((id) => kept.stones.has(id))) this.kept.delete(toolId);
    }
  }

  private async entriesOf(toolIds: readonly string[]): Promise<ReadonlyMap<string, RecordedSession[]>> {
    const byTool = new Map<string, RecordedSession[]>(toolIds.map((id) => [id, []]));
    for (const row of await rowsNamed(this.database, sessions, 'toolId', toolIds)) {
      byTool.get(row['toolId'] as string)?.push(entryOf(row));
    }
    return byTool;
  }
}

const entryOf = (row: Row): Identified<RecordedSession> => ({ id: row.id, ...sessions.fromRow(row) });
