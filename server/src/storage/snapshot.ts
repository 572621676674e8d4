import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { open, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import type { Sequelize } from 'sequelize';

const SUM = '.sha256';

/**
 * Copies the database as it is this moment into a file of its own, while it is in use, with the
 * file's SHA-256 beside it. A copy that could not be finished leaves nothing behind.
 */
export async function snapshot(sequelize: Sequelize, file: string): Promise<void> {
  const unfinished = `${file}.unfinished`;
  try {
    await rm(unfinished, { force: true });
    await sequelize.query('VACUUM INTO $unfinished', { bind: { unfinished } });
    const written = await open(unfinished, 'r+');
    await written.sync().finally(() => written.close());
    // The sum first: a copy without one is never taken for whole.
    await writeFile(file + SUM, `${await sha256(unfinished)}\n`);
    await rename(unfinished, file);
  } catch (reason) {
    await Promise.all(
      [unfinished, file + SUM].map((left) => rm(left, { force: true }).catch(() => undefined)),
    );
    throw reason;
  }
}

/** Whether a copy still is, byte for byte, what was written. */
export async function isAsWritten(file: string): Promise<boolean> {
  const sum = await readFile(file + SUM, 'utf8').catch(() => '');
  return sum.trim() === (await sha256(file));
}

/** Removes a copy and its sum. */
export async function removeSnapshot(file: string): Promise<void> {
  await rm(file, { force: true });
  await rm(file + SUM, { force: true });
}

async function sha256(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}
