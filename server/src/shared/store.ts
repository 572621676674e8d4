import { randomUUID } from 'node:crypto';
import { Op, col, fn, where, type Model, type ModelStatic, type Transaction } from 'sequelize';
import type { Change, ListQuery, Page, Stored } from '@mellow-anvil/contract';
import type { Commands, RowChange } from '../undo/commands.js';
import type { Database } from './database.js';
import type { Kind, Row } from './kind.js';
import { kindNamed } from './kinds.js';
import { HttpProblem, notFound } from './problem.js';

/** What can be done with one kind of stored thing. */
export interface Store<T> {
  list(query: ListQuery): Promise<Page<Stored<T>>>;
  read(id: string): Promise<Stored<T>>;
  create(thing: T): Promise<Stored<T>>;
  change(id: string, change: Change<T>): Promise<Stored<T>>;
  remove(id: string, version: number): Promise<void>;
}

/** Where the rows of one kind are read and written; every write is an undoable command. */
export function storeOf<T extends object>(kind: Kind<T>, database: Database, commands: Commands): Store<T> {
  const model = kind.model(database.sequelize);
  const nameOf = (thing: T): string => `${kind.one} “${(thing as { name?: string }).name ?? kind.one}”`;

  const liveRow = async (id: string, transaction?: Transaction): Promise<Row> => {
    const row = (await model.findOne({
      where: { id, deletedAt: null },
      raw: true,
      transaction,
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

  const after = (changes: readonly RowChange[]): Stored<T> => toStored(kind, (changes[0] as RowChange).after);

  return {
    async list(query) {
      const { page, pageSize } = query;
      const conditions = {
        [Op.and]: [{ deletedAt: null }, kind.where(query), ...searchFor(kind, query.q)],
      };
      const [rows, total] = await Promise.all([
        model.findAll({
          where: conditions,
          order: orderBy(query.sort),
          limit: pageSize,
          offset: (page - 1) * pageSize,
          raw: true,
        }) as unknown as Promise<Row[]>,
        model.count({ where: conditions }),
      ]);
      return { items: rows.map((row) => toStored(kind, row)), page, pageSize, total };
    },

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
        const dependents = await dependentsOf(kind, id, database, transaction);
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

function toStored<T>(kind: Kind<T>, row: Row): Stored<T> {
  const { id, version, createdAt, updatedAt } = row;
  return { id, ...kind.fromRow(row), version, createdAt, updatedAt } as unknown as Stored<T>;
}

async function dependentsOf<T>(
  kind: Kind<T>,
  id: string,
  database: Database,
  transaction: Transaction,
): Promise<{ kind: Kind['name']; before: Row }[]> {
  const found = await Promise.all(
    (kind.dependents ?? []).map(async (dependent) => {
      const model: ModelStatic<Model> = kindNamed(dependent.kind).model(database.sequelize);
      const rows = await model.findAll({
        where: { [dependent.column]: id, deletedAt: null },
        raw: true,
        transaction,
      });
      return (rows as unknown as Row[]).map((before) => ({ kind: dependent.kind, before }));
    }),
  );
  return found.flat();
}

function searchFor<T>(kind: Kind<T>, text: string | undefined): object[] {
  if (!text) return [];
  // LIKE's own wildcards are plain characters to the person searching; instr has none.
  return [
    {
      [Op.or]: kind.searches.map((column) =>
        where(fn('instr', fn('lower', col(column)), text.toLowerCase()), Op.gt, 0),
      ),
    },
  ];
}

function orderBy(sort: string): [ReturnType<typeof fn> | string, 'ASC' | 'DESC'][] {
  const field = sort.replace(/^-/, '');
  const direction = sort.startsWith('-') ? 'DESC' : 'ASC';
  return [
    [field === 'name' ? fn('lower', col('name')) : field, direction],
    ['id', 'ASC'],
  ];
}
