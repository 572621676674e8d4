import { reckon } from '../records/reckoning.js';
import { answerTasks } from './answering.js';
import { fallWithTheProgram } from './fall-with-the-program.js';

fallWithTheProgram();
const RECKONING_TASKS = { reckon };
export type ReckoningTasks = typeof RECKONING_TASKS;
answerTasks(RECKONING_TASKS);
