import { reckon } from '../records/reckoning.js';
import { answerTasks } from './answering.js';

// As in the other process that has the database open: it goes at once when the program does.
process.on('disconnect', () => process.kill(process.pid, 'SIGKILL'));
const RECKONING_TASKS = { reckon };
export type ReckoningTasks = typeof RECKONING_TASKS;
answerTasks(RECKONING_TASKS);
