import { randomInt } from 'node:crypto';
import { cp, mkdir, mkdtemp, open, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { pino } from 'pino';
import type { Workshop } from '@mellow-anvil/core/workshop';
import { BackupsService } from '../../storage/backups.js';
import { DATABASE_FILE, type Database } from '../../storage/database.js';
import { openDatabase } from '../../storage/open-database.js';
import { withSqliteFile } from '../../storage/sqlite-file.js';
import { Commands } from '../../storage/commands.js';
import { WorkshopService } from '../../features/workshop/workshop.service.js';
import { KINDS } from '../../kinds.js';

const OLDER = new URL('../../../src/testing/older/', import.meta.url);

/** The databases earlier releases left, by the last step of theirs. */
export const older = async (): Promise<string[]> =>
  (await readdir(OLDER)).filter((name) => name.endsWith('.sqlite.gz')).sort();

/** Puts one of them into a folder as its workshop. */
export async function layOut(name: string, folder: string): Promise<string> {
  const file = join(folder, DATABASE_FILE);
  await mkdir(folder, { recursive: true });
  await writeFile(file, gunzipSync(await readFile(new URL(name, OLDER))));
  return file;
}

/** Does something in a folder of its own, and clears that away. */
export async function inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'mellow-anvil-attack-'));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** What a workshop comes to as its own open file; ids are in it, what the server keeps about entries is not. */
export async function exported(database: Database): Promise<Workshop> {
  return new WorkshopService(new Commands(database, KINDS)).export();
}

/** Opens a folder and says how that went, as a person would find out. */
export async function lookIn(folder: string): Promise<{
  readonly told: string;
  readonly workshop?: string;
  /** Names of backups made since by the regular look. */
  readonly backedUp: boolean;
}> {
  let database: Database;
  try {
    database = await openDatabase(folder);
  } catch (reason) {
    return { told: (reason as Error).message, backedUp: false };
  }
  try {
    const told = [...database.told, ...(database.damage ? [database.damage.why] : [])].join(' ');
    if (database.damage) return { told, backedUp: false };
    const workshop = await exported(database).then(
      (file) => JSON.stringify(file),
      (reason: unknown) => `cannot be read: ${(reason as Error).message}`,
    );
    const backups = new BackupsService(database, pino({ level: 'silent' }), () => undefined);
    const backedUp = await backups.makeIfDue();
    const { trouble = '' } = await backups.list();
    return { told: `${told}${trouble}`, workshop, backedUp };
  } finally {
    await database.close();
  }
}

/** A folder as it would be found had the program been killed this moment. */
export const asKilled = async (folder: string, to: string): Promise<void> => {
  await rm(to, { recursive: true, force: true });
  await cp(folder, to, { recursive: true });
};

/** Turns over bits of one byte of a file, and says where. */
export async function flip(file: string, random: () => number): Promise<number> {
  const handle = await open(file, 'r+');
  try {
    const { size } = await handle.stat();
    const place = Math.floor(random() * size);
    const byte = Buffer.alloc(1);
    await handle.read(byte, 0, 1, place);
    byte[0] = (byte[0] as number) ^ (1 + Math.floor(random() * 255));
    await handle.write(byte, 0, 1, place);
    return place;
  } finally {
    await handle.close();
  }
}

/** Every id of a kind a database file holds, removed ones too. */
export const idsIn = (file: string, kind: string): Promise<Set<string>> =>
  withSqliteFile(file, { readOnly: true }, async (opened) => {
    const rows = await opened.all<{ id: string }>(`SELECT id FROM "${kind}"`);
    return new Set(rows.map(({ id }) => id));
  });

/** Numbers from 0 to 1 that nobody chose; attacks are not repeated, what they find is kept as a spec. */
export const anyNumber = (): number => randomInt(2 ** 40) / 2 ** 40;

/** What an attack found: everything it looked at, and each thing that did not hold, in words. */
export interface Outcome {
  readonly what: string;
  readonly tried: string;
  readonly failures: readonly string[];
}
