import { isDeepStrictEqual } from 'node:util';
import { LRUCache } from 'lru-cache';
import type { Tool } from '@mellow-anvil/core/blade';
import type { RecordedSession } from '@mellow-anvil/core/record';
import type { Connection } from '../../storage/database.js';
import { DerivedAnswers, type Changes, type Derived } from '../../storage/derived-answers.js';
import { idsOf, liveRowsNamed } from '../../storage/rows.js';
import { toolTable } from '../tools/tables.js';
import type { Entries } from './entries.js';

/** A stone as what is reckoned sees it; its name and the sets it stands in change nothing. */
interface SeenStone {
  readonly id: string;
  readonly name?: unknown;
  readonly notes?: unknown;
  readonly sets?: unknown;
}

/** What an answer was reckoned of, and what it came to. */
interface Reckoned<S, T> {
  readonly of: {
    readonly tool: Tool;
    readonly entries: readonly RecordedSession[];
    readonly stones: readonly S[];
  };
  readonly answer: T;
}

/** Entries in what is remembered at most; the longest unasked goes first. */
const ENTRIES_KEPT = 20_000;

/** By tool id, what was reckoned last: it stands when the very same is found again, in another file too. */
export type LastReckoned<S, T> = LRUCache<string, Reckoned<S, T>>;

export const lastReckoned = <S, T>(): LastReckoned<S, T> =>
  new LRUCache({ maxSize: ENTRIES_KEPT, sizeCalculation: ({ of }) => of.entries.length + 1 });

/**
 * An answer for every tool, kept until something it rests on changes: the tool, an entry of its, or a stone
 * that its entries name.
 */
export class KeptByTool<S extends SeenStone, T> {
  private readonly answers: DerivedAnswers<T>;
  /** The stones the answers were reckoned with. */
  private seen: ReadonlyMap<string, string> = new Map();

  constructor(
    private readonly database: Connection,
    private readonly entries: Entries,
    changes: Changes,
    private readonly last: LastReckoned<S, T>,
    private readonly reckon: (
      toolId: string,
      tool: Tool,
      entries: readonly RecordedSession[],
      stones: readonly S[],
    ) => T,
  ) {
    this.answers = new DerivedAnswers(changes, ({ kind, id, toolId }) =>
      kind === 'tools' ? [id] : kind === 'sessions' && toolId !== undefined ? [toolId] : [],
    );
  }

  /**
   * The answers for the tools on the rack, or for some of them.
   * @param stones every stone there ever was, as it is to be reckoned with
   */
  async of(stones: readonly S[], toolIds?: readonly string[]): Promise<ReadonlyMap<string, T>> {
    this.answers.forgetResting(this.changedSince(stones));
    const rack = toolIds ?? (await idsOf(this.database, toolTable));
    return this.answers.of(rack, (missing) => this.reckoned(missing, stones));
  }

  private async reckoned(
    toolIds: readonly string[],
    stones: readonly S[],
  ): Promise<ReadonlyMap<string, Derived<T>>> {
    const rows = await liveRowsNamed(this.database, toolTable, 'id', toolIds);
    const entries = await this.entries.of(rows.map(({ id }) => id));
    return new Map(
      rows.map((row): [string, Derived<T>] => {
        const own = entries.get(row.id) ?? [];
        const named = own.flatMap(({ steps = [] }) => steps.map(({ abrasiveId }) => abrasiveId));
        return [
          row.id,
          {
            answer: this.answer(row.id, { tool: toolTable.fromRow(row), entries: own, stones }),
            restsOn: new Set(named),
          },
        ];
      }),
    );
  }

  private answer(id: string, of: Reckoned<S, T>['of']): T {
    const last = this.last.get(id);
    if (last && isDeepStrictEqual(last.of, of)) return last.answer;
    const answer = this.reckon(id, of.tool, of.entries, of.stones);
    this.last.set(id, { of, answer });
    return answer;
  }

  /** The stones that are another than when this was last asked. */
  private changedSince(stones: readonly S[]): readonly string[] {
    const now = new Map(
      stones.map((stone): [string, string] => [
        stone.id,
        JSON.stringify({ ...stone, name: undefined, notes: undefined, sets: undefined }),
      ]),
    );
    const { seen } = this;
    this.seen = now;
    return [...new Set([...now.keys(), ...seen.keys()])].filter((id) => now.get(id) !== seen.get(id));
  }
}
