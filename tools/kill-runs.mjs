import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, build, install, say, stop } from './lib/project.mjs';

// Ends the server with SIGKILL at random moments of a scripted run at the bench, again and again,
// and looks after each whether every event it had acknowledged is there, once and in order.
//   node tools/kill-runs.mjs [times, 100 unless said]
const TIMES = Number(process.argv[2] ?? 100);
const LONGEST_MS = 400;

install();
build();
const folder = mkdtempSync(join(tmpdir(), 'mellow-anvil-kill-'));
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));

async function start() {
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js')], {
    env: { ...process.env, DATA_DIR: folder, PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  for await (const chunk of server.stdout) {
    said += chunk;
    const found = /is at (http:\/\/\S+?)\/\s/.exec(said);
    if (found) return { server, origin: found[1] };
  }
  return stop(`The server stopped: ${said}`);
}

async function ask(origin, method, path, body) {
  const answer = await fetch(origin + path, {
    method,
    headers: body && { 'content-type': 'application/json' },
    body: body && JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`);
  return answer.json();
}

const EDGE = {
  form: 'single-bevel',
  widthMm: 19,
  thicknessMm: 3.5,
  primaryDeg: 25,
  secondaryDeg: 30,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
};
const event = (fact, seq) => ({ id: `event-${seq}`, seq, at: new Date().toISOString(), ...fact });

let { server, origin } = await start();
const tool = await ask(origin, 'POST', '/api/tools', {
  name: 'Chisel',
  family: 'bench-chisel',
  steel: 'high-carbon',
  edge: EDGE,
});
const plan = {
  toolId: tool.id,
  condition: { kind: 'dull' },
  finishUm: 2,
  forceN: 20,
  strokesPerMin: 40,
  steps: [{ abrasiveId: 'w1000', strokes: 100000 }],
};
await ask(origin, 'POST', '/api/runs/run/events', { events: [event({ kind: 'begun', plan }, 0)] });
let acknowledged = 1;
let [lost, doubled, unacknowledged] = [0, 0, 0];

for (let round = 1; round <= TIMES; round++) {
  const ended = once(server, 'exit');
  setTimeout(() => server.kill('SIGKILL'), Math.random() * LONGEST_MS);
  try {
    for (;;) {
      const { next } = await ask(origin, 'POST', '/api/runs/run/events', {
        events: [event({ kind: 'strokes', count: 1 }, acknowledged)],
      });
      acknowledged = next;
    }
  } catch {
    // The server is gone; what it said before stands.
  }
  await ended;
  ({ server, origin } = await start());
  const { events } = await ask(origin, 'GET', '/api/runs/run');
  const ids = events.map(({ id }) => id);
  for (let seq = 0; seq < acknowledged; seq++) if (ids[seq] !== `event-${seq}`) lost += 1;
  doubled += ids.length - new Set(ids).size;
  // An event stored just before its answer could leave is sent again under the same id and passed over.
  unacknowledged += ids.length - acknowledged;
  if (round % 10 === 0)
    say(`${round} kills: ${acknowledged} events acknowledged, ${lost} lost, ${doubled} doubled`);
}
server.kill('SIGTERM');
say(
  `${TIMES} kills, ${acknowledged} events acknowledged: ${lost} lost, ${doubled} doubled; ` +
    `${unacknowledged} times an event was stored whose answer never left.`,
);
process.exitCode = lost + doubled === 0 ? 0 : 1;
