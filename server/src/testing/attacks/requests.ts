import { once } from 'node:events';
import { loadavg } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import fc from 'fast-check';
import { openApi } from '../../platform/openapi.js';
import { GUIDE, TOOLS, session, stone } from '../fixtures.js';
import { inFolder, type Outcome } from './folders.js';
import { mostMemoryMb, startProgram, type Program } from './program.js';

const METHODS = ['get', 'post', 'put', 'delete'] as const;
const AT_ONCE = 8;
const WARMING = 60;

const long = 'x'.repeat(80_000);
const edge = TOOLS['bench-chisel'].edge;
const kinds = Array.from({ length: 20 }, (_, i) => ({
  name: `n${i}`,
  thicknessMm: 0.011 + i * 0.007,
  count: 99,
}));
const stones = Array.from({ length: 500 }, (_, i) => ({
  id: `s${i}`,
  sizeUm: 400 - i * 0.7,
  strokeMm: 150,
  overheadMin: 0.5,
}));

/** Bodies somebody found, or might: empty, broken, deep, long, many, huge, heavy though in range. */
const HOSTILE: readonly string[] = [
  '',
  '{}',
  '[]',
  'null',
  '{"a":',
  '"text"',
  '{"a":'.repeat(3000) + '1' + '}'.repeat(3000),
  '['.repeat(20_000) + ']'.repeat(20_000),
  '{"__proto__":{"a":1},"constructor":{"prototype":1}}',
  JSON.stringify({ name: `${long}\u0001` }),
  JSON.stringify({ ...TOOLS.gouge, notes: long, name: ' '.repeat(90_000) }),
  JSON.stringify({ events: Array(20_000).fill({}) }),
  JSON.stringify({ toolId: 'x', kind: 'use', startedAt: '1'.repeat(50_000) }),
  `{"edge":${JSON.stringify(edge).replace('19', '1e999')},"condition":{"kind":"dull"}}`,
  '{"condition":{"kind":"dull"}}',
  JSON.stringify({ knife: { widthMm: 400, bevelDeg: 44 }, widthMm: 400, bevelDeg: 44, packing: kinds }),
  JSON.stringify({
    abrasives: stones,
    job: { removeMm3: 5, contactMm2: 30, forceN: 20, strokesPerMin: 40 },
    finishUm: 60,
    stones: 60,
  }),
  JSON.stringify({
    format: 'mellow-anvil-workshop',
    version: 1,
    name: 'x',
    tools: [],
    guides: [],
    abrasives: [],
    plans: [],
    sessions: Array(60_000).fill({}),
  }),
  JSON.stringify({
    csv: `name,kind,grade.standard,grade.grade\n${'a'.repeat(60_000)},${'\t '.repeat(20_000)}`,
  }),
  JSON.stringify(TOOLS.gouge),
  JSON.stringify(GUIDE),
  JSON.stringify(session('x')),
  JSON.stringify(stone('x', '1000')),
];

const IDS = [
  'x',
  '%00',
  '%E0%A4%A',
  '..%2F..%2Fetc',
  'a%0ab',
  '%F0%9F%AA%92',
  'y'.repeat(3000),
  'set.csv',
  'constructor',
  '__proto__',
];

interface Sent {
  readonly method: (typeof METHODS)[number];
  readonly path: string;
  readonly body?: string;
  readonly headers?: Record<string, string>;
}

const anything = fc.oneof(
  { arbitrary: fc.constantFrom(...HOSTILE), weight: 2 },
  { arbitrary: fc.json({ maxDepth: 6 }), weight: 1 },
  { arbitrary: fc.object({ maxDepth: 3 }).map((made) => JSON.stringify(made)), weight: 1 },
);
const headers = fc.constantFrom<Record<string, string>>(
  {},
  {},
  {},
  {},
  { 'content-encoding': 'gzip' },
  { 'content-encoding': 'x' },
  { 'content-type': 'text/plain' },
  { 'content-type': 'application/json; charset=utf-99' },
);

