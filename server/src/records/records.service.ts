import type { Stored } from '@mellow-anvil/contract';
import type { StoneAtWork } from '@mellow-anvil/core/abrasive';
import {
  edgeHistory,
  type LifeEntry,
  lifeOf,
  recordOf,
  type Session,
  toolRecord,
  type ToolRecord,
} from '@mellow-anvil/core/record';
import type { Connection } from '../storage/database.js';
import { notFound } from '../shared/problem.js';
import { rowsNamed } from '../shared/rows.js';
import { tools } from '../tools/tools.js';
import type { Commands } from '../undo/commands.js';
import type { BenchService } from './bench.service.js';
import type { Entries } from './entries.js';
import { KeptByTool } from './kept-by-tool.js';

/** What a tool's record comes to, with each entry and what it changed. */
export interface ToolLife {
  readonly record: ToolRecord;
  readonly entries: readonly LifeEntry<Stored<Session>>[];
}

/** What every tool's record comes to, reckoned by core at the rates the stones are known to cut at. */
export class RecordsService {
  private readonly records: KeptByTool<StoneAtWork, ToolRecord>;

  constructor(
    private readonly database: Connection,
    private readonly entries: Entries,
    changes: Pick<Commands, 'onStored'>,
    private readonly bench: BenchService,
  ) {
    this.records = new KeptByTool(database, entries, changes, toolRecord);
  }

  /** By tool id, for those of some tools that are on the rack. */
  async all(toolIds: readonly string[]): Promise<Record<string, ToolRecord>> {
    return Object.fromEntries(await this.records.of(await this.bench.everAtWork(), toolIds));
  }

  /** @throws HttpProblem 404 */
  async of(toolId: string): Promise<ToolRecord> {
    const record = (await this.records.of(await this.bench.everAtWork(), [toolId])).get(toolId);
    if (!record) throw notFound('This tool');
    return record;
  }

  /** @throws HttpProblem 404 */
  async lifeOf(toolId: string): Promise<ToolLife> {
    const [row] = await rowsNamed(this.database, tools, 'id', [toolId]);
    if (!row) throw notFound('This tool');
    const tool = tools.fromRow(row);
    const entries = (await this.entries.of([toolId])).get(toolId) ?? [];
    const history = edgeHistory(tool, entries, await this.bench.everAtWork());
    return { record: recordOf(tool, history), entries: lifeOf(history) };
  }
}
