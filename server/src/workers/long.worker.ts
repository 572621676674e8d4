import { access, readFile, writeFile } from 'node:fs/promises';
import { turnCommandTask } from '../features/undo/tasks.js';
import { exportWorkshopTask, importWorkshopTask } from '../features/workshop/tasks.js';
import { WorkshopService } from '../features/workshop/workshop.service.js';
import { KINDS } from '../kinds.js';
import { refuseDepth } from '../platform/body.js';
import { HttpProblem } from '../platform/problem.js';
import { answerTasks } from '../platform/answering.js';
import { fallWithTheProgram } from '../platform/fall-with-the-program.js';
import { done } from '../platform/task.js';
import { attachDatabase, type Attached } from '../storage/attach.js';
import { Commands } from '../storage/commands.js';

// The work of seconds on a whole workshop.
fallWithTheProgram();
answerTasks([
  done(exportWorkshopTask, ({ database, to }) =>
    on({ database, writes: 0 }, async (commands) => {
      const workshop = await new WorkshopService(commands).export();
      await writeFile(to, JSON.stringify(workshop));
      return workshop.name;
    }),
  ),
  done(importWorkshopTask, async ({ from, ...attached }, progress) => {
    const file = parsed(await readFile(from, 'utf8'));
    // Whoever stops it clears the file away: the last moment at which it is not stored after all.
    return on(attached, (commands) =>
      new WorkshopService(commands).import(file, progress, () => access(from)),
    );
  }),
  done(turnCommandTask, ({ way, id, ...attached }) => on(attached, (commands) => commands[way](id))),
]);

/** Does something with a database the program has open, and lets go of it. */
async function on<T>({ database, writes }: Attached, work: (commands: Commands) => Promise<T>): Promise<T> {
  const attached = attachDatabase(database, writes);
  try {
    return await work(new Commands(attached, KINDS));
  } finally {
    await attached.close();
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
