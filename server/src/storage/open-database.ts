import { mkdir, readdir, rm } from 'node:fs/promises';
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { storageTrouble } from '../platform/problem.js';
import { CannotOpen } from './cannot-open.js';
import { DATABASE_FILE, RESTORING, type Database } from './database.js';
import { WorkshopDatabase } from './live-database.js';
import { MIGRATIONS, type Migration } from './migrations.js';
import { ownFolder, ownersAddress, type Owner } from './owner.js';
import { SUM, UNFINISHED } from './snapshot.js';
import { NotBroughtUp, UPGRADING } from './upgrade.js';

interface OpenOptions {
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
