import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdir, rm, statfs, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Sequelize, type QueryInterface } from 'sequelize';
import { SequelizeStorage } from 'umzug';
import { DATABASE_FILE } from '../../storage/database.js';
import { openDatabase } from '../../storage/open-database.js';
import { MIGRATIONS } from '../../storage/migrations.js';
import type { Schema } from '../../storage/repeatable.js';
import { anyNumber, exported, inFolder, layOut, lookIn, older, type Outcome } from './folders.js';

const OPENER = fileURLToPath(new URL('./opener.js', import.meta.url));

/** What an undisturbed upgrade of each older database comes to. */
async function references(names: readonly string[]): Promise<Map<string, string>> {
  const kept = new Map<string, string>();
  for (const name of names) {
    await inFolder(async (folder) => {
      await layOut(name, folder);
      const database = await openDatabase(folder);
      kept.set(name, JSON.stringify(await exported(database)));
      await database.close();
    });
  }
  return kept;
}

/** Starts a program that opens a folder; resolves once it has begun to. */
async function opening(folder: string): Promise<{ kill(): void; ended: Promise<unknown> }> {
  const program = spawn(process.execPath, [OPENER, folder], { stdio: ['ignore', 'pipe', 'ignore'] });
  const ended = once(program, 'exit');
  await Promise.race([once(program.stdout, 'data'), ended]);
  return { kill: () => void program.kill('SIGKILL'), ended };
}

/** Kills programs while they bring older databases up, or make a new one; then opens each again. */
export async function attackUpgradesByKills(kills: number): Promise<Outcome> {
  const names = await older();
  const whole = await references(names);
  const failures: string[] = [];
  let midWay = 0;
  for (let i = 0; i < kills; i++) {
    // Every seventh is a first start.
    const name = names[i % (names.length + 1)];
    await inFolder(async (folder) => {
      if (name !== undefined) await layOut(name, folder);
      const program = await opening(folder);
      setTimeout(() => program.kill(), anyNumber() * 700);
      const [, signal] = (await program.ended) as [number | null, string | null];
      if (signal === 'SIGKILL') midWay += 1;
      const { told, workshop } = await lookIn(folder);
      const before = name === undefined ? undefined : whole.get(name);
      if (workshop === undefined) failures.push(`${name ?? 'first start'}: does not open: ${told}`);
      else if (before !== undefined && workshop !== before)
        failures.push(`${name}: opens with something lost`);
      if (told !== '') failures.push(`${name ?? 'first start'}: told of damage: ${told}`);
    });
  }
  return { what: 'upgrades killed', tried: `${kills} started, ${midWay} killed on the way`, failures };
}

/**
 * Takes the steps as releases up to 0.7.0 did, on the database itself and in pieces, and breaks off before
 * each piece in turn; every database left so has to open whole.
 * @param every looks only at each so-many-th place
 */
export async function attackUpgradesBrokenOff(every: number): Promise<Outcome> {
  const names = await older();
  const whole = await references(names);
  const failures: string[] = [];
  let tried = 0;
  for (const name of [...names, undefined]) {
    for (let pieces = name === undefined ? 0 : 1; ; pieces += every) {
      const goesOn = await inFolder(async (folder) => {
        const file = name === undefined ? join(folder, DATABASE_FILE) : await layOut(name, folder);
        const finished = await breakOffAfter(file, pieces);
        tried += 1;
        const { told, workshop } = await lookIn(folder);
        const before = name === undefined ? undefined : whole.get(name);
        if (workshop === undefined) failures.push(`${name ?? 'new'} after ${pieces}: ${told}`);
        else if (before !== undefined && workshop !== before)
          failures.push(`${name} after ${pieces}: changed`);
        return !finished;
      });
      if (!goesOn) break;
    }
  }
  return { what: 'upgrades of 0.7.0 broken off', tried: `${tried} places`, failures };
}

/** @returns whether all of it was done before it came to be broken off */
async function breakOffAfter(file: string, pieces: number): Promise<boolean> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await sequelize.query('PRAGMA journal_mode = WAL');
  const storage = new SequelizeStorage({ sequelize, tableName: 'migrations' });
  const done = (await storage.executed()) as string[];
  const schema = sequelize.getQueryInterface();
  let left = pieces;
  const counted = <A extends unknown[], R>(work: (...wanted: A) => Promise<R>) => {
    return async (...wanted: A): Promise<R> => {
      if (left-- <= 0) throw new Error('broken off');
      return work(...wanted);
    };
  };
  const inPieces = {
    sequelize: schema.sequelize,
    createTable: counted(schema.createTable.bind(schema) as never),
    addColumn: counted(schema.addColumn.bind(schema) as never),
    addIndex: counted(schema.addIndex.bind(schema) as never),
  } as unknown as Schema & QueryInterface;
  try {
    for (const { name, up } of MIGRATIONS.filter((step) => step.name < '0007' && !done.includes(step.name))) {
      await up(inPieces);
      await counted(() => storage.logMigration({ name } as never))();
    }
    return true;
  } catch (reason) {
    if ((reason as Error).message !== 'broken off') throw reason;
    return false;
  } finally {
    await sequelize.close();
  }
}

/** Lets the room on a disk run out while older databases are brought up, and new ones made. */
export async function attackUpgradesByFullDisks(disks: number): Promise<Outcome | undefined> {
  const names = await older();
  const whole = await references(names);
  const failures: string[] = [];
  let full = 0;
  const tried = await inFolder(async (folder) => {
    const disk = join(folder, 'disk');
    await mkdir(disk);
    const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=4m', 'tmpfs', disk]);
    if (mounted.status !== 0) return 0;
    try {
      for (let i = 0; i < disks; i++) {
        const name = names[i % (names.length + 1)];
        const data = join(disk, 'data');
        await mkdir(data);
        if (name !== undefined) await layOut(name, data);
        const filler = join(disk, 'filler');
        const { bavail, bsize } = await statfs(disk);
        // What is left: from nothing to more than an upgrade needs.
        await writeFile(
          filler,
          Buffer.alloc(Math.max(0, bavail * bsize - Math.floor(anyNumber() ** 2 * 900_000))),
        );
        const program = await opening(data);
        const [code] = (await program.ended) as [number | null];
        if (code !== 0) full += 1;
        await rm(filler);
        const { told, workshop } = await lookIn(data);
        const before = name === undefined ? undefined : whole.get(name);
        if (workshop === undefined) failures.push(`${name ?? 'new'}: does not open: ${told}`);
        else if (before !== undefined && workshop !== before) failures.push(`${name}: something is lost`);
        await rm(data, { recursive: true });
      }
    } finally {
      spawnSync('umount', ['-l', disk]);
    }
    return disks;
  });
  return tried === 0
    ? undefined
    : { what: 'upgrades on full disks', tried: `${tried} tried, ${full} ran out of room`, failures };
}
