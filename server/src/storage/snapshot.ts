import { readFile, rename, rm, writeFile } from 'node:fs/promises';
import { sha256Of } from './seal.js';
import { faultOf } from './soundness.js';
import { syncFile } from './synced.js';

export const SUM = '.sha256';
export const UNFINISHED = '.unfinished';

/** A copy that SQLite's own checks find unsound: what it was taken from is damaged. */
export class UnsoundCopy extends Error {}

/**
 * Makes a copy of a database, checked and with its SHA-256 beside it, or none at all.
 * @param vacuumInto writes the database as it is this moment into a file
 * @throws UnsoundCopy when what was copied is damaged, and whatever the disk has against it
 */
export async function snapshot(vacuumInto: (file: string) => Promise<unknown>, file: string): Promise<void> {
  const unfinished = `${file}${UNFINISHED}`;
  try {
    await rm(unfinished, { force: true });
    await vacuumInto(unfinished);
    const fault = await faultOf(unfinished);
    if (fault !== undefined) throw new UnsoundCopy(fault);
    await syncFile(unfinished);
    // The sum first: a copy without one is never taken for whole.
    await writeFile(file + SUM, `${await sha256Of(unfinished)}\n`);
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
  return sum.trim() === (await sha256Of(file));
}

/** Removes a copy and its sum. */
export async function removeSnapshot(file: string): Promise<void> {
  await rm(file, { force: true });
  await rm(file + SUM, { force: true });
}
