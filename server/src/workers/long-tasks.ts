import { access, readFile, writeFile } from 'node:fs/promises';
import { refuseDepth } from '../shared/body.js';
import { HttpProblem } from '../shared/problem.js';
import { attachDatabase } from '../storage/attach.js';
import { Commands, type CommandSummary } from '../undo/commands.js';
import { WorkshopService, type Imported } from '../workshop/workshop.service.js';
import type { Progress } from './answering.js';

/** A database that the program has open, and that nobody else writes to meanwhile. */
interface Attached {
  readonly database: string;
  /** How many writes it counts before this one. */
  readonly writes: number;
}

/** Writes the whole workshop into a file; answers what the workshop is called. */
async function exportWorkshop({
  database: path,
  to,
}: {
  readonly database: string;
  readonly to: string;
}): Promise<string> {
  const database = attachDatabase(path, 0);
  try {
    const workshop = await new WorkshopService(database, new Commands(database)).export();
    await writeFile(to, JSON.stringify(workshop));
    return workshop.name;
  } finally {
    await database.close();
  }
}

/** Puts a workshop file in place of everything stored. */
async function importWorkshop(
  { database: path, writes, from }: Attached & { readonly from: string },
  progress: Progress,
): Promise<Imported> {
  const file = parsed(await readFile(from, 'utf8'));
  const database = attachDatabase(path, writes);
  try {
    // Whoever stops it clears the file away: the last moment at which it is not stored after all.
    return await new WorkshopService(database, new Commands(database)).import(file, progress, () =>
      access(from),
    );
  } finally {
    await database.close();
  }
}

/** Undoes or redoes a change that holds much. */
async function turnCommand({
  database: path,
  writes,
  way,
  id,
}: Attached & { readonly way: 'undo' | 'redo'; readonly id: number }): Promise<CommandSummary> {
  const database = attachDatabase(path, writes);
  try {
    return await new Commands(database)[way](id);
  } finally {
    await database.close();
  }
}

function parsed(text: string): unknown {
  try {
    const file: unknown = JSON.parse(text === '' ? '{}' : text);
    refuseDepth(file);
    return file;
  } catch (reason) {
    if (reason instanceof HttpProblem) throw reason;
    throw new HttpProblem(
      400,
      'Broken JSON',
      'The file is not JSON: check for a missing bracket, comma or quote. Nothing was changed.',
    );
  }
}

/** The work of seconds on a whole workshop. */
export const LONG_TASKS = { exportWorkshop, importWorkshop, turnCommand };
export type LongTasks = typeof LONG_TASKS;
