import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { RunSummary, StoredRun } from '@mellow-anvil/contract';
import type { Tool } from '@mellow-anvil/core/blade';
import { forcesOf } from '@mellow-anvil/core/record';
import { type Run, type RunEvent, runOf, type RunPlan, sessionsOfRun } from '@mellow-anvil/core/run';
import { abrasives } from '../abrasives/index.js';
import { cares } from '../abrasives/index.js';
import { sessions } from '../sessions/index.js';
import type { Database } from '../../storage/database.js';
import type { Statements } from '../../storage/sqlite-file.js';
import { HttpProblem, invalid, notFound } from '../../platform/problem.js';
import { newRow } from '../../storage/store.js';
import { tools } from '../tools/index.js';
import type { Commands, RowChange } from '../../storage/commands.js';
import type { Row } from '../../storage/table.js';
import {
  addEvents,
  addRun,
  changeRun,
  eventsOf,
  notYetStored,
  openRuns,
  readingOf,
  runRow,
} from './run-rows.js';

/**
 * Runs at the bench as they come in: facts with ids of their own making, only ever added. A fact
 * that comes twice is stored once; one that comes before its time is sent back, so that what is
 * stored is always the beginning of what happened.
 */
export class RunsService {
  constructor(
    private readonly database: Database,
    private readonly commands: Commands,
  ) {}

  /** Runs begun and not ended, of tools still on the rack, the newest first. */
  open(): Promise<RunSummary[]> {
    return openRuns(readingOf(this.database));
  }

  /** @throws HttpProblem 404 */
  async read(id: string): Promise<StoredRun> {
    const reading = readingOf(this.database);
    const run = await runRow(id, reading);
    if (!run) throw notFound('This run');
    return { ...run, events: await eventsOf(id, reading) };
  }

  /**
   * Adds events to a run, in order. What was stored before is passed over.
   * @throws HttpProblem 409 when something before them is missing or another stands in their place;
   * 422 when they do not begin a run, or end one in which nothing was done
   */
  async append(id: string, incoming: readonly RunEvent[]): Promise<RunSummary> {
    let added: readonly RowChange[] = [];
    const summary = await this.database.write(async (transaction, statements) => {
      const [run, fresh] = await Promise.all([
        runRow(id, statements),
        notYetStored(id, incoming, statements),
      ]);
      refuseDisorder(fresh);
      const next = run?.next ?? 0;
      const [first] = fresh;
      if (!first) return run as RunSummary;
      if (fresh.some(({ seq }, i) => seq !== next + i)) throw outOfStep(next);
      if (run && run.state !== 'open') {
        throw new HttpProblem(409, 'Run ended', 'This run has ended; nothing can be added to it.');
      }
      const begun = run ?? (await this.begin(id, first, transaction, statements));
      const state = stateAfter(fresh);
      const changed = { state, next: next + fresh.length };
      // One after the other: where the disk is full SQLite ends the transaction by itself, and what came after
      // the statement that failed would be stored alone.
      await addEvents(id, fresh, statements);
      await changeRun(id, changed, statements);
      if (state === 'finished') added = await this.toRecord(id, transaction, statements);
      return { ...begun, ...changed };
    });
    this.commands.tell(added.map(({ kind, after }) => ({ kind, row: after })));
    return summary;
  }

  private async begin(
    id: string,
    first: RunEvent,
    transaction: Transaction,
    statements: Statements,
  ): Promise<RunSummary> {
    if (first.kind !== 'begun') {
      throw invalid([{ field: 'events.0.kind', message: 'A run starts with the event “begun”.' }]);
    }
    await this.toolOf(first.plan, transaction);
    if (await this.isEntry(id, transaction)) {
      throw new HttpProblem(
        409,
        'Taken',
        'An entry of the record has this id already: begin the run under another.',
      );
    }
    const run: RunSummary = {
      id,
      toolId: first.plan.toolId,
      state: 'open',
      startedAt: first.at,
      next: 0,
    };
    await addRun(run, statements);
    return run;
  }

