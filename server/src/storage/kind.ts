import { listSchema, type ListQuery, type ObjectSchema, type Schema } from '@mellow-anvil/contract';
import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';

export type KindName =
  | 'settings'
  | 'tools'
  | 'guides'
  | 'boards'
  | 'abrasives'
  | 'cares'
  | 'plans'
  | 'sessions';

/** One row of a kind's table: the columns every kind has, and its own. */
export interface Row {
  readonly id: string;
  readonly version: number;
  readonly createdAt: string;
  readonly updatedAt: string;
  /** Set while the thing is removed; undo clears it. */
  readonly deletedAt: string | null;
  readonly [column: string]: unknown;
}

/** A column that holds the id of another kind's row, which has to be there. */
export interface Reference {
  readonly column: string;
  readonly to: KindName;
}

type ColumnType = 'text' | 'real' | 'json';

/** The keys of every member of a union. */
type KeyOf<T> = T extends unknown ? keyof T : never;

interface KindOptions<T> {
  readonly name: KindName;
  /** One of them, as the page says it: “tool”. */
  readonly one: string;
  readonly schema: ObjectSchema<T>;
  readonly columns: Readonly<Record<KeyOf<T>, ColumnType>>;
  /** Columns worked out from the thing on every write, to sort and filter by. */
  readonly derived?: Readonly<Record<string, { of(thing: T): string | number }['of']>>;
  /** Fields a list can be ordered by. */
  readonly sorts: readonly string[];
  readonly searches: readonly string[];
  readonly filters?: Readonly<Record<string, Schema>>;
  /** The table in which SQLite keeps how many there are, in a column `live`; others are counted when asked. */
  readonly countedIn?: string;
  /** Columns that name a row of another kind; this one is removed with it. */
  readonly references?: readonly Reference[];
}

/** A kind of stored thing: how it is checked, laid out in its table, listed and related. */
export interface Kind<T = unknown> extends KindOptions<T> {
  readonly list: ObjectSchema<ListQuery>;
  model(sequelize: Sequelize): ModelStatic<Model>;
  toColumns(thing: T): Readonly<Record<string, unknown>>;
  fromRow(row: Row): T;
  /** The filters a query gives, by column. */
  where(query: ListQuery): Readonly<Record<string, unknown>>;
}

/** A kind, whatever it is of. */
export type AnyKind = Kind<object>;

const ENVELOPE: ModelAttributes = {
  id: { type: DataTypes.TEXT, primaryKey: true },
  version: { type: DataTypes.INTEGER, allowNull: false },
  createdAt: { type: DataTypes.TEXT, allowNull: false },
  updatedAt: { type: DataTypes.TEXT, allowNull: false },
  deletedAt: { type: DataTypes.TEXT, allowNull: true },
};

/** Declares a kind. */
export function defineKind<T extends object>(options: KindOptions<T>): Kind<T> {
  const columns = Object.entries<ColumnType>(options.columns);
  const filters = options.filters ?? {};
  return {
    ...options,
    list: listSchema(options.sorts, filters),
    model: (sequelize) => {
      const existing = sequelize.models[options.name];
      if (existing) return existing;
      const derived = Object.keys(options.derived ?? {}).map((name) => [name, { type: DataTypes.DOUBLE }]);
      const own = columns.map(([name, type]) => [
        name,
        { type: type === 'real' ? DataTypes.DOUBLE : DataTypes.TEXT },
      ]);
      return sequelize.define(
        options.name,
        { ...ENVELOPE, ...(Object.fromEntries([...own, ...derived]) as ModelAttributes) },
        { tableName: options.name, timestamps: false },
      );
    },
    toColumns: (thing) =>
      Object.fromEntries([
        ...columns.map(([name, type]) => {
          const value = (thing as Readonly<Record<string, unknown>>)[name];
          return [name, value === undefined ? null : type === 'json' ? JSON.stringify(value) : value];
        }),
        ...Object.entries(options.derived ?? {}).map(([name, from]) => [name, from(thing)]),
      ]) as Record<string, unknown>,
    fromRow: (row) =>
      Object.fromEntries(
        columns
          .filter(([name]) => row[name] !== null && row[name] !== undefined)
          .map(([name, type]) => [name, type === 'json' ? JSON.parse(row[name] as string) : row[name]]),
      ) as T,
    where: (query) =>
      Object.fromEntries(
        Object.keys(filters).flatMap((f) => (query[f] === undefined ? [] : [[f, query[f]]])),
      ),
  };
}
