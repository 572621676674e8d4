/**
 * Has a process end at once when the program does. Closing the database as its last user, SQLite would
 * write the log into the file behind the seal's back; and what was still to be said reaches nobody.
 */
export function fallWithTheProgram(): void {
  const fall = (): void => void process.kill(process.pid, 'SIGKILL');
  process.on('disconnect', fall);
  process.on('uncaughtException', (reason: NodeJS.ErrnoException) => {
    const gone = reason.code === 'ERR_IPC_CHANNEL_CLOSED' || reason.code === 'EPIPE';
    if (!gone) process.stderr.write(`${reason.stack ?? reason.message}\n`);
    fall();
  });
}
