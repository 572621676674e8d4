import { monitorEventLoopDelay } from 'node:perf_hooks';
import { setTimeout as pause } from 'node:timers/promises';
import { sessionsOf, shopOf, stone } from './many.js';
import { openShop } from './shop.js';
import { ms, type Row } from './table.js';

const SIZES = [2_000, 50_000, 100_000] as const;
const TOOLS = 300;

interface Took {
  readonly ms: number;
  /** The longest the server, which is in this process, did not come to answer anybody. */
  readonly deafMs: number;
}

/** How long a work takes, and how long the main thread stood still meanwhile. */
async function watched(work: () => Promise<unknown>): Promise<Took> {
  const delay = monitorEventLoopDelay({ resolution: 5 });
  delay.enable();
  const started = performance.now();
  await work();
  const took = performance.now() - started;
  delay.disable();
  return { ms: took, deafMs: delay.max / 1e6 };
}

/** What a workshop of so many entries asks of whoever waits, each once, from cold. */
async function grown(entries: number): Promise<Readonly<Record<string, Took>>> {
  const shop = await openShop();
  const workshop = shopOf(TOOLS);
  const file = Buffer.from(
    JSON.stringify({
      ...workshop,
      abrasives: [stone('w1000', '1000'), stone('w8000', '8000')],
      sessions: sessionsOf(workshop.tools, entries),
    }),
  );
  const ask = async (path: string, method = 'GET', body?: Buffer | object): Promise<Response> => {
    const answer = await fetch(shop.origin + path, {
      method,
      ...(body && {
        headers: { 'content-type': 'application/json' },
        body: Buffer.isBuffer(body) ? new Uint8Array(body) : JSON.stringify(body),
      }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    return answer;
  };
  // Taken to its end, and not into objects: what is measured is the server, not this reader.
  const get = async (path: string): Promise<unknown> => (await ask(path)).arrayBuffer();
  const took: Record<string, Took> = {};
  took['nothing, for a second'] = await watched(() => pause(1000));
  took['a workshop file opened'] = await watched(() => ask('/api/workshop', 'PUT', file));
  took['the records, cold'] = await watched(() => get('/api/records'));
  took['the records, kept'] = await watched(() => get('/api/records'));
  const { id, version, createdAt, updatedAt, ...changed } = (await (
    await ask('/api/abrasives/w1000')
  ).json()) as Record<string, unknown>;
  await ask(`/api/abrasives/${String(id)}`, 'PUT', { ...changed, strokeMm: 160, version });
  took['the rack as the page asks for it, a stone changed'] = await watched(() =>
    get('/api/records?withinMs=400'),
  );
  took['the records, a stone changed'] = await watched(() => get('/api/records'));
  await ask('/api/sessions', 'POST', {
    toolId: 'tool-7',
    kind: 'use',
    startedAt: '2031-01-01T09:00:00Z',
    use: { minutes: 5 },
  });
  took['the rack as the page asks for it, an entry added'] = await watched(() =>
    get('/api/records?withinMs=400'),
  );
  took['the records, an entry added'] = await watched(() => get('/api/records'));
  took['the ledger by date of change'] = await watched(() =>
    get('/api/sessions?sort=-updatedAt&pageSize=100'),
  );
  took['the ledger'] = await watched(() => get('/api/sessions?sort=-startedAt&pageSize=100'));
  took['the tools'] = await watched(() => get('/api/tools?pageSize=500'));
  took['one tool’s life'] = await watched(() => get('/api/records/tool-9'));
  took['a workshop file saved'] = await watched(() => get('/api/workshop'));
  const { name } = (await (await ask('/api/backups', 'POST')).json()) as { name: string };
  took['a backup put back'] = await watched(() => ask('/api/backups/restore', 'POST', { name }));
  for (let i = 0; i < 2; i++) {
    const { undo } = (await (await ask('/api/undo')).json()) as { undo: { id: number }[] };
    await ask('/api/undo/undo', 'POST', { id: undo[0]?.id });
  }
  const { undo } = (await (await ask('/api/undo')).json()) as { undo: { id: number }[] };
  took['its opening undone'] = await watched(() => ask('/api/undo/undo', 'POST', { id: undo[0]?.id }));
  await shop.close();
  return took;
}

/** How what people wait for grows with the record, with the exponent between the first two sizes. */
export async function benchGrowth(): Promise<Row[]> {
  const all: Readonly<Record<string, Took>>[] = [];
  for (const size of SIZES) all.push(await grown(size));
  const [few, many] = all as [Readonly<Record<string, Took>>, Readonly<Record<string, Took>>];
  return Object.keys(few).map((what) => {
    const exponent =
      Math.log((many[what] as Took).ms / (few[what] as Took).ms) / Math.log(SIZES[1] / SIZES[0]);
    return {
      what: `${what}, ${SIZES.map((size) => size.toLocaleString('en-GB')).join(' → ')} entries`,
      figure: all.map((took) => ms((took[what] as Took).ms)).join(' → '),
      yardstick: `exponent ${exponent.toFixed(2)}; deaf ${all.map((took) => ms((took[what] as Took).deafMs)).join(' → ')}`,
      aim: 'deaf ≤ 200 ms',
    };
  });
}
