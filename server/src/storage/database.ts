import { mkdir } from 'node:fs/promises';
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Mutex } from 'async-mutex';
import { Sequelize, Transaction } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { MIGRATIONS, type Migration } from './migrations.js';
import { storageTrouble } from './problem.js';
import { snapshot } from './snapshot.js';

/** The database's name in its folder. */
export const DATABASE_FILE = 'workshop.sqlite';

/** A reason the workshop cannot be opened, for the person who started the program. */
export class CannotOpen extends Error {}

export interface Database {
  readonly sequelize: Sequelize;
  readonly file: string;
  /** Name of the newest migration this file has had. */
  readonly schema: string;
  /** Backup made before migrating, if one was. */
  readonly backup?: string;
  /** One writer at a time, in one transaction: all of it is stored or none. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** Keeps every writer away while something is done to the file itself. */
  exclusive<T>(work: () => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

export interface OpenOptions {
  readonly migrations?: readonly Migration[];
  readonly now?: () => Date;
}

/**
 * Opens (or makes) the workshop's database in a folder. An older release's file is copied to
 * `backups/` before it is migrated.
 * @throws CannotOpen in words, for a newer release's file or a folder that cannot be used.
 */
export async function openDatabase(folder: string, options: OpenOptions = {}): Promise<Database> {
  const { migrations = MIGRATIONS, now = () => new Date() } = options;
  const file = join(folder, DATABASE_FILE);
  try {
    await mkdir(join(folder, 'backups'), { recursive: true });
  } catch (reason) {
    throw new CannotOpen(
      `The folder ${folder} cannot be made or written (${(reason as NodeJS.ErrnoException).code}); ` +
        'set DATA_DIR to one that can.',
    );
  }
  const existed = existsSync(file);
  if (existed && !statSync(file).isFile()) {
    throw new CannotOpen(`${file} is not a file: move it away, or set DATA_DIR to another folder.`);
  }
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  try {
    await sequelize.query('PRAGMA journal_mode = WAL');
    const backup = await migrate(sequelize, migrations, existed, () =>
      join(folder, 'backups', `before-migration-${now().toISOString().replace(/[:.]/g, '-')}.sqlite`),
    );
    const writing = new Mutex();
    return {
      sequelize,
      file,
      schema: migrations.at(-1)?.name ?? '',
      backup,
      write: (work) =>
        writing.runExclusive(() => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work)),
      exclusive: (work) => writing.runExclusive(work),
      close: () => sequelize.close(),
    };
  } catch (reason) {
    await sequelize.close();
    if (reason instanceof CannotOpen) throw reason;
    const trouble = storageTrouble(reason)?.[2];
    throw new CannotOpen(
      trouble
        ? `The workshop in ${folder} cannot be opened. ${trouble}`
        : `The file ${file} cannot be opened as a workshop: ${(reason as Error).message}`,
    );
  }
}

async function migrate(
  sequelize: Sequelize,
  migrations: readonly Migration[],
  existed: boolean,
  backupName: () => string,
): Promise<string | undefined> {
  const schema = sequelize.getQueryInterface();
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({ name, up: () => up(schema) })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  const known = new Set(migrations.map(({ name }) => name));
  const executed = (await new SequelizeStorage({
    sequelize,
    tableName: 'migrations',
  }).executed()) as string[];
  const newer = executed.find((name) => !known.has(name));
  if (newer !== undefined) {
    throw new CannotOpen(
      `This workshop was last opened by a newer release of Mellow Anvil (it has had “${newer}”). ` +
        'Start that release instead; nothing was changed.',
    );
  }
  const pending = await umzug.pending();
  let backup: string | undefined;
  if (existed && executed.length > 0 && pending.length > 0) {
    backup = backupName();
    await snapshot(sequelize, backup);
  }
  await umzug.up();
  return backup;
}
