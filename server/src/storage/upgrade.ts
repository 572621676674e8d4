import { copyFile, mkdtemp, rename, rm } from 'node:fs/promises';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { CannotOpen } from './cannot-open.js';
import type { Migration } from './migrations.js';
import { breakSeal } from './seal.js';
import { snapshot } from './snapshot.js';
import { faultOf } from './soundness.js';
import { openSqliteFile, withSqliteFile, type SqliteFile } from './sqlite-file.js';
import { syncFile, syncFolder } from './synced.js';

/** Folders that work on a copy goes on in; one found at a start was left by a program that was killed. */
export const UPGRADING = 'upgrading-';

/** Tables of the very first step: a database with tables but none of these is no workshop. */
const FIRST_TABLES = [
  'tools',
  'guides',
  'abrasives',
  'plans',
  'sessions',
  'settings',
  'commands',
  'migrations',
];

/** Why the steps could not be taken, and where the copy made before them is. */
export class NotBroughtUp extends Error {
  constructor(
    override readonly cause: unknown,
    readonly backup: string | undefined,
  ) {
    super((cause as Error).message);
  }
}

interface Upgrade {
  readonly migrations: readonly Migration[];
  /** Where the database as it was is copied to first, if it holds anything. */
  readonly backupTo?: () => string;
}

/**
 * Makes a database, or brings an older one up to this release: all of it or nothing. The steps are
 * taken on a copy, which is checked and takes the database's place in one rename; killed or out of room
 * at any moment, the database is as it was, or as it is to be.
 * @returns the copy made of it as it was, if it was brought up
 * @throws CannotOpen for a newer release's database, another program's, or one that is in use
 */
export async function bringUp(
  file: string,
  { migrations, backupTo }: Upgrade,
): Promise<{ readonly backup?: string; readonly changed: boolean }> {
  // Only read at first: another connection would write the log into the file when it closes.
  const before = existsSync(file)
    ? await withSqliteFile(file, { readOnly: true }, (opened) => lookInto(opened, migrations))
    : undefined;
  if (before?.pending === 0) return { changed: false };
  let source: SqliteFile | undefined;
  let folder: string | undefined;
  let backup: string | undefined;
  try {
    folder = await mkdtemp(join(dirname(file), UPGRADING));
    const copy = join(folder, 'copy.sqlite');
    if (before) {
      source = await openAlone(file);
      const from = source;
      if (before.rows.size > 0 && backupTo && before.done > 0) {
        backup = backupTo();
        await snapshot((to) => from.run('VACUUM INTO ?', [to]), backup);
        await copyFile(backup, copy);
      } else if (before.rows.size > 0) {
        await from.run('VACUUM INTO ?', [copy]);
      }
    }
    const { takeSteps } = await import('./take-steps.js');
    await takeSteps(copy, migrations);
    await refuseLoss(copy, before?.rows ?? new Map<string, number>());
    await source?.close();
    if (existsSync(`${file}-wal`)) {
      throw new CannotOpen(`Another program holds ${file}: close it, then start this one again.`);
    }
    await putInPlaceOf(file, copy);
    return { changed: true, ...(backup !== undefined && { backup }) };
  } catch (reason) {
    await source?.close().catch(() => undefined);
    // Umzug wraps what a step threw.
    const cause = (reason as { cause?: unknown }).cause ?? reason;
    throw reason instanceof CannotOpen ? reason : new NotBroughtUp(cause, backup);
  } finally {
    if (folder) await rm(folder, { recursive: true, force: true }).catch(() => undefined);
  }
}

/** Puts a whole, closed database file in place of another that nothing has open. */
export async function putInPlaceOf(file: string, copy: string): Promise<void> {
  await syncFile(copy);
  await breakSeal(file);
  await rename(copy, file);
  await syncFolder(dirname(file));
}

interface Before {
  readonly pending: number;
  readonly done: number;
  /** Rows by table, of every table there is. */
  readonly rows: ReadonlyMap<string, number>;
}

/** Opens a file that is to be replaced: nobody else may have it open, and its log goes into it first. */
async function openAlone(file: string): Promise<SqliteFile> {
  await breakSeal(file);
  const opened = await openSqliteFile(file);
  try {
    await opened.run('PRAGMA locking_mode = EXCLUSIVE');
    await opened.run('BEGIN IMMEDIATE');
    await opened.run('COMMIT');
    await opened.run('PRAGMA wal_checkpoint(TRUNCATE)');
    return opened;
  } catch (reason) {
    await opened.close();
    if ((reason as { code?: unknown }).code !== 'SQLITE_BUSY') throw reason;
    throw new CannotOpen(
      'Another program, perhaps an older release of this one, has the workshop’s file open: close it, then start this one again.',
    );
  }
}

/** What steps a database has had, and what it holds. */
async function lookInto(source: SqliteFile, migrations: readonly Migration[]): Promise<Before> {
  const rows = await rowsByTable(source);
  if (rows.size > 0 && !FIRST_TABLES.some((table) => rows.has(table))) {
    throw new CannotOpen(
      'The file is a database of another program, not a workshop: move it away, or set DATA_DIR to another folder.',
    );
  }
  const done = rows.has('migrations')
    ? (await source.all<{ name: string }>('SELECT name FROM migrations')).map(({ name }) => name)
    : [];
  const known = new Set(migrations.map(({ name }) => name));
  const newer = done.find((name) => !known.has(name));
  if (newer !== undefined) {
    throw new CannotOpen(
      `This workshop was last opened by a newer release of Mellow Anvil (it has had “${newer}”). ` +
        'Start that release instead; nothing was changed.',
    );
  }
  return { pending: migrations.length - new Set(done).size, done: done.length, rows };
}

/** Every table that was there still has its rows, and SQLite finds the whole sound. */
async function refuseLoss(copy: string, before: ReadonlyMap<string, number>): Promise<void> {
  const fault = await faultOf(copy);
  if (fault !== undefined) throw new Error(`the copy brought up is not sound: ${fault}`);
  const after = await withSqliteFile(copy, {}, rowsByTable);
  for (const [table, count] of before) {
    if ((after.get(table) ?? 0) < count) throw new Error(`rows of “${table}” were lost on the way`);
  }
}

async function rowsByTable(opened: SqliteFile): Promise<Map<string, number>> {
  const tables = await opened.all<{ name: string }>(
    `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite!_%' ESCAPE '!'`,
  );
  const counted = new Map<string, number>();
  for (const { name } of tables) {
    const [found] = await opened.all<{ n: number }>(
      `SELECT count(*) AS n FROM "${name.replaceAll('"', '""')}"`,
    );
    counted.set(name, found?.n ?? 0);
  }
  return counted;
}
