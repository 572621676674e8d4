import { QueryTypes } from 'sequelize';
import type { Stored } from '@mellow-anvil/contract';
import {
  edgeHistory,
  lifeOf,
  recordOf,
  toolRecord,
  type Abrasive,
  type LifeEntry,
  type OwnedAbrasive,
  type RecordedSession,
  type Session,
  type ToolRecord,
} from '@mellow-anvil/core';
import { abrasives } from '../abrasives/abrasives.js';
import { sessions } from '../sessions/sessions.js';
import type { Database } from '../shared/database.js';
import type { Kind, Row } from '../shared/kind.js';
import { notFound } from '../shared/problem.js';
import { toStored } from '../shared/store.js';
import { tools } from '../tools/tools.js';
import type { Commands } from '../undo/commands.js';

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

  constructor(
    private readonly database: Database,
    commands: Commands,
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

  /** By tool id, for every tool on the rack. */
  async all(): Promise<Record<string, ToolRecord>> {
    const rack = await this.rows(tools, '"deletedAt" IS NULL');
    const missing = rack.filter(({ id }) => !this.kept.has(id));
    const reckoned = missing.length > 0 ? await this.reckon(missing) : undefined;
    return Object.fromEntries(
      rack.flatMap(({ id }) => {
        const record = reckoned?.get(id) ?? this.kept.get(id);
        return record ? [[id, record]] : [];
      }),
    );
  }

  /** @throws HttpProblem 404 */
  async lifeOf(toolId: string): Promise<ToolLife> {
    const [row] = await this.rows(tools, '"deletedAt" IS NULL AND id = $toolId', { toolId });
    if (!row) throw notFound('This tool');
    const tool = tools.fromRow(row);
    const entries = await this.rows(sessions, '"deletedAt" IS NULL AND "toolId" = $toolId', { toolId });
    const history = edgeHistory(
      tool,
      entries.map((entry) => toStored(sessions, entry)),
      await this.everOnTheBench(),
    );
    return { record: recordOf(tool, history), entries: lifeOf(history) };
  }

  /** The record of one tool that has just been read. */
  async of(toolId: string): Promise<ToolRecord> {
    return this.kept.get(toolId) ?? (await this.lifeOf(toolId)).record;
  }

  private async reckon(rack: readonly Row[]): Promise<Map<string, ToolRecord>> {
    const { stored } = this;
    const [one, ...others] = rack;
    const entries =
      one && others.length === 0
        ? await this.rows(sessions, '"deletedAt" IS NULL AND "toolId" = $toolId', { toolId: one.id })
        : await this.rows(sessions, '"deletedAt" IS NULL');
    const byTool = new Map<unknown, RecordedSession[]>(rack.map(({ id }) => [id, []]));
    for (const entry of entries) {
      byTool.get(entry['toolId'])?.push({ id: entry.id, ...sessions.fromRow(entry) });
    }
    const bench = await this.everOnTheBench();
    const reckoned = new Map(
      rack.map((row) => [row.id, toolRecord(tools.fromRow(row), byTool.get(row.id) ?? [], bench)]),
    );
    if (stored === this.stored) for (const [id, record] of reckoned) this.kept.set(id, record);
    return reckoned;
  }

  /** Removed abrasives too: what was honed on them stays honed. */
  private async everOnTheBench(): Promise<OwnedAbrasive[]> {
    const rows = await this.rows(abrasives, '1');
    return rows.map((row) => ({ ...(abrasives.fromRow(row) as Abrasive), id: row.id }));
  }

  private rows<T>(kind: Kind<T>, where: string, bind: Record<string, string> = {}): Promise<Row[]> {
    return this.database.sequelize.query<Row>(`SELECT * FROM "${kind.name}" WHERE ${where}`, {
      type: QueryTypes.SELECT,
      bind,
    });
  }
}
