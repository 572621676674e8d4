import { isDeepStrictEqual } from 'node:util';
import type { Tool } from '@mellow-anvil/core/blade';
import type { RecordedSession } from '@mellow-anvil/core/record';
import { idsOf, rowsNamed } from '../../storage/rows.js';
import type { Connection } from '../../storage/database.js';
import { tools } from '../tools/index.js';
import type { Commands } from '../../storage/commands.js';
import type { Entries } from './entries.js';

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
  /** Answers no longer sure, by tool: one that comes out the same again stays the very same object. */
  private readonly before = new Map<string, T>();
  /** Rises with everything stored, so that what was read before is not kept as what is so after. */
  private stored = 0;
  /** The stones the answers were reckoned with. */
  private seen: ReadonlyMap<string, string> = new Map();

  constructor(
    private readonly database: Connection,
    private readonly entries: Entries,
    changes: Pick<Commands, 'onStored'>,
    private readonly reckon: (tool: Tool, entries: readonly RecordedSession[], stones: readonly S[]) => T,
  ) {
    changes.onStored((stored) => {
      this.stored += 1;
      for (const { kind, id, toolId } of stored) {
        if (kind === 'tools') this.forget(id);
        else if (kind === 'sessions' && toolId !== undefined) this.forget(toolId);
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
    const rack = toolIds ?? (await idsOf(this.database, tools));
    const missing = await rowsNamed(
      this.database,
      tools,
      'id',
      rack.filter((id) => !this.kept.has(id)),
    );
    const entries = await this.entries.of(missing.map(({ id }) => id));
    const fresh = new Map(
      missing.map((row): [string, Kept<T>] => {
        const own = entries.get(row.id) ?? [];
        const named = own.flatMap(({ steps = [] }) => steps.map(({ abrasiveId }) => abrasiveId));
        const answer = this.reckon(tools.fromRow(row), own, stones);
        const before = this.before.get(row.id);
        return [
          row.id,
          {
            answer: before !== undefined && isDeepStrictEqual(before, answer) ? before : answer,
            stones: new Set(named),
          },
        ];
      }),
    );
    if (stored === this.stored) {
      for (const [id, kept] of fresh) {
        this.kept.set(id, kept);
        this.before.delete(id);
      }
    }
    return new Map(
      rack.flatMap((id): [string, T][] => {
        const kept = fresh.get(id) ?? this.kept.get(id);
        return kept ? [[id, kept.answer]] : [];
      }),
    );
  }

  private forget(toolId: string): void {
    const kept = this.kept.get(toolId);
    if (!kept) return;
    this.kept.delete(toolId);
    this.before.set(toolId, kept.answer);
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
      if (changed.some((id) => kept.stones.has(id))) this.forget(toolId);
    }
  }
}
