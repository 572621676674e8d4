import { QueryTypes } from 'sequelize';
import type { BenchRecord, ToolRecord } from '@mellow-anvil/core';
import type { Database } from '../storage/database.js';
import type { Commands } from '../undo/commands.js';
import type { KindRow } from '../undo/whole.js';
import { reckoned } from '../workers/workers.js';
import type { Question, StoredSince } from './reckoning.js';

/** Tools in one question: whoever else asks meanwhile gets a turn between two of them. */
const TOOLS_AT_ONCE = 20;

/** Kinds the records and the stones' own rest on. */
const RESTED_ON: ReadonlySet<string> = new Set(['tools', 'sessions', 'abrasives', 'cares']);

/**
 * What the record comes to, reckoned in a process of its own and handed through as JSON text. It is told
 * what was stored with the next question, so that nothing is reckoned that nobody asks for.
 */
export class Reckoner {
  private stored: StoredSince = 'everything';
  private asked = false;

  constructor(
    private readonly database: Database,
    commands: Commands,
  ) {
    commands.onStored((rows) => {
      if (this.stored === 'everything') return;
      const known = this.stored;
      this.stored = [...known, ...rows.filter(({ kind }) => RESTED_ON.has(kind)).map(nameOnly)];
    });
  }

  /** After everything stored may be something else. */
  forget(): void {
    this.stored = 'everything';
  }

  /** The record of every tool on the rack, by its id, as JSON text. */
  async rack(): Promise<string> {
    await this.database.ready();
    const tools = await this.database.sequelize.query<{ id: string }>(
      'SELECT id FROM tools WHERE "deletedAt" IS NULL ORDER BY id',
      { type: QueryTypes.SELECT },
    );
    const ids = tools.map(({ id }) => id);
    const batches: string[][] = [];
    for (let i = 0; i < ids.length; i += TOOLS_AT_ONCE) batches.push(ids.slice(i, i + TOOLS_AT_ONCE));
    for (const toolIds of batches) await this.ask({ of: 'rack', toolIds, readyOnly: true });
    const parts: string[] = [];
    for (const toolIds of batches) parts.push((await this.ask({ of: 'rack', toolIds })).slice(1, -1));
    return `{${parts.filter((part) => part !== '').join(',')}}`;
  }

  /** A tool's record with each entry and what it changed, as JSON text. @throws HttpProblem 404 */
  life(id: string): Promise<string> {
    return this.ask({ of: 'life', id });
  }

  /** @throws HttpProblem 404 */
  async record(id: string): Promise<ToolRecord> {
    return JSON.parse(await this.ask({ of: 'record', id })) as ToolRecord;
  }

  /** How the stones stand, as JSON text. */
  stones(): Promise<string> {
    return this.ask({ of: 'stones' });
  }

  async stonesRecord(): Promise<BenchRecord> {
    return JSON.parse(await this.ask({ of: 'stones-record' })) as BenchRecord;
  }

  /** One stone's record whole, as JSON text. @throws HttpProblem 404 */
  stone(id: string): Promise<string> {
    return this.ask({ of: 'stone', id });
  }

  /** Lets the process forget this workshop. */
  async close(): Promise<void> {
    if (!this.asked) return;
    await reckoned('reckon', {
      database: this.database.file,
      stored: 'everything',
      question: { of: 'nothing-more' },
    });
  }

  private async ask(question: Question): Promise<string> {
    await this.database.ready();
    this.asked = true;
    const { stored } = this;
    this.stored = [];
    try {
      return await reckoned('reckon', { database: this.database.file, stored, question });
    } catch (reason) {
      // What it was told may not have come to it.
      if ((reason as { status?: number }).status !== 404) this.stored = 'everything';
      throw reason;
    }
  }
}

/** A row with no more than tells what it is and whose: what it holds is read where it lies. */
const nameOnly = ({ kind, row }: KindRow): KindRow => ({
  kind,
  row: { ...row, edge: undefined, steps: undefined, notes: undefined, conditionBefore: undefined },
});
