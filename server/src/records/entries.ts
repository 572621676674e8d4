import type { Connection } from '../storage/database.js';
import type { Row } from '../shared/kind.js';
import { rowsOf } from '../shared/rows.js';
import { sessions } from '../sessions/sessions.js';

/** Tools named in one question; more, and the whole ledger is read at once. */
const MOST_NAMED = 100;

/** The live entries of some tools. */
export async function entriesOf(database: Connection, toolIds: readonly string[]): Promise<Row[]> {
  if (toolIds.length === 0) return [];
  if (toolIds.length > MOST_NAMED) return rowsOf(database, sessions, '"deletedAt" IS NULL');
  const places = toolIds.map((_, i) => `$tool${i}`).join();
  return rowsOf(
    database,
    sessions,
    `"deletedAt" IS NULL AND "toolId" IN (${places})`,
    Object.fromEntries(toolIds.map((id, i) => [`tool${i}`, id])),
  );
}
