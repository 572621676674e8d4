import { copyFile, mkdir, readdir, rename, rm } from 'node:fs/promises';
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Mutex } from 'async-mutex';
import { QueryTypes, Sequelize, Transaction } from 'sequelize';
import { storageTrouble } from '../shared/problem.js';
import { CannotOpen } from './cannot-open.js';
import { guardConnections, type Connections } from './connections.js';
import { WorkshopDamaged, findDatabase, sizeOf, type Damage, type Finding } from './finding.js';
import { MIGRATIONS, type Migration } from './migrations.js';
import { ownFolder, ownersAddress, type Owner } from './owner.js';
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
import { SUM, UNFINISHED, UnsoundCopy, snapshot } from './snapshot.js';
import { faultIn } from './soundness.js';
import { UPGRADING, NotBroughtUp, bringUp, putInPlaceOf } from './upgrade.js';

export { CannotOpen } from './cannot-open.js';

/** The database's name in its folder. */
export const DATABASE_FILE = 'workshop.sqlite';

/** Folders that a restore works in; one found at a start was left by a program that was killed. */
export const RESTORING = 'restoring-';

/** The log is written into the database file once it is this long, or an eighth of the file. */
const LOG_BYTES = 4 * 1024 * 1024;

/** Files beside the database that belong to it. */
const BESIDE = ['-wal', '-shm', '-journal', '-seal', '-tally'];

export interface Database {
  readonly sequelize: Sequelize;
  readonly folder: string;
  readonly file: string;
  /** Name of the newest migration this file has had. */
  readonly schema: string;
  /** Backup made before migrating, if one was. */
  readonly backup: string | undefined;
  /** What this start found that the user should know, in sentences. */
  readonly told: readonly string[];
  /** Why the file is not used as it is; then every question asked of it is refused. */
  readonly damage: Damage | undefined;
  /** One writer at a time, in one transaction: all of it is stored or none. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** Resolves when questions may be asked. @throws WorkshopDamaged */
  ready(): Promise<void>;
  /**
   * Keeps every other writer away while another thread writes once.
   * @param work is told how many writes are counted so far
   */
  writeElsewhere<T>(work: (writes: number) => Promise<T>): Promise<T>;
  /** Copies the database as it is this moment, checked, with its sum beside it. */
  copyTo(file: string): Promise<void>;
  /**
   * Whether the file is still what this program wrote to it.
   * @returns a sentence when the disk or another program has changed it
   */
  changedBehind(): Promise<string | undefined>;
  /** Writes the log into the file, and seals that. */
  settle(): Promise<void>;
  /**
   * Puts a database of this release in place of everything stored, while every writer waits, so that
   * what was acknowledged is in what was there before or in what is written after.
   * @param copyTo where what is there is copied to, when it is sound
   * @param aside folder its files are set aside in, when it is not
   * @returns which of the two was done
   */
  replaceBy(copy: string, copyTo: string, aside: string): Promise<'copied' | 'set-aside'>;
  /** Opens a damaged file that can be read as it is. */
  openAsItIs(): Promise<void>;
  /** Sets a damaged file aside and begins an empty workshop. */
  beginAnew(aside: string): Promise<void>;
  /** Writes down where its page is, for a second program on this folder to say. */
  answersAt(address: string): Promise<void>;
  close(): Promise<void>;
}

/** What it takes to read and write rows. */
export type Connection = Pick<Database, 'sequelize' | 'write'>;

export interface OpenOptions {
  readonly migrations?: readonly Migration[];
  readonly now?: () => Date;
}

/**
 * Opens (or makes) the workshop's database in a folder, as the folder's one owner. An older release's
 * file is copied to `backups/` before it is brought up. A damaged one is opened too, to be put right:
 * then `damage` says why, and every question is refused.
 * @throws CannotOpen in words, for a newer release's file, a folder that cannot be used or that another
 * program uses, or when there is no room
 */
export async function openDatabase(folder: string, options: OpenOptions = {}): Promise<Database> {
  const { migrations = MIGRATIONS, now = () => new Date() } = options;
  const file = join(folder, DATABASE_FILE);
  const backups = join(folder, 'backups');
  let owner: Owner | undefined;
  try {
    await mkdir(backups, { recursive: true });
    owner = await ownFolder(folder);
  } catch (reason) {
    throw new CannotOpen(
      `The folder ${folder} cannot be made or written (${(reason as NodeJS.ErrnoException).code}); ` +
        'set DATA_DIR to one that can.',
    );
  }
  if (!owner) {
    const address = await ownersAddress(folder);
    throw new CannotOpen(
      `Another Mellow Anvil is already open on ${folder}${address ? `; its page is at ${address}` : ''}. ` +
        'Use that one, or stop it first; or set DATA_DIR to another folder.',
    );
  }
  const workshop = new WorkshopDatabase(folder, file, backups, owner, migrations, now);
  try {
    if (existsSync(file) && !statSync(file).isFile()) {
      throw new CannotOpen(`${file} is not a file: move it away, or set DATA_DIR to another folder.`);
    }
    await sweep(folder, backups);
    await workshop.open();
    return workshop;
  } catch (reason) {
    await workshop.close().catch(() => undefined);
    throw inWords(reason, folder, file);
  }
}

