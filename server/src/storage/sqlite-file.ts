import sqlite3 from 'sqlite3';

/** SQL handed straight to the driver, its `?` bound in order. */
export interface Statements {
  run(sql: string, values?: readonly unknown[]): Promise<void>;
  all<R>(sql: string, values?: readonly unknown[]): Promise<R[]>;
}

/** A database file opened on its own, beside Sequelize: for copies, checks and locks. */
export interface SqliteFile extends Statements {
  close(): Promise<void>;
}

interface SqliteFileOptions {
  /** Only read it, and fail where there is none. */
  readonly readOnly?: boolean;
  /** Write to it, but fail where there is none. */
  readonly existing?: boolean;
  /** How long another's lock is waited for, ms. */
  readonly patienceMs?: number;
}

/**
 * Opens a file as SQLite, making it unless it is only to be read.
 * @throws the driver's error, with SQLite's code
 */
export async function openSqliteFile(
  file: string,
  { readOnly = false, existing = false, patienceMs = 1000 }: SqliteFileOptions = {},
): Promise<SqliteFile> {
  const mode = readOnly
    ? sqlite3.OPEN_READONLY
    : sqlite3.OPEN_READWRITE | (existing ? 0 : sqlite3.OPEN_CREATE);
  const connection = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opened: sqlite3.Database = new sqlite3.Database(file, mode, (reason) =>
      reason ? reject(reason) : resolve(opened),
    );
  });
  connection.configure('busyTimeout', patienceMs);
  return {
    ...statementsOn(connection),
    close: () =>
      new Promise((resolve, reject) => {
        connection.close((reason) => (reason ? reject(reason) : resolve()));
      }),
  };
}

export function statementsOn(connection: sqlite3.Database): Statements {
  return {
    run: (sql, values = []) =>
      new Promise((resolve, reject) => {
        connection.run(sql, values, (reason: Error | null) => (reason ? reject(reason) : resolve()));
      }),
    all: <R>(sql: string, values: readonly unknown[] = []) =>
      new Promise<R[]>((resolve, reject) => {
        connection.all(sql, values, (reason: Error | null, rows: R[]) =>
          reason ? reject(reason) : resolve(rows),
        );
      }),
  };
}

/** Opens a file, does one thing with it, and closes it whatever came of that. */
export async function withSqliteFile<T>(
  file: string,
  options: SqliteFileOptions,
  work: (opened: SqliteFile) => Promise<T>,
): Promise<T> {
  const opened = await openSqliteFile(file, options);
  try {
    return await work(opened);
  } finally {
    await opened.close();
  }
}
