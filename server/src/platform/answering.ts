import workerpool from 'workerpool';
import type { FieldProblem } from '@mellow-anvil/contract';
import { problemOf } from './problem.js';
import type { DoneTask, Progress } from './task.js';

/** What comes back of a task: errors of a class do not cross over as such. */
export type Outcome =
  | { readonly value: unknown }
  | {
      readonly problem: {
        readonly status: number;
        readonly title: string;
        readonly detail: string;
        readonly errors?: readonly FieldProblem[];
      };
      /** Of a fault of ours, for the log. */
      readonly stack?: string;
    };

/** A page is told this often, and no more. */
const TELL_EVERY_MS = 100;

/** Takes tasks by their names, as the script of a worker. */
export function answerTasks(tasks: readonly DoneTask[]): void {
  workerpool.worker(
    Object.fromEntries(tasks.map((task) => [task.name, (input: unknown) => outcomeOf(task, input)])),
  );
}

async function outcomeOf({ work }: DoneTask, input: unknown): Promise<Outcome> {
  let told = 0;
  const progress: Progress = (done, of) => {
    const now = Date.now();
    if (now - told < TELL_EVERY_MS) return;
    told = now;
    workerpool.workerEmit({ done, of });
  };
  try {
    return { value: await work(input, progress) };
  } catch (reason) {
    const { status, title, message: detail, errors } = problemOf(reason);
    const stack = status >= 500 && reason instanceof Error ? reason.stack : undefined;
    return {
      problem: { status, title, detail, ...(errors && { errors }) },
      ...(stack !== undefined && { stack }),
    };
  }
}