class WorkshopDatabase implements Database {
  readonly sequelize: Sequelize;
  readonly schema: string;
  readonly told: string[] = [];
  backup: string | undefined;
  damage: Damage | undefined;

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

  async write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    const result = await this.writing.runExclusive(async () => {
      await this.refuseGone();
      const writes = this.writes + 1;
      const stored = await this.sequelize.transaction(
        { type: Transaction.TYPES.IMMEDIATE },
        async (transaction) => {
          const done = await work(transaction);
          await this.sequelize.query(`PRAGMA user_version = ${writes}`, { transaction });
          return done;
        },
      );
      this.writes = writes;
      await this.tally?.put(writes);
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
      this.writes += 1;
      await this.tally?.put(this.writes);
      return done;
    });
    this.settleWhenLong();
    return result;
  }

  copyTo(file: string): Promise<void> {
    return snapshot((to) => this.sequelize.query('VACUUM INTO $to', { bind: { to } }), file);
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
        this.writes += 1;
        await this.tally?.put(this.writes);
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
      await this.sequelize.close();
      await this.tally?.close();
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
    const [{ journal_mode: mode = '' } = {}] = await this.sequelize.query<{ journal_mode: string }>(
      'PRAGMA journal_mode',
      { type: QueryTypes.SELECT },
    );
    const sealed = found.is === 'sound' && found.sealed;
    if (mode !== 'wal') {
      await breakSeal(this.file);
      await this.sequelize.query('PRAGMA journal_mode = WAL');
    }
    const [{ user_version: stored = 0 } = {}] = await this.sequelize.query<{ user_version: number }>(
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
    this.writes = stored;
    this.tally ??= await openTally(this.file);
    await this.tally.put(this.writes);
    if (changed || !sealed || mode !== 'wal') {
      await breakSeal(this.file);
      await this.settleNow();
    }
  }

  /**
   * A file removed while it is in use is still there for the connection that has it open: what is in it is
   * saved as a backup, and nothing more is written to where it was.
   */
  private async refuseGone(): Promise<void> {
    if (this.damage || existsSync(this.file)) return;
    const saved = await this.copyTo(join(this.backups, `workshop-${stampOf(this.now())}.sqlite`)).then(
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
    const all = <R>(sql: string): Promise<R[]> =>
      this.sequelize.query(sql, { type: QueryTypes.SELECT }) as unknown as Promise<R[]>;
    if ((await faultIn({ all })) !== undefined) return false;
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
      await this.tally?.close();
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
    await this.sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)');
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

/** An instant as part of a file's name. */
export const stampOf = (instant: Date): string => instant.toISOString().replace(/[:.]/g, '-');

/** Clears away what programs that were killed left half done. */
async function sweep(folder: string, backups: string): Promise<void> {
  const left = (await readdir(folder)).filter(
    (name) => name.startsWith(UPGRADING) || name.startsWith(RESTORING) || name === 'restoring',
  );
  const copies = await readdir(backups);
  const unfinished = copies.filter(
    (name) =>
      name.includes(UNFINISHED) || (name.endsWith(SUM) && !copies.includes(name.slice(0, -SUM.length))),
  );
  await Promise.all(
    [...left.map((name) => join(folder, name)), ...unfinished.map((name) => join(backups, name))].map(
      (each) => rm(each, { recursive: true, force: true }).catch(() => undefined),
    ),
  );
}

/** What a failed start comes to: what happened, what that did, and how to go on. */
function inWords(reason: unknown, folder: string, file: string): CannotOpen {
  if (reason instanceof CannotOpen) return reason;
  const { cause, backup } = reason instanceof NotBroughtUp ? reason : { cause: reason, backup: undefined };
  const trouble = storageTrouble(cause)?.[2];
  if (!(reason instanceof NotBroughtUp)) {
    return new CannotOpen(
      trouble
        ? `The workshop in ${folder} cannot be opened. ${trouble}`
        : `The file ${file} cannot be opened as a workshop: ${(cause as Error).message}`,
    );
  }
  return new CannotOpen(
    `The workshop in ${folder} cannot be opened: it could not be brought up to this release. ` +
      `${trouble ?? `The reason given is: ${(cause as Error).message}.`} ` +
      `Nothing was changed in it${backup ? `, and a copy of it as it is lies at ${backup}` : ''}. ` +
      (trouble
        ? 'Then start this program again.'
        : 'Until that is mended, start the release you had before; it opens as it did.'),
  );
}
