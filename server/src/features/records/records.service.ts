import type { ToolLife } from '@mellow-anvil/contract';
import type { StoneAtWork } from '@mellow-anvil/core/abrasive';
import { lifeOf, recordOf, type ToolRecord } from '@mellow-anvil/core/record';
import type { Connection } from '../../storage/database.js';
import { notFound } from '../../platform/problem.js';
import { liveRowsNamed } from '../../storage/rows.js';
import { toolTable } from '../tools/tables.js';
import type { StonesService } from './stones.service.js';
import type { Entries } from './entries.js';
import { Histories } from './histories.js';
import { KeptByTool, type LastReckoned } from './kept-by-tool.js';
import type { Changes } from '../../storage/derived-answers.js';

/** What every tool's record comes to, reckoned by core at the rates the stones are known to cut at. */
export class RecordsService {
  private readonly records: KeptByTool<StoneAtWork, ToolRecord>;
  private readonly histories = new Histories<StoneAtWork>();

  constructor(
    private readonly database: Connection,
    private readonly entries: Entries,
    changes: Changes,
    private readonly bench: StonesService,
    last: LastReckoned<StoneAtWork, ToolRecord>,
  ) {
    this.records = new KeptByTool(database, entries, changes, last, (id, tool, own, stones) =>
      recordOf(tool, this.histories.of(id, tool, own, stones)),
    );
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
    const [row] = await liveRowsNamed(this.database, toolTable, 'id', [toolId]);
    if (!row) throw notFound('This tool');
    const tool = toolTable.fromRow(row);
    const entries = (await this.entries.of([toolId])).get(toolId) ?? [];
    const history = this.histories.of(toolId, tool, entries, await this.bench.everAtWork());
    return { record: recordOf(tool, history), entries: lifeOf(history) };
  }
}
