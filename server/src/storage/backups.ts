import { copyFile, mkdir, mkdtemp, readdir, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import type { Logger } from 'pino';
import type { Backup, BackupList, Restored } from '@mellow-anvil/contract';
import { HttpProblem, notFound, storageTrouble } from '../platform/problem.js';
import { CannotOpen } from './cannot-open.js';
import { DATABASE_FILE, RESTORING, stampOf, type Database } from './database.js';
import { MIGRATIONS } from './migrations.js';
import { UnsoundCopy, isAsWritten, removeSnapshot } from './snapshot.js';
import { faultOf } from './soundness.js';
import { NotBroughtUp, bringUp } from './upgrade.js';
import { toRemove } from './rotation.js';

/** A regular backup is due when the newest is this old and something has changed since. */
export const BACKUP_EVERY_HOURS = 6;
/** So long after one was due, that there is none is told on the page, whatever the cause. */
const OVERDUE_AFTER_HOURS = 2;
const LOOK_EVERY_MS = 10 * 60_000;
const HOUR_MS = 3_600_000;

const NAME =
  /^(workshop|before-restore|before-migration)-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z\.sqlite$/;
const BECAUSE = { workshop: 'regular' } as Readonly<Record<string, Backup['because']>>;

/** Keeps copies of the database while it is in use, and puts one back. */
export class BackupsService {
  private readonly folder: string;
  private trouble: string | undefined;
  /** Names of copies that were begun since the program started. */
  private readonly given = new Set<string>();
  private restoring = false;

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
    const found = await Promise.all(names.map((name) => this.described(name)));
    const backups = found
      .filter((backup) => backup !== undefined)
      .sort((a, b) => b.madeAt.localeCompare(a.madeAt) || a.name.localeCompare(b.name));
    const { damage, told } = this.database;
    const trouble = this.trouble ?? (await this.overdue(backups));
    return {
      folder: this.folder,
      backups,
      told,
      ...(damage && { damage }),
      ...(trouble !== undefined && { trouble }),
    };
  }

  /** Makes a backup now. @throws HttpProblem in words, when the disk is full or the workshop damaged. */
  async make(): Promise<Backup> {
    try {
      const changed = await this.database.changedBehind();
      if (changed !== undefined) throw new UnsoundCopy(changed);
      await this.database.settle();
      const file = await this.freeName('workshop');
      await this.database.copyTo(file);
      this.trouble = undefined;
      return (await this.described(file.slice(this.folder.length + 1))) as Backup;
    } catch (reason) {
      throw this.notMade(reason);
    }
  }

  /**
   * Looks now and then whether a backup is due.
   * @returns what stops that, once a backup being made is finished
   */
  keepUp(): () => Promise<unknown> {
    let looking: Promise<unknown> = this.makeIfDue();
    const timer = setInterval(() => {
      looking = this.makeIfDue();
    }, LOOK_EVERY_MS);
    timer.unref();
    return () => {
      clearInterval(timer);
      return looking;
    };
  }

  /** Makes a regular backup when the newest is old and something has changed; then lets old ones go. */
  async makeIfDue(): Promise<boolean> {
    if (this.database.damage) return false;
    try {
      const newest = this.newestRegular((await this.list()).backups);
      if (this.hoursSince(newest) < BACKUP_EVERY_HOURS) return false;
      if (newest && (await this.changedAt()) <= Date.parse(newest.madeAt)) return false;
      await this.make();
      await this.rotate();
      return true;
    } catch (reason) {
      // Told on the page as well: a backup nobody knows is missing is no backup.
      this.log.error(reason, 'backup failed');
      return false;
    } finally {
      await this.database.settle().catch((reason: unknown) => this.log.error(reason, 'not settled'));
    }
  }

  /**
   * Puts a backup in place of everything stored, all or nothing, after checking that it is whole. What was
   * there before is backed up first while every writer waits; where it is damaged its files are set aside.
   * @throws HttpProblem 404, 409 while another is under way, or 422 when the copy is damaged or of a newer release
   */
  async restore(name: string): Promise<Restored> {
    const backup = await this.described(name);
    if (!backup) throw notFound('This backup');
    return this.oneAtATime(async () => {
      const file = join(this.folder, name);
      if (!(await isAsWritten(file))) throw damaged('It is not, byte for byte, what was written.');
      const room = await mkdtemp(join(dirname(this.database.file), RESTORING));
      try {
        const copy = join(room, DATABASE_FILE);
        await copyFile(file, copy);
        await madeReady(copy);
        await mkdir(this.folder, { recursive: true });
        const before = await this.freeName('before-restore');
        const aside = this.asideFolder();
        const done = await this.database.replaceBy(copy, before, aside);
        return done === 'copied' ? { before: before.slice(this.folder.length + 1) } : { aside };
      } finally {
        await rm(room, { recursive: true, force: true }).catch(() => undefined);
      }
    });
  }

  /** Opens a damaged file that can be read as it is. @throws HttpProblem 409 when it is not, or cannot be */
  async openAsItIs(): Promise<void> {
    if (!this.database.damage?.readable)
      throw notDamaged('The workshop’s file is not one that can be opened as it is.');
    await this.oneAtATime(() => this.database.openAsItIs());
  }

  /** Sets a damaged file aside and begins an empty workshop. @throws HttpProblem 409 when it is not damaged */
  async beginAnew(): Promise<Restored> {
    if (!this.database.damage) throw notDamaged('The workshop’s file is sound.');
    const aside = this.asideFolder();
    await this.oneAtATime(() => this.database.beginAnew(aside));
    return { aside };
  }

  private async oneAtATime<T>(work: () => Promise<T>): Promise<T> {
    if (this.restoring) {
      throw new HttpProblem(
        409,
        'Restoring already',
        'A backup is being put back this moment: wait until that is done, look at what it gave, then choose again.',
      );
    }
    this.restoring = true;
    try {
      return await work();
    } catch (reason) {
      if (reason instanceof HttpProblem) throw reason;
      const known = storageTrouble(reason);
      throw known ? new HttpProblem(...known) : reason;
    } finally {
      this.restoring = false;
      this.replaced();
    }
  }

  private asideFolder(): string {
    return join(dirname(this.database.file), `damaged-${stampOf(this.now())}`);
  }

  /** A name nothing has and nobody was given: two copies may be made within one millisecond, and at once. */
  private async freeName(prefix: string): Promise<string> {
    await mkdir(this.folder, { recursive: true });
    const there = new Set(await readdir(this.folder));
    let at = this.now();
    const name = (): string => `${prefix}-${stampOf(at)}.sqlite`;
    while (there.has(name()) || this.given.has(name())) at = new Date(at.getTime() + 1);
    this.given.add(name());
    return join(this.folder, name());
  }

  private notMade(reason: unknown): unknown {
    const known = storageTrouble(reason);
    const unsound = reason instanceof UnsoundCopy;
    const why = unsound
      ? `${reason.message} The backups made before are kept: restore one of them.`
      : (known?.[2] ?? (reason as Error).message);
    this.trouble = `The backup of ${minuteOf(this.now())} UTC was not made. ${why}`;
    if (unsound) return new HttpProblem(503, 'The workshop’s file is damaged', this.trouble);
    return known ? new HttpProblem(...known) : reason;
  }

  /** Why somebody should look, when none was made for long although something changed. */
  private async overdue(backups: readonly Backup[]): Promise<string | undefined> {
    if (this.database.damage) return undefined;
    const newest = this.newestRegular(backups);
    if (!newest || this.hoursSince(newest) < BACKUP_EVERY_HOURS + OVERDUE_AFTER_HOURS) return undefined;
    const changed = await this.changedAt();
    const due = Date.parse(newest.madeAt) + (BACKUP_EVERY_HOURS + OVERDUE_AFTER_HOURS) * HOUR_MS;
    return changed > Date.parse(newest.madeAt) &&
      this.now().getTime() > Math.max(due, changed + LOOK_EVERY_MS * 2)
      ? `The last backup was made on ${minuteOf(new Date(newest.madeAt))} UTC, and things have changed since. Make one now.`
      : undefined;
  }

  private async rotate(): Promise<void> {
    const regular = (await this.list()).backups.filter(({ because }) => because === 'regular');
    const gone = new Set(
      toRemove(regular.map(({ madeAt }) => new Date(madeAt))).map((date) => date.toISOString()),
    );
    for (const { name, madeAt } of regular) {
      if (gone.has(madeAt)) await removeSnapshot(join(this.folder, name));
    }
  }

  /** The newest that was made before now: one stamped in the future tells nothing of what is due. */
  private newestRegular(backups: readonly Backup[]): Backup | undefined {
    const now = this.now().toISOString();
    return backups.find(({ because, madeAt }) => because === 'regular' && madeAt <= now);
  }

  private hoursSince(backup: Backup | undefined): number {
    return backup ? (this.now().getTime() - Date.parse(backup.madeAt)) / HOUR_MS : Infinity;
  }

  /** What a file's name says of it; nothing for a file that is no backup, or cannot be looked at. */
  private async described(name: string): Promise<Backup | undefined> {
    const [, prefix = '', day, hours, minutes, seconds, rest] = NAME.exec(name) ?? [];
    const madeAt = `${day}T${hours}:${minutes}:${seconds}.${rest}Z`;
    if (!isValid(parseISO(madeAt))) return undefined;
    const found = await stat(join(this.folder, name)).catch(() => undefined);
    if (!found?.isFile()) return undefined;
    return { name, madeAt, bytes: found.size, because: BECAUSE[prefix] ?? (prefix as Backup['because']) };
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

/** A copy checked by SQLite itself, and brought up to this release. */
async function madeReady(copy: string): Promise<void> {
  const fault = await faultOf(copy);
  if (fault !== undefined) throw damaged(fault);
  try {
    await bringUp(copy, { migrations: MIGRATIONS });
  } catch (reason) {
    if (reason instanceof CannotOpen) throw damaged(reason.message);
    if (reason instanceof NotBroughtUp && !storageTrouble(reason.cause)) throw damaged(`${reason.message}.`);
    throw reason instanceof NotBroughtUp ? reason.cause : reason;
  }
}

const minuteOf = (instant: Date): string => instant.toISOString().slice(0, 16).replace('T', ' ');

const notDamaged = (why: string): HttpProblem => new HttpProblem(409, 'Nothing to put right', why);

const damaged = (why: string): HttpProblem =>
  new HttpProblem(
    422,
    'Not restored',
    `This backup is damaged or cannot be used here, so nothing was changed. ${why} Choose another.`,
  );
