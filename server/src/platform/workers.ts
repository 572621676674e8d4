import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import workerpool, { type Pool } from 'workerpool';
import { HttpProblem } from './problem.js';
import type { Outcome } from './answering.js';
import type { Pool as PoolName, Progress, Task } from './task.js';

interface WorkOptions {
  /** Stops it; what of it is not stored by then is not stored at all. */
  readonly signal?: AbortSignal;
  readonly progress?: Progress;
}

/** How long a figure or a drawing may take, and how many may wait for their turn. */
const SHORT_TASK_MS = 20_000;
const MOST_WAITING = 500;

/** What a worker's memory may grow to, MB: past that the task is ended, not the program. */
const SHORT_MEMORY_MB = 1024;
const LONG_MEMORY_MB = 3072;

const script = (name: string): string =>
  fileURLToPath(new URL(`../workers/${name}.worker.js`, import.meta.url));

/** Figures and drawings, in threads. */
const short = once(() =>
  workerpool.pool(script('short'), {
    workerType: 'thread',
    maxWorkers: Math.max(1, Math.min(4, availableParallelism() - 1)),
    maxQueueSize: MOST_WAITING,
    workerThreadOpts: { resourceLimits: { maxOldGenerationSizeMb: SHORT_MEMORY_MB } },
  }),
);

/**
 * The work of seconds on a whole workshop, one after the other, in a process of its own: SQLite's addon
 * takes the whole program down when a thread that uses it is ended.
 */
const long = once(() =>
  workerpool.pool(script('long'), {
    workerType: 'process',
    maxWorkers: 1,
    maxQueueSize: MOST_WAITING,
    forkOpts: { serialization: 'advanced', execArgv: [`--max-old-space-size=${LONG_MEMORY_MB}`] },
  }),
);

/** What the record comes to, in a process that keeps what it has reckoned. */
const reckoning = once(() =>
  workerpool.pool(script('reckoning'), {
    workerType: 'process',
    maxWorkers: 1,
    maxQueueSize: MOST_WAITING,
    forkOpts: { serialization: 'advanced', execArgv: [`--max-old-space-size=${LONG_MEMORY_MB}`] },
  }),
);

const POOLS: Readonly<Record<PoolName, () => Pool>> = { short, long, reckoning };

/** Does a task beside the main thread, which goes on answering. @throws HttpProblem */
export async function beside<I, O>(
  { pool: where, name }: Task<I, O>,
  input: I,
  { signal, progress }: WorkOptions = {},
): Promise<O> {
  const pool = POOLS[where]();
  if (signal?.aborted) throw STOPPED;
  if (pool.stats().pendingTasks >= MOST_WAITING) {
    throw new HttpProblem(503, 'Busy', 'Too much is being worked out already: try again in a moment.');
  }
  const running = pool.exec(name, [input], {
    ...(progress && { on: ({ done: far, of }: { done: number; of: number }) => progress(far, of) }),
  });
  const stop = (): void => void running.cancel();
  signal?.addEventListener('abort', stop, { once: true });
  try {
    const outcome = (await (where === 'short' ? inTime(running, SHORT_TASK_MS) : running)) as Outcome;
    if ('value' in outcome) return outcome.value as O;
    const { status, title, detail, errors } = outcome.problem;
    throw Object.assign(new HttpProblem(status, title, detail, errors), { cause: outcome.stack });
  } catch (reason) {
    if (reason instanceof HttpProblem) throw reason;
    if (signal?.aborted) throw STOPPED;
    throw endedEarly(reason);
  } finally {
    signal?.removeEventListener('abort', stop);
  }
}

/** Ends a task that takes too long, waiting for its turn among it. */
async function inTime<T>(running: PromiseLike<T> & { cancel(): unknown }, withinMs: number): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(() => {
      running.cancel();
      reject(TOO_LONG);
    }, withinMs);
  });
  try {
    return await Promise.race([running, late]);
  } finally {
    clearTimeout(timer);
  }
}

const TOO_LONG = new HttpProblem(
  422,
  'Too much at once',
  'This would take longer than 20 seconds to work out: ask for less at once.',
);
const STOPPED = new HttpProblem(499, 'Stopped', 'This was stopped; nothing was changed.');

function endedEarly(reason: unknown): unknown {
  const { message = '' } = (reason ?? {}) as { message?: string };
  return /terminated/i.test(message)
    ? new HttpProblem(413, 'Too large', 'This holds more than there is memory for here: send less at once.')
    : reason;
}

function once<T>(make: () => T): () => T {
  let made: T | undefined;
  return () => (made ??= make());
}
