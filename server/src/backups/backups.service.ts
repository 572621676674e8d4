import { copyFile, mkdir, readdir, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { Logger } from 'pino';
import { QueryTypes, Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { CannotOpen, DATABASE_FILE, openDatabase, type Database } from '../shared/database.js';
import { HttpProblem, notFound, storageTrouble } from '../shared/problem.js';
import { isAsWritten, removeSnapshot, snapshot } from '../shared/snapshot.js';
import { toRemove } from './rotation.js';

/** A copy of the database in `backups/`. */
export interface Backup {
  readonly name: string;
  readonly madeAt: string;
  readonly bytes: number;
  /** Made on the schedule or by hand, before a restore, or before a migration. */
  readonly because: 'regular' | 'before-restore' | 'before-migration';
}

export interface BackupList {
  readonly folder: string;
  readonly backups: readonly Backup[];
  /** Why the last one could not be made, in words. */
  readonly trouble?: string;
}

/** A regular backup is due when the newest is this old and something has changed since. */
export const BACKUP_EVERY_HOURS = 6;
const LOOK_EVERY_MS = 10 * 60_000;
const HOUR_MS = 3_600_000;

const NAME = /^(workshop|before-restore|before-migration)-(\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d-\d{3}Z)\.sqlite$/;
const BECAUSE = { workshop: 'regular' } as Readonly<Record<string, Backup['because']>>;

/** Keeps copies of the database while it is in use, and puts one back. */
export class BackupsService {
  private readonly folder: string;
  private trouble: string | undefined;

  constructor(
    private readonly database: Database,
    private readonly log: Logger,
    /** Told when the database holds something else than it did. */
    private readonly replaced: () => void,
    private readonly now: () => Date = () => new Date(),
  ) {
    this.folder = join(dirname(database.file), 'backups');
  }

  async list(): Promise<BackupList> {
    const names = await readdir(this.folder).catch(() => []);
    const backups = await Promise.all(
      names.flatMap((name) => {
        const found = NAME.exec(name);
        return found ? [this.described(name, found[1] as string, found[2] as string)] : [];
      }),
    );
    backups.sort((a, b) => b.madeAt.localeCompare(a.madeAt));
    return { folder: this.folder, backups, ...(this.trouble && { trouble: this.trouble }) };
  }

  /** Makes a backup now. @throws HttpProblem in words, when the disk is full or may not be written. */
  async make(): Promise<Backup> {
    return this.snapshot('workshop');
  }

  /**
   * Looks now and then whether a backup is due.
   * @returns what stops that, once a backup being made is finished
   */
  keepUp(): () => Promise<unknown> {
    let looking: Promise<unknown> = this.makeIfDue();
    const timer = setInterval(() => (looking = this.makeIfDue()), LOOK_EVERY_MS);
    timer.unref();
    return () => {
      clearInterval(timer);
      return looking;
    };
  }

  /** Makes a regular backup when the newest is old and something has changed; then lets old ones go. */
  async makeIfDue(): Promise<boolean> {
    try {
      const { backups } = await this.list();
      const newest = backups.find(({ because }) => because === 'regular');
      const age = newest ? this.now().getTime() - Date.parse(newest.madeAt) : Infinity;
      if (age < BACKUP_EVERY_HOURS * HOUR_MS) return false;
      if (newest && (await this.changedAt()) <= Date.parse(newest.madeAt)) return false;
      await this.snapshot('workshop');
      await this.rotate();
      return true;
    } catch (reason) {
      // Told in Settings as well: a backup nobody knows is missing is no backup.
      this.log.error(reason, 'backup failed');
      return false;
    }
  }

  /**
   * Puts a backup in place of everything stored, all or nothing, after checking that it is whole;
   * what was there before is backed up first.
   * @throws HttpProblem 404, or 422 when the copy is damaged or of a newer release
   */
  async restore(name: string): Promise<{ readonly before: string }> {
    if (!NAME.test(name)) throw notFound('This backup');
    const file = join(this.folder, name);
    const found = await stat(file).catch(() => undefined);
    if (!found?.isFile()) throw notFound('This backup');
    if (!(await isAsWritten(file))) {
      throw damaged('It is not, byte for byte, what was written.');
    }
    const bench = join(dirname(this.database.file), 'restoring');
    try {
      await rm(bench, { recursive: true, force: true });
      await mkdir(bench, { recursive: true });
      const copy = join(bench, DATABASE_FILE);
      await copyFile(file, copy);
      await refuseUnsound(copy);
      await (await this.broughtUpToDate(bench)).close();
      const before = await this.snapshot('before-restore');
      await this.database.exclusive(() => putInPlace(this.database.file, copy));
      this.replaced();
      return { before: before.name };
    } finally {
      await rm(bench, { recursive: true, force: true }).catch(() => undefined);
    }
  }

  private async broughtUpToDate(folder: string): Promise<Database> {
    try {
      return await openDatabase(folder);
    } catch (reason) {
      if (reason instanceof CannotOpen) throw damaged(reason.message);
      throw reason;
    }
  }

  private async snapshot(prefix: string): Promise<Backup> {
    const stamp = this.now().toISOString().replace(/[:.]/g, '-');
    const name = `${prefix}-${stamp}.sqlite`;
    try {
      await mkdir(this.folder, { recursive: true });
      await snapshot(this.database.sequelize, join(this.folder, name));
      this.trouble = undefined;
    } catch (reason) {
      const known = storageTrouble(reason);
      const at = this.now().toISOString().slice(0, 16).replace('T', ' ');
      this.trouble = `The backup of ${at} UTC was not made. ${known?.[2] ?? (reason as Error).message}`;
      throw known ? new HttpProblem(...known) : reason;
    }
    return this.described(name, prefix, stamp);
  }

  private async rotate(): Promise<void> {
    const { backups } = await this.list();
    const regular = backups.filter(({ because }) => because === 'regular');
    const gone = new Set(
      toRemove(regular.map(({ madeAt }) => new Date(madeAt))).map((date) => date.toISOString()),
    );
    for (const { name, madeAt } of regular) {
      if (gone.has(madeAt)) await removeSnapshot(join(this.folder, name));
    }
  }

  private async described(name: string, prefix: string, stamp: string): Promise<Backup> {
    const { size } = await stat(join(this.folder, name));
    const [day, time] = stamp.split('T') as [string, string];
    const [hours, minutes, seconds, rest] = time.split('-');
    return {
      name,
      madeAt: `${day}T${hours}:${minutes}:${seconds}.${rest}`,
      bytes: size,
      because: BECAUSE[prefix] ?? (prefix as Backup['because']),
    };
  }

  private async changedAt(): Promise<number> {
    const times = await Promise.all(
      [this.database.file, `${this.database.file}-wal`].map((file) =>
        stat(file).then(
          ({ mtimeMs }) => mtimeMs,
          () => 0,
        ),
      ),
    );
    return Math.max(...times);
  }
}

/** @throws HttpProblem when SQLite's own check finds the file unsound */
async function refuseUnsound(file: string): Promise<void> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  try {
    const [found] = await sequelize.query<{ integrity_check: string }>('PRAGMA integrity_check', {
      type: QueryTypes.SELECT,
    });
    if (found?.integrity_check !== 'ok') throw damaged(found?.integrity_check ?? 'It cannot be read.');
    const loose = await sequelize.query('PRAGMA foreign_key_check', { type: QueryTypes.SELECT });
    if (loose.length > 0) throw damaged('Entries in it point at nothing.');
  } catch (reason) {
    if (reason instanceof HttpProblem) throw reason;
    throw damaged((reason as Error).message);
  } finally {
    await sequelize.close();
  }
}

/**
 * Replaces every row of the live database by the copy's in one transaction, over a connection of
 * its own, so that a fault at any moment leaves the live data as it was.
 */
async function putInPlace(live: string, copy: string): Promise<void> {
  const connection = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opened: sqlite3.Database = new sqlite3.Database(live, (reason) =>
      reason ? reject(reason) : resolve(opened),
    );
  });
  const run = (sql: string, values: readonly string[] = []): Promise<void> =>
    new Promise((resolve, reject) => {
      connection.run(sql, values, (reason: Error | null) => (reason ? reject(reason) : resolve()));
    });
  const names = (sql: string): Promise<string[]> =>
    new Promise((resolve, reject) => {
      connection.all(sql, (reason: Error | null, rows: { name: string }[]) =>
        reason ? reject(reason) : resolve(rows.map(({ name }) => name)),
      );
    });
  try {
    await run('ATTACH DATABASE ? AS kept', [copy]);
    const tables = await names(
      `SELECT name FROM kept.sqlite_master WHERE type = 'table' AND (name NOT LIKE 'sqlite!_%' ESCAPE '!' OR name = 'sqlite_sequence')`,
    );
    await run('BEGIN IMMEDIATE');
    try {
      for (const table of tables) {
        // Columns by name: a database that was migrated lays them out in another order than a new one.
        const columns = (await names(`SELECT name FROM pragma_table_info('${table}', 'kept')`))
          .map((column) => `"${column}"`)
          .join(', ');
        await run(`DELETE FROM main."${table}"`);
        await run(`INSERT INTO main."${table}" (${columns}) SELECT ${columns} FROM kept."${table}"`);
      }
      await run('COMMIT');
    } catch (reason) {
      await run('ROLLBACK');
      throw reason;
    }
  } finally {
    await new Promise((resolve) => connection.close(resolve));
  }
}

const damaged = (why: string): HttpProblem =>
  new HttpProblem(
    422,
    'Not restored',
    `This backup is damaged or cannot be used here, so nothing was changed. ${why} Choose another.`,
  );
