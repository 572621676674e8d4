import { randomUUID } from 'node:crypto';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Change, ListQuery, Page, Stored } from '@mellow-anvil/contract';
import type { Commands, RowChange } from './commands.js';
import type { Database } from './database.js';
import { KeptAnswers } from './kept-answers.js';
import type { Kind } from './kind.js';
import { toStored, type Row } from './table.js';
import { HttpProblem, notFound } from '../platform/problem.js';

/** What can be done with one kind of stored thing. */
export interface Store<T> {
  list(query: ListQuery): Promise<Page<Stored<T>>>;
  /** Every one there is, in the order of a column; `-name` turns it round. */
  all(sort: string): Promise<readonly Stored<T>[]>;
  /** The same page as JSON text. */
  listText(query: ListQuery): Promise<string>;
  read(id: string): Promise<Stored<T>>;
  create(thing: T): Promise<Stored<T>>;
  change(id: string, change: Change<T>): Promise<Stored<T>>;
  remove(id: string, version: number): Promise<void>;
}

/** Where the rows of one kind are read and written; every write is an undoable command. */
export function storeOf<T extends object>(kind: Kind<T>, database: Database, commands: Commands): Store<T> {
  const model = kind.model(database.sequelize);
  const nameOf = (thing: T): string => {
    const { name } = thing as { readonly name?: string };
    return name === undefined ? kind.one : `${kind.one} “${name}”`;
  };

  const liveRow = async (id: string, transaction?: Transaction): Promise<Row> => {
    const row = (await model.findOne({
      where: { id, deletedAt: null },
      raw: true,
      ...(transaction && { transaction }),
    })) as Row | null;
    if (!row) throw notFound(`This ${kind.one}`);
    return row;
  };

  const liveRowAt = async (id: string, version: number, transaction: Transaction): Promise<Row> => {
    const row = await liveRow(id, transaction);
    if (row.version !== version) {
      throw new HttpProblem(
        409,
        'Changed meanwhile',
        `This ${kind.one} was changed elsewhere since you opened it (version ${row.version}, yours was ${version}). Load it again, then change it.`,
      );
    }
    return row;
  };

  const lists = new KeptAnswers(() => database.edition);
  const listText = async (query: ListQuery): Promise<string> => {
    await database.ready();
    return lists.to(JSON.stringify(query), () => readList(query));
  };

  const readList = async (query: ListQuery): Promise<string> => {
    const { page, pageSize } = query;
    const { from, order, bind } = listSql(kind, query);
    const select = <R extends object>(sql: string): Promise<R[]> =>
      database.sequelize.query<R>(`SELECT ${sql}`, { type: QueryTypes.SELECT, bind });
    const every = Object.keys(bind).length === 0;
    const [rows, [counted]] = await Promise.all([
      select<{ item: string }>(
        `${itemSql(kind)} AS item FROM ${from} ORDER BY ${order} LIMIT ${pageSize} OFFSET ${(page - 1) * pageSize}`,
      ),
      select<{ n: number }>(
        every && kind.countedIn ? `live AS n FROM "${kind.countedIn}"` : `count(*) AS n FROM ${from}`,
      ),
    ]);
    const items = rows.map(({ item }) => item).join(',');
    return `{"items":[${items}],"page":${page},"pageSize":${pageSize},"total":${counted?.n ?? 0}}`;
  };

  const after = (changes: readonly RowChange[]): Stored<T> => toStored(kind, (changes[0] as RowChange).after);

  return {
    list: async (query) => JSON.parse(await listText(query)) as Page<Stored<T>>,

    all: async (sort) => {
      const { from, order } = listSql(kind, { sort, page: 1, pageSize: 1 });
      const rows = await database.sequelize.query<Row>(`SELECT * FROM ${from} ORDER BY ${order}`, {
        type: QueryTypes.SELECT,
      });
      return rows.map((row) => toStored(kind, row));
    },

    listText,

    read: async (id) => toStored(kind, await liveRow(id)),

    create: async (thing) =>
      after(
        await commands.perform(`Add ${nameOf(thing)}`, async () => [
          { kind: kind.name, before: null, after: newRow(kind, thing, randomUUID()) },
        ]),
      ),

    change: async (id, { version, ...rest }) => {
      const thing = rest as unknown as T;
      return after(
        await commands.perform(`Change ${nameOf(thing)}`, async (transaction) => {
          const before = await liveRowAt(id, version, transaction);
          return [{ kind: kind.name, before, after: changedRow(kind, before, thing) }];
        }),
      );
    },

    remove: async (id, version) => {
      const thing = kind.fromRow(await liveRow(id));
      await commands.perform(`Remove ${nameOf(thing)}`, async (transaction) => {
        const before = await liveRowAt(id, version, transaction);
        const dependents = await dependentsOf(kind, id, commands, transaction);
        return [{ kind: kind.name, before }, ...dependents].map((gone) => ({
          ...gone,
          after: removedRow(gone.before),
        }));
      });
    },
  };
}

