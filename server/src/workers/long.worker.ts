import { answerTasks } from './answering.js';
import { fallWithTheProgram } from './fall-with-the-program.js';
import { LONG_TASKS } from './long-tasks.js';

fallWithTheProgram();
answerTasks(LONG_TASKS);