  /** The finished run in the tool's record: its honing under the run's own id, a grinding before it. */
  private async toRecord(
    id: string,
    transaction: Transaction,
    statements: Statements,
  ): Promise<readonly RowChange[]> {
    const run = runOf(await eventsOf(id, statements));
    const done = run ? sessionsOfRun(run, await this.forces(run.plan.toolId, transaction)) : [];
    if (!run || done.length === 0) {
      throw invalid([
        {
          field: 'events',
          message:
            'Nothing was ground and not a stroke was made in this run: throw it away instead of finishing it.',
        },
      ]);
    }
    const tool = await this.toolOf(run.plan, transaction);
    const seenTo = await this.caresOf(run, transaction);
    const honed: RowChange[] = [];
    for (const session of done) {
      const wanted = session.kind === 'grinding' ? `${id.slice(0, 58)}-wheel` : id;
      // A file opened meanwhile may have brought an entry of that id; it stays what it is.
      const free = (await this.isEntry(wanted, transaction)) ? randomUUID() : wanted;
      honed.push({ kind: sessions.name, before: null, after: newRow(sessions, session, free) });
    }
    const changes = [...honed, ...seenTo];
    const what = done.map(({ kind }) => DONE[kind as keyof typeof DONE]).join(' and ');
    await this.commands.record(`${what} “${tool.name}”`, changes, transaction);
    return changes;
  }

  /** What the tool has needed to part a thread before, N. */
  private async forces(toolId: string, transaction: Transaction): Promise<readonly number[]> {
    const rows = (await sessions.model(this.database.sequelize).findAll({
      where: { toolId, deletedAt: null },
      raw: true,
      transaction,
    })) as unknown as Row[];
    return forcesOf(rows.map((row) => sessions.fromRow(row)));
  }

  /** Care given to stones on the way, each in its stone's own record; of stones since removed, none. */
  private async caresOf({ cares: given }: Run, transaction: Transaction): Promise<readonly RowChange[]> {
    const known = (await abrasives.model(this.database.sequelize).findAll({
      attributes: ['id'],
      where: { id: given.map(({ abrasiveId }) => abrasiveId), deletedAt: null },
      raw: true,
      transaction,
    })) as unknown as { id: string }[];
    return given
      .filter(({ abrasiveId }) => known.some((each) => each.id === abrasiveId))
      .map((care): RowChange => ({
        kind: cares.name,
        before: null,
        after: newRow(cares, care, randomUUID()),
      }));
  }

  private async toolOf({ toolId }: RunPlan, transaction: Transaction): Promise<Tool> {
    const row = (await tools.model(this.database.sequelize).findOne({
      where: { id: toolId, deletedAt: null },
      raw: true,
      transaction,
    })) as Row | null;
    if (row) return tools.fromRow(row);
    throw invalid([
      {
        field: 'events.0.plan.toolId',
        message:
          'This tool is not on the rack; it may have been removed. Bring it back with Undo, then go on: the run is kept.',
      },
    ]);
  }

  /** Whether the record has, or had, an entry of this id. */
  private async isEntry(id: string, transaction: Transaction): Promise<boolean> {
    const found = await sessions
      .model(this.database.sequelize)
      .findOne({ attributes: ['id'], where: { id }, raw: true, transaction });
    return found !== null;
  }
}

const DONE = { honing: 'Hone', grinding: 'Grind', stropping: 'Strop' } as const;

function stateAfter(events: readonly RunEvent[]): RunSummary['state'] {
  const end = events.find(({ kind }) => kind === 'finished' || kind === 'thrown-away');
  return (end?.kind as RunSummary['state'] | undefined) ?? 'open';
}

/** @throws HttpProblem 422 when a run would begin twice, or go on after its end */
function refuseDisorder(events: readonly RunEvent[]): void {
  const again = events.find(({ kind, seq }) => kind === 'begun' && seq !== 0);
  if (again) {
    throw invalid([
      { field: 'events', message: 'A run begins once: “begun” is its first event and no other.' },
    ]);
  }
  const end = events.findIndex(({ kind }) => kind === 'finished' || kind === 'thrown-away');
  if (end >= 0 && end < events.length - 1) {
    throw invalid([
      { field: 'events', message: 'Nothing comes after the event that ends a run: leave it out.' },
    ]);
  }
}

const outOfStep = (next: number): HttpProblem =>
  new HttpProblem(
    409,
    'Out of step',
    `These events do not follow on what is stored: the next is number ${next}. Load the run again and send what it lacks.`,
  );
