import { QueryTypes } from 'sequelize';
import type { Connection } from './database.js';
import type { Kind, Row } from './kind.js';

/** Rows of a kind as they lie in its table. `where` is SQL of ours; what people typed is bound. */
export function rowsOf<T>(
  { sequelize }: Connection,
  kind: Kind<T>,
  where: string,
  bind: Readonly<Record<string, string>> = {},
): Promise<Row[]> {
  return sequelize.query<Row>(`SELECT * FROM "${kind.name}" WHERE ${where}`, {
    type: QueryTypes.SELECT,
    bind,
  });
}

/** The rows of a kind that were not removed; narrowed by more SQL of ours, where it is given. */
export const liveRowsOf = <T>(
  database: Connection,
  kind: Kind<T>,
  where = '1',
  bind: Readonly<Record<string, string>> = {},
): Promise<Row[]> => rowsOf(database, kind, `"deletedAt" IS NULL AND ${where}`, bind);

/** Values in one question; more, and every row is read. */
const MOST_NAMED = 100;

/** The live rows of a kind whose column, of ours, holds one of some values. */
export async function liveRowsNamed<T>(
  database: Connection,
  kind: Kind<T>,
  column: string,
  values: readonly string[],
): Promise<Row[]> {
  if (values.length === 0) return [];
  if (values.length > MOST_NAMED) {
    const wanted = new Set<unknown>(values);
    return (await liveRowsOf(database, kind)).filter((row) => wanted.has(row[column]));
  }
  const places = values.map((_, i) => `$value${i}`).join();
  return liveRowsOf(
    database,
    kind,
    `"${column}" IN (${places})`,
    Object.fromEntries(values.map((value, i) => [`value${i}`, value])),
  );
}

/** The ids of everything of a kind that is there. */
export async function idsOf<T>({ sequelize }: Connection, kind: Kind<T>): Promise<readonly string[]> {
  const found = await sequelize.query<{ id: string }>(
    `SELECT id FROM "${kind.name}" WHERE "deletedAt" IS NULL ORDER BY id`,
    { type: QueryTypes.SELECT },
  );
  return found.map(({ id }) => id);
}
