import { reckon } from '../features/records/reckoning.js';
import { reckonTask } from '../features/records/tasks.js';
import { answerTasks } from '../platform/answering.js';
import { fallWithTheProgram } from '../platform/fall-with-the-program.js';
import { done } from '../platform/task.js';

fallWithTheProgram();
answerTasks([done(reckonTask, reckon)]);
