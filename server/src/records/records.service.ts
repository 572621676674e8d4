import type { Stored } from '@mellow-anvil/contract';
import {
  edgeHistory,
  lifeOf,
  recordOf,
  toolRecord,
  type LifeEntry,
  type RecordedSession,
  type Session,
  type StoneAtWork,
  type ToolRecord,
} from '@mellow-anvil/core';
import { sessions } from '../sessions/sessions.js';
import type { Connection } from '../storage/database.js';
import type { Row } from '../shared/kind.js';
import { notFound } from '../shared/problem.js';
import { entriesOf } from './entries.js';
import { rowsOf } from '../shared/rows.js';
import { toStored } from '../shared/store.js';
import { tools } from '../tools/tools.js';
import type { Commands } from '../undo/commands.js';
import type { BenchService } from './bench.service.js';

/** What a tool's record comes to, with each entry and what it changed. */
export interface ToolLife {
  readonly record: ToolRecord;
  readonly entries: readonly LifeEntry<Stored<Session>>[];
}

/**
 * What every tool's record comes to, reckoned by core and kept until something it rests on is
 * stored: the tool, a session of its, or an abrasive.
 */
export class RecordsService {
  private readonly kept = new Map<string, ToolRecord>();
  /** Rises with everything stored, so that what was read before is not kept as what is so after. */
  private stored = 0;
  private rates = '';

  constructor(
    private readonly database: Connection,
    commands: Pick<Commands, 'onStored'>,
    private readonly bench: BenchService,
  ) {
    commands.onStored((rows) => {
      this.stored += 1;
      for (const { kind, row } of rows) {
        if (kind === 'abrasives') this.forget();
        else if (kind === 'tools') this.kept.delete(row.id);
        else if (kind === 'sessions') this.kept.delete(row['toolId'] as string);
      }
    });
  }

  /** Forgets everything, after the database was changed behind this back. */
  forget(): void {
    this.stored += 1;
    this.kept.clear();
  }

  /** By tool id, for those of some tools that are on the rack. */
  async all(toolIds: readonly string[]): Promise<Record<string, ToolRecord>> {
    const bench = await this.everOnTheBench();
    const wanted = new Set(toolIds);
    const rack = (await rowsOf(this.database, tools, '"deletedAt" IS NULL')).filter(({ id }) =>
      wanted.has(id),
    );
    const missing = rack.filter(({ id }) => !this.kept.has(id));
    const reckoned = missing.length > 0 ? await this.reckon(missing, bench) : undefined;
    return Object.fromEntries(
      rack.flatMap(({ id }) => {
        const record = reckoned?.get(id) ?? this.kept.get(id);
        return record ? [[id, record]] : [];
      }),
    );
  }

  /** @throws HttpProblem 404 */
  async lifeOf(toolId: string): Promise<ToolLife> {
    const [row] = await rowsOf(this.database, tools, '"deletedAt" IS NULL AND id = $toolId', { toolId });
    if (!row) throw notFound('This tool');
    const tool = tools.fromRow(row);
    const entries = await rowsOf(this.database, sessions, '"deletedAt" IS NULL AND "toolId" = $toolId', {
      toolId,
    });
    const history = edgeHistory(
      tool,
      entries.map((entry) => toStored(sessions, entry)),
      await this.everOnTheBench(),
    );
    return { record: recordOf(tool, history), entries: lifeOf(history) };
  }

  /** The record of one tool that has just been read. */
  async of(toolId: string): Promise<ToolRecord> {
    await this.everOnTheBench();
    return this.kept.get(toolId) ?? (await this.lifeOf(toolId)).record;
  }

  private async reckon(
    rack: readonly Row[],
    bench: readonly StoneAtWork[],
  ): Promise<Map<string, ToolRecord>> {
    const { stored } = this;
    const entries = await entriesOf(
      this.database,
      rack.map(({ id }) => id),
    );
    const byTool = new Map<unknown, RecordedSession[]>(rack.map(({ id }) => [id, []]));
    for (const entry of entries) {
      byTool.get(entry['toolId'])?.push({ id: entry.id, ...sessions.fromRow(entry) });
    }
    const reckoned = new Map(
      rack.map((row) => [row.id, toolRecord(tools.fromRow(row), byTool.get(row.id) ?? [], bench)]),
    );
    if (stored === this.stored) for (const [id, record] of reckoned) this.kept.set(id, record);
    return reckoned;
  }

  /**
   * Every abrasive at the rate it is known to cut at. What was reckoned with other rates is forgotten: a
   * reading on one tool moves what the same stone did to all of them.
   */
  private async everOnTheBench(): Promise<readonly StoneAtWork[]> {
    const bench = await this.bench.everAtWork();
    const rates = bench.map(({ id, removalMm3PerNm }) => `${id} ${removalMm3PerNm}`).join();
    if (rates !== this.rates) {
      this.kept.clear();
      this.rates = rates;
    }
    return bench;
  }
}
