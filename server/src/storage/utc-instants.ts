import { QueryTypes, type Sequelize } from 'sequelize';
import { readInstant } from '@mellow-anvil/core/base';

/** Where the database keeps instants that people give: columns, and fields within JSON. */
const COLUMNS = [
  ['sessions', 'startedAt'],
  ['cares', 'at'],
  ['abrasives', 'learnFrom'],
  ['runs', 'startedAt'],
] as const;
const FIELDS = [
  ['tools', 'overruling', 'at'],
  ['runEvents', 'event', 'at'],
] as const;

const D = '[0-9]';
const TODAYS_FORM = `${D}${D}${D}${D}-${D}${D}-${D}${D}T${D}${D}:${D}${D}:${D}${D}.${D}${D}${D}Z`;

/**
 * Puts every instant that an older release kept in another form, or in another zone, into today's. One
 * that never named an instant becomes the moment its row was made.
 */
export async function instantsAsUtc(sequelize: Sequelize): Promise<void> {
  const other = <R extends object>(table: string, what: string, value: string): Promise<R[]> =>
    sequelize.query<R>(
      `SELECT id, ${what} AS old FROM "${table}" WHERE ${value} IS NOT NULL AND ${value} NOT GLOB '${TODAYS_FORM}'`,
      { type: QueryTypes.SELECT },
    );
  const put = (table: string, column: string, id: string, now: string): Promise<unknown> =>
    sequelize.query(`UPDATE "${table}" SET "${column}" = $now WHERE id = $id`, { bind: { now, id } });

  for (const [table, column] of COLUMNS) {
    for (const { id, old } of await other<{ id: string; old: string }>(table, `"${column}"`, `"${column}"`)) {
      await put(table, column, id, readInstant(old) ?? (await madeAt(sequelize, table, id)));
    }
  }
  for (const [table, column, field] of FIELDS) {
    const value = `json_extract("${column}", '$.${field}')`;
    for (const { id, old } of await other<{ id: string; old: string }>(table, `"${column}"`, value)) {
      const thing = JSON.parse(old) as Record<string, string>;
      const at = readInstant(thing[field] as string) ?? (await madeAt(sequelize, table, id));
      await put(table, column, id, JSON.stringify({ ...thing, [field]: at }));
    }
  }
  await instantsOfCommands(sequelize);
}

/** The same in the rows that undo and redo would put back. */
async function instantsOfCommands(sequelize: Sequelize): Promise<void> {
  const ids = await sequelize.query<{ id: number }>('SELECT id FROM commands', { type: QueryTypes.SELECT });
  for (const { id } of ids) {
    // One at a time: a command may hold a whole workshop, twice.
    const [command] = await sequelize.query<{ changes: string }>(
      'SELECT changes FROM commands WHERE id = $id',
      { type: QueryTypes.SELECT, bind: { id } },
    );
    const before = command?.changes ?? '[]';
    const changes = (JSON.parse(before) as { kind: string; before: KeptRow | null; after: KeptRow }[]).map(
      (change) => ({
        ...change,
        before: change.before && rowAsUtc(change.kind, change.before),
        after: rowAsUtc(change.kind, change.after),
      }),
    );
    const now = JSON.stringify(changes);
    if (now === before) continue;
    await sequelize.query('UPDATE commands SET changes = $now WHERE id = $id', { bind: { now, id } });
  }
}

type KeptRow = Readonly<Record<string, unknown>>;

function rowAsUtc(kind: string, row: KeptRow): KeptRow {
  const now = COLUMNS.flatMap(([table, column]) => {
    const old = row[column];
    return table === kind && typeof old === 'string' ? [[column, readInstant(old) ?? row['createdAt']]] : [];
  });
  const overruling =
    kind === 'tools' && typeof row['overruling'] === 'string' ? row['overruling'] : undefined;
  const overruled = overruling && (JSON.parse(overruling) as { at: string });
  const at = overruled && readInstant(overruled.at);
  return {
    ...row,
    ...(Object.fromEntries(now) as KeptRow),
    ...(at && { overruling: JSON.stringify({ ...overruled, at }) }),
  };
}

async function madeAt(sequelize: Sequelize, table: string, id: string): Promise<string> {
  const [row] = await sequelize.query<{ createdAt?: string }>(`SELECT * FROM "${table}" WHERE id = $id`, {
    type: QueryTypes.SELECT,
    bind: { id },
  });
  return readInstant(row?.createdAt ?? '') ?? new Date(0).toISOString();
}
