import { answerTasks } from './answering.js';
import { LONG_TASKS } from './long-tasks.js';

// Should the program fall, this goes with it at once: closing the database as its last user, SQLite would
// write the log into the file behind the seal's back.
process.on('disconnect', () => process.kill(process.pid, 'SIGKILL'));
answerTasks(LONG_TASKS);
