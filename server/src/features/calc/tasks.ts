import { defineTask } from '../../platform/task.js';

/** A calculation of the contract on a body as it was sent: what is wrong with that is told from there too. */
export const calculateTask = defineTask<{ readonly name: string; readonly body: unknown }, object>(
  'short',
  'calculate',
);
