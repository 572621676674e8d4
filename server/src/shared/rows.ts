import { QueryTypes } from 'sequelize';
import type { Connection } from '../storage/database.js';
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
