import { QueryTypes } from 'sequelize';
import type { Connection } from './database.js';
import type { Row, Table } from './table.js';

/** Rows as they lie in a table. `where` is SQL of ours; what people typed is bound. */
export function rowsOf<T>(
  { sequelize }: Connection,
  table: Table<T>,
  where: string,
  bind: Readonly<Record<string, string>> = {},
): Promise<Row[]> {
  return sequelize.query<Row>(`SELECT * FROM "${table.name}" WHERE ${where}`, {
    type: QueryTypes.SELECT,
    bind,
  });
}

/** The rows of a table that were not removed; narrowed by more SQL of ours, where it is given. */
export const liveRowsOf = <T>(
  database: Connection,
  table: Table<T>,
  where = '1',
  bind: Readonly<Record<string, string>> = {},
): Promise<Row[]> => rowsOf(database, table, `"deletedAt" IS NULL AND ${where}`, bind);

/** Values in one question; more, and every row is read. */
const MOST_NAMED = 100;

/** The live rows of a table whose column, of ours, holds one of some values. */
export async function liveRowsNamed<T>(
  database: Connection,
  table: Table<T>,
  column: string,
  values: readonly string[],
): Promise<Row[]> {
  if (values.length === 0) return [];
  if (values.length > MOST_NAMED) {
    const wanted = new Set<unknown>(values);
    return (await liveRowsOf(database, table)).filter((row) => wanted.has(row[column]));
  }
  const places = values.map((_, i) => `$value${i}`).join();
  return liveRowsOf(
    database,
    table,
    `"${column}" IN (${places})`,
    Object.fromEntries(values.map((value, i) => [`value${i}`, value])),
  );
}

/** The ids of everything in a table that is there. */
export async function idsOf<T>({ sequelize }: Connection, table: Table<T>): Promise<readonly string[]> {
  const found = await sequelize.query<{ id: string }>(
    `SELECT id FROM "${table.name}" WHERE "deletedAt" IS NULL ORDER BY id`,
    { type: QueryTypes.SELECT },
  );
  return found.map(({ id }) => id);
}
