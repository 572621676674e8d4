import { answerTasks } from './answering.js';
import { SHORT_TASKS } from './short-tasks.js';

answerTasks(SHORT_TASKS);
