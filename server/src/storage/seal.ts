import { createHash } from 'node:crypto';
import { closeSync, createReadStream, openSync, writeSync } from 'node:fs';
import { readFile, rename, rm, writeFile } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';

/**
 * Two small files beside the database tell, at the next start, whether it is still what this program
 * wrote. SQLite's own check sees a broken tree, not a changed letter in an entry, and a log cut short
 * looks to it like one that ended there.
 *
 * - the **seal**: the SHA-256 of the database file, which changes only when the log is written into it
 *   (this program does that itself, and seals it anew);
 * - the **tally**: how many writes were acknowledged, which the database counts too.
 *
 * Each carries a sum of its own, so that a seal damaged itself is not taken for a damaged workshop.
 */
const SEAL = '-seal';
const TALLY = '-tally';
const OPEN = 'open';

/** The SHA-256 of a file, in hexadecimal. */
export async function sha256Of(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file, { highWaterMark: 1 << 20 }), hash);
  return hash.digest('hex');
}

/** What the seal says: what the file was when it was last written, `open` while that was going on, or nothing. */
export async function readSeal(
  file: string,
): Promise<{ readonly sha256: string; readonly at: string } | 'open' | undefined> {
  const text = checked(await readFile(file + SEAL, 'utf8').catch(() => ''));
  if (text === OPEN) return 'open';
  const found = /^([0-9a-f]{64}) (\S+)$/.exec(text ?? '');
  return found ? { sha256: found[1] as string, at: found[2] as string } : undefined;
}

/** Says that the file is about to change. */
export const breakSeal = (file: string): Promise<void> => writeWhole(file + SEAL, withSum(OPEN));

/** Puts down what the file is now. */
export async function sealFile(file: string, now: Date): Promise<void> {
  await writeWhole(file + SEAL, withSum(`${await sha256Of(file)} ${now.toISOString()}`));
}

/** How many writes were acknowledged, as far as is known. */
export async function readTally(file: string): Promise<number | undefined> {
  const text = checked(await readFile(file + TALLY, 'utf8').catch(() => ''));
  return text === undefined || !/^\d{1,15}$/.test(text) ? undefined : Number(text);
}

export interface Tally {
  /** Puts down that so many writes are stored. Never fails: a tally too low is harmless. */
  put(writes: number): void;
  close(): void;
}

/**
 * The tally open for writing; where it cannot be, none is kept. Its few letters are put down at once: what is
 * acknowledged waits for them, and another thread would take longer to come to it than they take.
 */
export function openTally(file: string): Tally {
  const descriptor = unlessRefused(() => openSync(file + TALLY, 'w'));
  if (descriptor === undefined) return { put: () => undefined, close: () => undefined };
  return {
    put: (writes) => {
      unlessRefused(() => writeSync(descriptor, withSum(String(writes).padStart(15, '0')), 0));
    },
    close: () => closeSync(descriptor),
  };
}

function unlessRefused<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}

/** Forgets both, for a database that something else is put in place of. */
export async function forgetSeal(file: string): Promise<void> {
  await Promise.all([rm(file + SEAL, { force: true }), rm(file + TALLY, { force: true })]);
}

const sumOf = (text: string): string => createHash('sha256').update(text).digest('hex').slice(0, 16);
const withSum = (text: string): string => `${text}\n${sumOf(text)}\n`;

function checked(content: string): string | undefined {
  const [text = '', sum] = content.split('\n');
  return sum === sumOf(text) ? text : undefined;
}

async function writeWhole(file: string, text: string): Promise<void> {
  await writeFile(`${file}.new`, text);
  await rename(`${file}.new`, file);
}
