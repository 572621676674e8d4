import { setTimeout as pause } from 'node:timers/promises';
import type { StonesRecord } from '@mellow-anvil/core/abrasive';
import type { ToolRecord } from '@mellow-anvil/core/record';
import type { Database } from '../../storage/database.js';
import { idsOf } from '../../storage/rows.js';
import { toolTable } from '../tools/tables.js';
import { KeptAnswers } from '../../storage/kept-answers.js';
import type { Commands } from '../../storage/commands.js';
import { beside } from '../../platform/workers.js';
import { RESTED_ON } from './stones.service.js';
import { reckonTask, type Question, type StoredSince } from './tasks.js';

/** Tools in one question: whoever else asks meanwhile gets a turn between two of them. */
const TOOLS_AT_ONCE = 20;

/**
 * What the record comes to, reckoned in a process of its own and handed through as JSON text. It is told
 * what was stored with the next question, so that nothing is reckoned that nobody asks for.
 */
export class Reckoner {
  private stored: StoredSince = 'everything';
  private asked = false;
  /** Rises with everything stored that what is reckoned rests on. */
  private edition = 0;
  private readonly answers = new KeptAnswers(() => this.edition);
  /** By tool id, the record's text as it was last reckoned. */
  private readonly known = new Map<string, string>();
  /** Tools that something was stored of, or changed, since they were last reckoned. */
  private readonly touched = new Set<string>();
  /** The edition at which every tool's was reckoned. */
  private wholeAt: number | undefined;
  /** The reckoning of the whole rack that is under way. */
  private under: Promise<void> | undefined;

  constructor(
    private readonly database: Database,
    commands: Commands,
  ) {
    commands.onStored((all) => {
      const stored = all.filter(({ kind }) => RESTED_ON.has(kind));
      if (stored.length === 0) return;
      this.edition += 1;
      for (const { kind, id, toolId } of stored) {
        if (kind === 'tools') this.touched.add(id);
        else if (toolId !== undefined) this.touched.add(toolId);
      }
      if (this.stored !== 'everything') this.stored = [...this.stored, ...stored];
    });
  }

  /** After everything stored may be something else. */
  forget(): void {
    this.edition += 1;
    this.stored = 'everything';
    this.known.clear();
    this.touched.clear();
  }

  /**
   * The record of every tool on the rack, by its id, as JSON text.
   * @param withinMs past that, what was known before is answered where it is being reckoned anew
   * @returns the text, and whether everything in it is as things stand
   */
  async rack(withinMs?: number): Promise<{ readonly text: string; readonly complete: boolean }> {
    await this.database.ready();
    const ids = await idsOf(this.database, toolTable);
    if (this.wholeAt === this.edition) return { text: this.textOf(ids), complete: true };
    let complete = false as boolean;
    const fresh = this.freshRack().then(() => {
      complete = true;
    });
    if (withinMs === undefined || ids.some((id) => !this.known.has(id))) await fresh;
    else {
      // Reckoned on behind; what comes of it is for the next to ask.
      fresh.catch(() => undefined);
      await this.reckonTouched();
      await Promise.race([fresh, pause(withinMs)]);
    }
    return { text: this.textOf(complete ? await idsOf(this.database, toolTable) : ids), complete };
  }

  /** A tool's record with each entry and what it changed, as JSON text. @throws HttpProblem 404 */
  life(id: string): Promise<string> {
    return this.kept({ of: 'life', id });
  }

  /** @throws HttpProblem 404 */
  async record(id: string): Promise<ToolRecord> {
    return JSON.parse(await this.ask({ of: 'record', id })) as ToolRecord;
  }

  /** How the stones stand, as JSON text. */
  stones(): Promise<string> {
    return this.kept({ of: 'stones' });
  }

  async stonesRecord(): Promise<StonesRecord> {
    return JSON.parse(await this.ask({ of: 'stones-record' })) as StonesRecord;
  }

  /** One stone's record whole, as JSON text. @throws HttpProblem 404 */
  stone(id: string): Promise<string> {
    return this.kept({ of: 'stone', id });
  }

  /** Lets the process forget this workshop. */
  async close(): Promise<void> {
    if (!this.asked) return;
    await beside(reckonTask, {
      database: this.database.file,
      stored: 'everything',
      question: { of: 'nothing-more' },
    });
  }

  /** Has the whole rack reckoned as it stands from now on: a reckoning under way may have begun before. */
  private async freshRack(): Promise<void> {
    await this.under?.catch(() => undefined);
    this.under ??= this.reckonRack().finally(() => (this.under = undefined));
    await this.under;
  }

  /** What somebody just did is what they look at: it is never shown as it was before. */
  private async reckonTouched(): Promise<void> {
    const toolIds = [...this.touched];
    this.touched.clear();
    if (toolIds.length > 0 && toolIds.length <= TOOLS_AT_ONCE) await this.reckonTools(toolIds);
  }

  private async reckonTools(toolIds: readonly string[]): Promise<void> {
    const records = JSON.parse(await this.ask({ of: 'rack', toolIds })) as Record<string, unknown>;
    for (const [id, record] of Object.entries(records)) this.known.set(id, JSON.stringify(record));
  }

  private async reckonRack(): Promise<void> {
    const { edition } = this;
    const ids = await idsOf(this.database, toolTable);
    const batches: string[][] = [];
    for (let i = 0; i < ids.length; i += TOOLS_AT_ONCE) batches.push(ids.slice(i, i + TOOLS_AT_ONCE));
    for (const toolIds of batches) await this.ask({ of: 'rack', toolIds, readyOnly: true });
    for (const toolIds of batches) await this.reckonTools(toolIds);
    const there = new Set(ids);
    for (const id of this.known.keys()) if (!there.has(id)) this.known.delete(id);
    if (edition !== this.edition) return;
    this.wholeAt = edition;
    this.touched.clear();
  }

  private textOf(ids: readonly string[]): string {
    const parts = ids.flatMap((id) => {
      const text = this.known.get(id);
      return text === undefined ? [] : [`${JSON.stringify(id)}:${text}`];
    });
    return `{${parts.join(',')}}`;
  }

  private async kept(question: Question): Promise<string> {
    await this.database.ready();
    return this.answers.to(JSON.stringify(question), () => this.ask(question));
  }

  private async ask(question: Question): Promise<string> {
    await this.database.ready();
    this.asked = true;
    const { stored } = this;
    this.stored = [];
    try {
      return await beside(reckonTask, { database: this.database.file, stored, question });
    } catch (reason) {
      // What it was told may not have come to it.
      if ((reason as { status?: number }).status !== 404) this.stored = 'everything';
      throw reason;
    }
  }
}
