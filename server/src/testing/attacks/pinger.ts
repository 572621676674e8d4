import { setTimeout as pause } from 'node:timers/promises';
import { parentPort, workerData } from 'node:worker_threads';

// Asks the health routes of some programs in turns until told to stop, from a thread that does nothing
// else, and answers how long each took, ms, by program.
const EVERY_MS = 10;
const origins = workerData as readonly string[];
const times = origins.map((): number[] => []);
let going = true as boolean;
parentPort?.once('message', () => (going = false));
while (going) {
  for (const [i, origin] of origins.entries()) {
    const asked = performance.now();
    await (await fetch(`${origin}/api/health`)).text();
    times[i]?.push(performance.now() - asked);
  }
  await pause(EVERY_MS);
}
parentPort?.postMessage(times);