/** Every operation the server describes, asked with anything. */
function requests(): fc.Arbitrary<Sent> {
  const operations = Object.entries(openApi()['paths'] as Record<string, object>).flatMap(([path, item]) =>
    METHODS.filter((method) => method in item).map((method) => ({ path, method })),
  );
  const asked = fc.record({
    operation: fc.constantFrom(...operations),
    id: fc.constantFrom(...IDS),
    query: fc.constantFrom(
      '',
      '',
      '?page=1e9',
      '?sort=%00',
      '?pageSize=-1&q=%25',
      `?q=${'z'.repeat(5000)}`,
      '?version=1',
    ),
    body: anything,
    headers,
  });
  return asked.map(({ operation: { path, method }, id, query, body, headers: sent }) => ({
    method,
    path: `${path.replace(/\{[^}]+\}/g, id)}${query}`,
    ...(method !== 'get' && method !== 'delete' && { body, headers: sent }),
  }));
}

/** The time within which 99 of 100 answers came, ms. */
function hundredth99(times: readonly number[]): number {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length * 0.99)] ?? 0;
}

/** Asks the health routes of some programs in turns until told to stop; how long each answer took, ms. */
function pinging(origins: readonly string[]): () => Promise<readonly (readonly number[])[]> {
  const pinger = new Worker(new URL('./pinger.js', import.meta.url), { workerData: origins });
  return async () => {
    pinger.postMessage('stop');
    const [times] = (await once(pinger, 'message')) as [readonly (readonly number[])[]];
    return times;
  };
}

/**
 * Sends requests of every operation with bodies, ids and headers of every bad kind, and asks meanwhile
 * whether the program still answers, beside another of its kind that nobody asks anything: none may fail
 * on its side, and none may stop it.
 * @param deafMs the longest answer of the health route, beyond the idle program's, that is let pass
 */
export function attackByRequests(count: number, deafMs = Infinity): Promise<Outcome> {
  return inFolder(async (folder) => {
    const [busy, idle] = [await startProgram(join(folder, 'busy')), await startProgram(join(folder, 'idle'))];
    try {
      return await sendAll(fc.sample(requests(), count), busy, idle, deafMs);
    } finally {
      await Promise.all([busy.stop(), idle.stop()]);
    }
  });
}

async function sendAll(
  wanted: readonly Sent[],
  busy: Program,
  idle: Program,
  deafMs: number,
): Promise<Outcome> {
  const failures: string[] = [];
  const statuses = new Map<number, number>();
  const ask = async ({ method, path, body, headers }: Sent): Promise<number> => {
    const answer = await fetch(busy.origin + path, {
      method,
      ...(body !== undefined && { body, headers: { 'content-type': 'application/json', ...headers } }),
    });
    await answer.text();
    return answer.status;
  };
  await ask({ method: 'post', path: '/api/tools', body: JSON.stringify(TOOLS.gouge) });
  // A program just begun compiles what it is first asked: that is its start, not these requests.
  for (const sent of fc.sample(requests(), WARMING)) await ask(sent).catch(() => 0);
  const pings = pinging([busy.origin, idle.origin]);
  let next = 0;
  const sender = async (): Promise<void> => {
    for (let sent = wanted[next++]; sent; sent = wanted[next++]) {
      const words = `${sent.method} ${sent.path.slice(0, 80)} ${sent.body?.slice(0, 80) ?? ''}`;
      try {
        const status = await ask(sent);
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
        if (status >= 500) failures.push(`${words}: ${status}`);
      } catch (reason) {
        failures.push(
          `${words}: ${((reason as Error).cause as Error | undefined)?.message ?? String(reason)}`,
        );
      }
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, sender));
  const [stirred = [], still = []] = await pings();
  const memory = await mostMemoryMb(busy.program.pid as number);
  const longest = (times: readonly number[]): number => Math.max(0, ...times);
  if (longest(stirred) > longest(still) + deafMs) failures.push(`deaf for ${longest(stirred).toFixed(0)} ms`);
  const told = [...statuses]
    .sort()
    .map(([status, n]) => `${status}: ${n}`)
    .join(', ');
  const figures = (times: readonly number[]): string =>
    `99th hundredth ${hundredth99(times).toFixed(0)} ms, longest ${longest(times).toFixed(0)} ms`;
  return {
    what: 'hostile requests',
    tried:
      `${wanted.length} sent, eight at once (${told}); the health route: ${figures(stirred)}; ` +
      `of an idle program meanwhile: ${figures(still)}; load ${loadavg()[0]?.toFixed(1) ?? ''}` +
      (memory === undefined
        ? ''
        : `; memory of all its processes, each at its most, ${memory.toFixed(0)} MB`),
    failures: [...new Set(failures)],
  };
}
