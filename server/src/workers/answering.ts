import workerpool from 'workerpool';
import type { FieldProblem } from '@mellow-anvil/contract';
import { problemOf } from '../shared/problem.js';

/** Says how far a task has come. */
export type Progress = (done: number, of: number) => void;

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

type Task = (input: never, progress: Progress) => unknown;

/** A page is told this often, and no more. */
const TELL_EVERY_MS = 100;

/** Takes tasks by their names, as the script of a worker. */
export function answerTasks(tasks: Readonly<Record<string, Task>>): void {
  workerpool.worker(
    Object.fromEntries(
      Object.entries(tasks).map(([name, task]) => [name, (input: never) => outcomeOf(task, input)]),
    ),
  );
}

async function outcomeOf(task: Task, input: never): Promise<Outcome> {
  let told = 0;
  const progress: Progress = (done, of) => {
    const now = Date.now();
    if (now - told < TELL_EVERY_MS) return;
    told = now;
    workerpool.workerEmit({ done, of });
  };
  try {
    return { value: await task(input, progress) };
  } catch (reason) {
    const { status, title, message: detail, errors } = problemOf(reason);
    const stack = status >= 500 && reason instanceof Error ? reason.stack : undefined;
    return {
      problem: { status, title, detail, ...(errors && { errors }) },
      ...(stack !== undefined && { stack }),
    };
  }
}
