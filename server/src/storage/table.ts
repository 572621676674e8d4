import type { Stored } from '@mellow-anvil/contract';

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

type ColumnType = 'text' | 'real' | 'json';

/** The keys of every member of a union. */
type KeyOf<T> = T extends unknown ? keyof T : never;

interface TableOptions<T> {
  readonly name: KindName;
  readonly columns: Readonly<Record<KeyOf<T>, ColumnType>>;
  /** Columns worked out from the thing on every write, to sort and filter by. */
  readonly derived?: Readonly<Record<string, { of(thing: T): string | number }['of']>>;
}

/** How a kind lies in its table: enough to read and write its rows, without what it is checked by. */
export interface Table<T = unknown> extends TableOptions<T> {
  toColumns(thing: T): Readonly<Record<string, unknown>>;
  fromRow(row: Row): T;
}

/** Declares a table. */
export function defineTable<T extends object>(options: TableOptions<T>): Table<T> {
  const columns = Object.entries<ColumnType>(options.columns);
  return {
    ...options,
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
  };
}

/** A row as the server answers it. */
export function toStored<T>(table: Table<T>, row: Row): Stored<T> {
  const { id, version, createdAt, updatedAt } = row;
  return { id, ...table.fromRow(row), version, createdAt, updatedAt } as unknown as Stored<T>;
}
