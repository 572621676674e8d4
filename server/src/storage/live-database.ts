import { copyFile, mkdir, rename, rm } from 'node:fs/promises';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Mutex } from 'async-mutex';
import { QueryTypes, Sequelize, Transaction } from 'sequelize';
import { CannotOpen } from './cannot-open.js';
import { guardConnections, type Connections } from './connections.js';
import { DATABASE_FILE, stampOf, type Database } from './database.js';
import { WorkshopDamaged } from '../platform/problem.js';
import { findDatabase, sizeOf, type Damage, type Finding } from './finding.js';
import type { Migration } from './migrations.js';
import type { Owner } from './owner.js';
import { putRowsInPlace } from './put-rows.js';
import {
  breakSeal,
  forgetSeal,
  openTally,
  readSeal,
  readTally,
  sealFile,
  sha256Of,
  type Tally,
} from './seal.js';
import { UnsoundCopy, snapshot } from './snapshot.js';
import { faultIn } from './soundness.js';
import { withSqliteFile, type Statements } from './sqlite-file.js';
import { bringUp, putInPlaceOf } from './upgrade.js';

/** The log is written into the database file once it is this long, or an eighth of the file. */
const LOG_BYTES = 4 * 1024 * 1024;

/** How long such a work waits for a page's question that is under way, ms. */
const PATIENCE_MS = 10_000;

/** Files beside the database that belong to it. */
const BESIDE = ['-wal', '-shm', '-journal', '-seal', '-tally'];

/** A workshop's database while its program runs: found, begun, written to, copied, replaced, let go. */
export class WorkshopDatabase implements Database {
  readonly sequelize: Sequelize;
  readonly schema: string;
  readonly told: string[] = [];
  backup: string | undefined;
  damage: Damage | undefined;
  edition = 0;

  private readonly writing = new Mutex();
  private readonly connections: Connections;
  /** Questions wait here while another file is put in place. */
  private gate: Promise<void> = Promise.resolve();
  private tally: Tally | undefined;
  /** Writes acknowledged, as the database itself counts them. */
  private writes = 0;
  private settling = false;

  constructor(
    readonly folder: string,
    readonly file: string,
    private readonly backups: string,
    private readonly owner: Owner,
    private readonly migrations: readonly Migration[],
    private readonly now: () => Date,
  ) {
    this.schema = migrations.at(-1)?.name ?? '';
    this.sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
    this.connections = guardConnections(this.sequelize, () => this.ready());
  }

  async ready(): Promise<void> {
    await this.gate;
    if (this.damage) throw new WorkshopDamaged(this.damage);
  }

  async open(): Promise<void> {
    const found = await findDatabase(this.file, this.backups);
    if (found.is === 'damaged') this.damage = found.damage;
    else await this.start(found);
  }

  async write<T>(work: (transaction: Transaction, statements: Statements) => Promise<T>): Promise<T> {
    const result = await this.writing.runExclusive(async () => {
      await this.refuseGone();
      const writes = this.writes + 1;
      const stored = await this.sequelize.transaction(
        { type: Transaction.TYPES.IMMEDIATE },
        async (transaction) => {
          const statements = this.connections.statementsIn(transaction);
          const done = await work(transaction, statements);
          await statements.run(`PRAGMA user_version = ${writes}`);
          return done;
        },
      );
      this.count(writes);
      return stored;
    });
    this.settleWhenLong();
    return result;
  }

  async writeElsewhere<T>(work: (writes: number) => Promise<T>): Promise<T> {
    const result = await this.writing.runExclusive(async () => {
      await this.ready();
      await this.refuseGone();
      const done = await work(this.writes);
      this.count(this.writes + 1);
      return done;
    });
    this.settleWhenLong();
    return result;
  }

  copyTo(file: string): Promise<void> {
    return snapshot((to) => this.onItsOwn((opened) => opened.run('VACUUM INTO ?', [to])), file);
  }

  changedBehind(): Promise<string | undefined> {
    return this.writing.runExclusive(() => this.brokenSeal());
  }

  settle(): Promise<void> {
    return this.writing.runExclusive(() => this.settleNow());
  }

  replaceBy(copy: string, copyTo: string, aside: string): Promise<'copied' | 'set-aside'> {
    return this.writing.runExclusive(async () => {
      if (await this.copied(copyTo)) {
        await putRowsInPlace(this.file, copy, this.writes + 1);
        this.count(this.writes + 1);
        await this.settleNow();
        return 'copied';
      }
      await this.setAside(aside, copy);
      return 'set-aside';
    });
  }

  openAsItIs(): Promise<void> {
    return this.writing.runExclusive(async () => {
      if (!this.damage?.readable) throw new CannotOpen('The file cannot be read as it is.');
      this.damage = undefined;
      await this.start({ is: 'sound', sealed: false });
    });
  }

  beginAnew(aside: string): Promise<void> {
    return this.writing.runExclusive(() => this.setAside(aside));
  }

  answersAt(address: string): Promise<void> {
    return this.owner.answersAt(address);
  }

  async close(): Promise<void> {
    await this.writing.runExclusive(async () => {
      if (this.tally && !this.damage) await this.settleNow().catch(() => undefined);
      await this.connections.drop();
      await this.sequelize.close();
      this.tally?.close();
      await this.owner.letGo();
    });
  }

