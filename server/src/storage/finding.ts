import { readFile, readdir } from 'node:fs/promises';
import { statSync } from 'node:fs';
import { join } from 'node:path';
import { readSeal, sha256Of } from './seal.js';
import { SUM } from './snapshot.js';
import { faultIn, firstLook } from './soundness.js';
import { withSqliteFile } from './sqlite-file.js';

/** Why a workshop's file is not to be used as it is, and what besides a backup can be put in its place. */
export interface Damage {
  /** Whole sentences. */
  readonly why: string;
  /** It can be read all the same: opening it as it is is one way out. */
  readonly readable: boolean;
}

/** How a workshop's file was found at the start. */
export type Finding =
  | { readonly is: 'new' }
  | {
      readonly is: 'sound';
      /** It is, byte for byte, what this program wrote. */
      readonly sealed: boolean;
      /** It is one of the backups, put in place by hand. */
      readonly backup?: string;
    }
  | { readonly is: 'damaged'; readonly damage: Damage };

const GONE = 'There is no workshop in this folder any more, though there are backups of one.';
const EMPTY = 'The workshop’s file is empty: what was in it was lost.';
const OTHER = 'The workshop’s file is no database: something else was written over it.';

/**
 * Looks at a workshop's file before anything opens it, and changes nothing.
 * @param backups the folder its backups lie in
 */
export async function findDatabase(file: string, backups: string): Promise<Finding> {
  const look = await firstLook(file);
  const copies = await sumsIn(backups);
  if (look === 'missing' || look === 'empty') {
    // A program that was killed in its very first moment leaves an empty file, and nothing else.
    if (copies.size === 0 && sizeOf(`${file}-wal`) === 0) return { is: 'new' };
    return damaged(look === 'missing' ? GONE : EMPTY, false);
  }
  if (look === 'something-else') return damaged(OTHER, false);
  const seal = await readSeal(file);
  if (seal !== undefined && seal !== 'open') {
    const now = await sha256Of(file);
    if (now === seal.sha256) return { is: 'sound', sealed: true };
    const backup = copies.get(now);
    if (backup !== undefined) return { is: 'sound', sealed: false, backup };
    const fault = await faultAsItLies(file);
    return damaged(
      `The workshop’s file is not what this program wrote on ${inWords(seal.at)}: the disk or another program has changed it.${fault ? ` ${fault}` : ''}`,
      fault === undefined,
    );
  }
  const fault = await faultAsItLies(file);
  if (fault !== undefined) return damaged(`The workshop’s file is damaged. ${fault}`, false);
  const backup = seal === undefined ? copies.get(await sha256Of(file)) : undefined;
  return { is: 'sound', sealed: false, ...(backup !== undefined && { backup }) };
}

/** Only reads: another connection would write the log into the file when it closes. */
const faultAsItLies = (file: string): Promise<string | undefined> =>
  withSqliteFile(file, { readOnly: true }, faultIn);

const damaged = (why: string, readable: boolean): Finding => ({ is: 'damaged', damage: { why, readable } });

/** The names of the backups by their sums. */
async function sumsIn(folder: string): Promise<Map<string, string>> {
  const names = (await readdir(folder).catch(() => [])).filter((name) => name.endsWith(`.sqlite${SUM}`));
  const sums = await Promise.all(
    names.map(async (name): Promise<[string, string]> => {
      const sum = await readFile(join(folder, name), 'utf8').catch(() => '');
      return [sum.trim(), name.slice(0, -SUM.length)];
    }),
  );
  return new Map(sums);
}

/** Bytes of a file, none where there is none. */
export const sizeOf = (file: string): number => statSync(file, { throwIfNoEntry: false })?.size ?? 0;

const inWords = (instant: string): string => `${instant.slice(0, 16).replace('T', ' ')} UTC`;
