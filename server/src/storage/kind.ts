import { listSchema, type ListQuery, type ObjectSchema, type Schema } from '@mellow-anvil/contract';
import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';
import type { KindName, Table } from './table.js';

/** A column that holds the id of another kind's row, which has to be there. */
export interface Reference {
  readonly column: string;
  readonly to: KindName;
}

interface KindOptions<T> extends Table<T> {
  /** One of them, as the page says it: “tool”. */
  readonly one: string;
  readonly schema: ObjectSchema<T>;
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
  const filters = options.filters ?? {};
  return {
    ...options,
    list: listSchema(options.sorts, filters),
    model: (sequelize) => {
      const existing = sequelize.models[options.name];
      if (existing) return existing;
      const derived = Object.keys(options.derived ?? {}).map((name) => [name, { type: DataTypes.DOUBLE }]);
      const own = Object.entries<string>(options.columns).map(([name, type]) => [
        name,
        { type: type === 'real' ? DataTypes.DOUBLE : DataTypes.TEXT },
      ]);
      return sequelize.define(
        options.name,
        { ...ENVELOPE, ...(Object.fromEntries([...own, ...derived]) as ModelAttributes) },
        { tableName: options.name, timestamps: false },
      );
    },
    where: (query) =>
      Object.fromEntries(
        Object.keys(filters).flatMap((f) => (query[f] === undefined ? [] : [[f, query[f]]])),
      ),
  };
}
