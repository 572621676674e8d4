import { QueryTypes } from 'sequelize';
import type { RunSummary } from '@mellow-anvil/contract';
import type { RunEvent } from '@mellow-anvil/core/run';
import { invalid } from '../../platform/problem.js';
import type { Connection } from '../../storage/database.js';
import type { Statements } from '../../storage/sqlite-file.js';

// The rows of runs in SQL of ours, straight to the driver: the next stroke waits for every statement, and
// Sequelize's models ask for their columns anew before each question.

type Reading = Pick<Statements, 'all'>;

/** Reads outside a transaction. */
export const readingOf = ({ sequelize }: Pick<Connection, 'sequelize'>): Reading => ({
  all: <R>(sql: string, values: readonly unknown[] = []) =>
    sequelize.query(sql, { type: QueryTypes.SELECT, replacements: [...values] }) as unknown as Promise<R[]>,
});

/** Runs begun and not ended, of tools still on the rack, the newest first. */
export const openRuns = (reading: Reading): Promise<RunSummary[]> =>
  reading.all(
    `SELECT r.id, r."toolId", r.state, r."startedAt", r.next FROM runs r
     JOIN tools t ON t.id = r."toolId" AND t."deletedAt" IS NULL
     WHERE r.state = 'open' ORDER BY r."startedAt" DESC`,
  );

export async function runRow(id: string, reading: Reading): Promise<RunSummary | undefined> {
  const [found] = await reading.all<RunSummary>(
    'SELECT id, "toolId", state, "startedAt", next FROM runs WHERE id = ?',
    [id],
  );
  return found;
}

export async function eventsOf(runId: string, reading: Reading): Promise<RunEvent[]> {
  const rows = await reading.all<{ event: string }>(
    'SELECT event FROM "runEvents" WHERE "runId" = ? ORDER BY seq',
    [runId],
  );
  return rows.map(({ event }) => JSON.parse(event) as RunEvent);
}

/**
 * Those of some events that are not stored yet, each once.
 * @throws HttpProblem 422 when one belongs to another run, or two share an id
 */
export async function notYetStored(
  runId: string,
  incoming: readonly RunEvent[],
  reading: Reading,
): Promise<readonly RunEvent[]> {
  const found = await reading.all<{ id: string; runId: string }>(
    `SELECT id, "runId" FROM "runEvents" WHERE id IN (${incoming.map(() => '?').join()})`,
    incoming.map(({ id }) => id),
  );
  const foreign = found.find((event) => event.runId !== runId);
  if (foreign) {
    throw invalid([{ field: 'events', message: `The event “${foreign.id}” belongs to another run.` }]);
  }
  const stored = new Set(found.map(({ id }) => id));
  // Sent twice in one batch, it is stored once as well; two that share an id are not the same event.
  const batch = new Map<string, RunEvent>();
  for (const event of incoming) {
    const twin = batch.get(event.id);
    if (twin && twin.seq !== event.seq) {
      throw invalid([
        { field: 'events', message: `Two different events share the id “${event.id}”: give each its own.` },
      ]);
    }
    batch.set(event.id, event);
  }
  return [...batch.values()].filter(({ id }) => !stored.has(id));
}

export const addRun = ({ id, toolId, state, startedAt, next }: RunSummary, statements: Statements) =>
  statements.run('INSERT INTO runs (id, "toolId", state, "startedAt", next) VALUES (?, ?, ?, ?, ?)', [
    id,
    toolId,
    state,
    startedAt,
    next,
  ]);

export const addEvents = (runId: string, events: readonly RunEvent[], statements: Statements) =>
  statements.run(
    `INSERT INTO "runEvents" (id, "runId", seq, event) VALUES ${events.map(() => '(?, ?, ?, ?)').join()}`,
    events.flatMap((event) => [event.id, runId, event.seq, JSON.stringify(event)]),
  );

export const changeRun = (
  id: string,
  { state, next }: Pick<RunSummary, 'state' | 'next'>,
  statements: Statements,
) => statements.run('UPDATE runs SET state = ?, next = ? WHERE id = ?', [state, next, id]);
