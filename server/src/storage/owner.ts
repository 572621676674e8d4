import { readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { openSqliteFile } from './sqlite-file.js';

const LOCK_FILE = 'workshop.lock';
const ADDRESS_FILE = 'workshop.address';

/** The one program that may use a folder, for as long as it has not let go. */
export interface Owner {
  /** Writes down where its page is, for a second program to say. */
  answersAt(address: string): Promise<void>;
  letGo(): Promise<void>;
}

/**
 * Makes this program the folder's one owner. What holds it is a lock of the operating system's, taken
 * through SQLite, which goes with the process however that ends: nothing is left to be cleared away.
 * @returns undefined when another program has it
 * @throws the driver's error when the lock's file cannot be made
 */
export async function ownFolder(folder: string, patienceMs = 1000): Promise<Owner | undefined> {
  const lock = await openSqliteFile(join(folder, LOCK_FILE), { patienceMs });
  try {
    await lock.run('BEGIN EXCLUSIVE');
  } catch (reason) {
    await lock.close();
    if ((reason as { code?: unknown }).code === 'SQLITE_BUSY') return undefined;
    throw reason;
  }
  const address = join(folder, ADDRESS_FILE);
  return {
    answersAt: (where) => writeFile(address, where).catch(() => undefined),
    letGo: async () => {
      await rm(address, { force: true }).catch(() => undefined);
      await lock.close();
    },
  };
}

/** Where the owner of a folder said its page is, if it did. */
export async function ownersAddress(folder: string): Promise<string | undefined> {
  const text = await readFile(join(folder, ADDRESS_FILE), 'utf8').catch(() => '');
  return /^http:\/\/[^\s]{1,60}$/.exec(text.trim())?.[0];
}