/** A thing's first row. */
export function newRow<T>(kind: Kind<T>, thing: T, id: string): Row {
  const now = new Date().toISOString();
  return { id, version: 1, createdAt: now, updatedAt: now, deletedAt: null, ...kind.toColumns(thing) };
}

/** The next version of a row, holding another thing. */
export function changedRow<T>(kind: Kind<T>, before: Row, thing: T): Row {
  const updatedAt = new Date().toISOString();
  return { ...before, ...kind.toColumns(thing), updatedAt, version: before.version + 1, deletedAt: null };
}

/** The next version of a row, softly removed. */
export function removedRow(before: Row): Row {
  const now = new Date().toISOString();
  return { ...before, updatedAt: now, deletedAt: now, version: before.version + 1 };
}

/**
 * {@link toStored} as JSON text, put together by SQLite: a list of hundreds goes out as it lies in
 * the table, without becoming objects on the way.
 */
function itemSql<T>(kind: Kind<T>): string {
  const written = {
    text: (column: string) => `json_quote(${column})`,
    json: (column: string) => column,
    // SQLite writes 15 digits; where those are not the very number, 17 are.
    real: (column: string) =>
      `CASE WHEN CAST(json_quote(${column}) AS REAL) = ${column} THEN json_quote(${column}) ELSE printf('%!.17g', ${column}) END`,
  };
  const own = Object.entries<keyof typeof written>(kind.columns).map(([name, type]) => {
    const column = `"${name}"`;
    return `CASE WHEN ${column} IS NULL THEN '' ELSE ',"${name}":' || ${written[type](column)} END`;
  });
  const kept = ['version', 'createdAt', 'updatedAt'].map((name) => `',"${name}":' || json_quote("${name}")`);
  return [`'{"id":' || json_quote(id)`, ...own, ...kept, `'}'`].join(' || ');
}

async function dependentsOf<T>(
  kind: Kind<T>,
  id: string,
  { database, kinds }: Commands,
  transaction: Transaction,
): Promise<{ kind: Kind['name']; before: Row }[]> {
  const found = await Promise.all(
    kinds.dependentsOn(kind.name).map(async ({ kind: dependent, column }) => {
      const rows = await dependent.model(database.sequelize).findAll({
        where: { [column]: id, deletedAt: null },
        raw: true,
        transaction,
      });
      return (rows as unknown as Row[]).map((before) => ({ kind: dependent.name, before }));
    }),
  );
  return found.flat();
}

/**
 * A list's rows and their order in SQL. Names of columns come from the kind's own declaration,
 * against which the query was checked; what people typed is bound.
 */
function listSql<T>(
  kind: Kind<T>,
  { q, sort, ...query }: ListQuery,
): { from: string; order: string; bind: Record<string, unknown> } {
  const filters = Object.entries(kind.where({ sort, ...query }));
  const conditions = [
    '"deletedAt" IS NULL',
    ...filters.map(([column], i) => `"${column}" = $filter${i}`),
    // LIKE's own wildcards are plain characters to the person searching; instr has none.
    ...(q ? [`(${kind.searches.map((column) => `instr(lower("${column}"), $q) > 0`).join(' OR ')})`] : []),
  ].join(' AND ');
  const field = sort.replace(/^-/, '');
  const way = sort.startsWith('-') ? 'DESC' : 'ASC';
  return {
    from: `"${kind.name}" WHERE ${conditions}`,
    order: `${field === 'name' ? 'lower("name")' : `"${field}"`} ${way}, id ${way}`,
    bind: {
      ...Object.fromEntries(filters.map(([, value], i) => [`filter${i}`, value])),
      ...(q && { q: q.toLowerCase() }),
    },
  };
}