  /** Brings the file up to this release, and makes ready to be asked. */
  private async start(found: Exclude<Finding, { is: 'damaged' }>): Promise<void> {
    if (found.is === 'new') {
      await rm(this.file, { force: true });
      await forgetSeal(this.file);
    } else if (found.backup !== undefined) {
      // The log of what was there before has nothing to do with the copy in its place.
      await Promise.all(['-wal', '-shm', '-journal'].map((name) => rm(this.file + name, { force: true })));
    }
    const { backup, changed } = await bringUp(this.file, {
      migrations: this.migrations,
      backupTo: () => join(this.backups, `before-migration-${stampOf(this.now())}.sqlite`),
    });
    this.backup = backup;
    const [{ journal_mode: mode = '' } = {}] = await this.sequelize.query<{ journal_mode?: string }>(
      'PRAGMA journal_mode',
      { type: QueryTypes.SELECT },
    );
    const sealed = found.is === 'sound' && found.sealed;
    if (mode !== 'wal') {
      await breakSeal(this.file);
      await this.sequelize.query('PRAGMA journal_mode = WAL');
    }
    const [{ user_version: stored = 0 } = {}] = await this.sequelize.query<{ user_version?: number }>(
      'PRAGMA user_version',
      { type: QueryTypes.SELECT },
    );
    const acknowledged = (await readTally(this.file)) ?? 0;
    if (found.is === 'sound' && found.backup !== undefined) {
      this.told.push(`The backup ${found.backup} was put in place by hand: the workshop is as it was then.`);
    } else if (acknowledged > stored) {
      const lost = acknowledged - stored;
      this.told.push(
        `The last ${lost === 1 ? 'change' : `${lost} changes`} stored here ${lost === 1 ? 'is' : 'are'} missing from the workshop’s file: ` +
          'its log was cut short or damaged on the disk. Everything before is whole. Look whether what you did last is there.',
      );
    }
    this.tally ??= openTally(this.file);
    this.count(stored);
    if (changed || !sealed || mode !== 'wal') {
      await breakSeal(this.file);
      await this.settleNow();
    }
  }

  /** Puts down that so many writes are stored. */
  private count(writes: number): void {
    this.writes = writes;
    this.edition += 1;
    this.tally?.put(writes);
  }

  /**
   * A file removed while it is in use is still there for the connection that has it open: what is in it is
   * saved as a backup, and nothing more is written to where it was.
   */
  private async refuseGone(): Promise<void> {
    if (this.damage || existsSync(this.file)) return;
    const saved = await snapshot(
      (to) => this.sequelize.query('VACUUM INTO $to', { bind: { to } }),
      join(this.backups, `workshop-${stampOf(this.now())}.sqlite`),
    ).then(
      () => ' What was in it is saved as the newest backup.',
      () => '',
    );
    this.damage = {
      why: `The workshop’s file was removed while the program was running.${saved}`,
      readable: false,
    };
    throw new WorkshopDamaged(this.damage);
  }

  /** Copies what is there, unless it is not sound. */
  private async copied(to: string): Promise<boolean> {
    if (this.damage || (await this.brokenSeal()) !== undefined) return false;
    if ((await this.onItsOwn(faultIn)) !== undefined) return false;
    try {
      await this.copyTo(to);
      return true;
    } catch (reason) {
      if (reason instanceof UnsoundCopy) return false;
      throw reason;
    }
  }

  /**
   * Sets the database's files aside and puts a copy, or a new workshop, in their place. Questions wait
   * meanwhile; a program killed on the way leaves the damaged file, or the one that is to be there.
   */
  private async setAside(aside: string, copy?: string): Promise<void> {
    let open = (): void => undefined;
    this.gate = new Promise((resolve) => (open = resolve));
    try {
      await this.connections.drop();
      this.tally?.close();
      this.tally = undefined;
      await mkdir(aside, { recursive: true });
      if (existsSync(this.file)) await copyFile(this.file, join(aside, DATABASE_FILE));
      for (const name of BESIDE) {
        if (existsSync(this.file + name)) await rename(this.file + name, join(aside, DATABASE_FILE + name));
      }
      if (copy === undefined) await rm(this.file, { force: true });
      else await putInPlaceOf(this.file, copy);
      this.damage = undefined;
    } finally {
      open();
      this.gate = Promise.resolve();
    }
    this.told.length = 0;
    await this.start(copy === undefined ? { is: 'new' } : { is: 'sound', sealed: false });
  }

  /** Work of more than a few frames, over a connection beside the one that answers pages: they do not wait for it. */
  private onItsOwn<T>(work: (opened: Statements) => Promise<T>): Promise<T> {
    return withSqliteFile(this.file, { existing: true, patienceMs: PATIENCE_MS }, async (opened) => {
      await opened.run('PRAGMA wal_autocheckpoint = 0');
      return work(opened);
    });
  }

  private async brokenSeal(): Promise<string | undefined> {
    const seal = await readSeal(this.file);
    if (seal === undefined || seal === 'open') return undefined;
    const same = existsSync(this.file) && (await sha256Of(this.file)) === seal.sha256;
    return same
      ? undefined
      : 'The workshop’s file is no longer what this program wrote to it: the disk or another program has changed it.';
  }

  private async settleNow(): Promise<void> {
    if (sizeOf(`${this.file}-wal`) === 0 && typeof (await readSeal(this.file)) === 'object') return;
    // What was changed behind this back must not be sealed as if it were ours.
    if ((await this.brokenSeal()) !== undefined) return;
    await breakSeal(this.file);
    await this.onItsOwn((opened) => opened.run('PRAGMA wal_checkpoint(TRUNCATE)'));
    await sealFile(this.file, this.now());
  }

  private settleWhenLong(): void {
    if (this.settling || sizeOf(`${this.file}-wal`) < Math.max(LOG_BYTES, sizeOf(this.file) / 8)) return;
    this.settling = true;
    // When there is no room for it the log grows on, and the next write tries again.
    void this.settle()
      .catch(() => undefined)
      .finally(() => (this.settling = false));
  }
}
