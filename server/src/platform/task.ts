/** Where a task is done: figures and drawings in threads; whole workshops, and the record, each in a process. */
export type Pool = 'short' | 'long' | 'reckoning';

/** A piece of work done beside the main thread, known by its name on both sides. */
export interface Task<I, O> {
  readonly name: string;
  readonly pool: Pool;
  /** What it takes and gives: for the compiler alone. */
  readonly does?: (input: I) => O;
}

/** Names a task; what it does is said where its workers begin. */
export const defineTask = <I, O>(pool: Pool, name: string): Task<I, O> => ({ pool, name });

/** Says how far a task has come. */
export type Progress = (done: number, of: number) => void;

/** A task with what it does, as its worker knows it. */
export interface DoneTask {
  readonly name: string;
  readonly work: (input: unknown, progress: Progress) => unknown;
}

/** A task and what it does. */
export const done = <I, O>(
  { name }: Task<I, O>,
  work: (input: I, progress: Progress) => O | Promise<O>,
): DoneTask => ({ name, work: (input, progress) => work(input as I, progress) });
