import { dirname, join } from 'node:path';
import sqlite3 from 'sqlite3';
import { LONG_RECORD, SESSIONS, sessionsOf, shopOf, stone } from './many.js';
import { openShop, type Shop } from './shop.js';
import { mediansMsOf, ms, times, type Row } from './table.js';

/** The same rows straight from the file, as the yardstick. */
function plainReader(file: string): { all(sql: string): Promise<unknown[]>; close(): Promise<unknown> } {
  const plain = new sqlite3.Database(file, sqlite3.OPEN_READONLY);
  return {
    all: (sql) =>
      new Promise((resolve, reject) => {
        plain.all(sql, (reason: Error | null, found: unknown[]) =>
          reason ? reject(reason) : resolve(found),
        );
      }),
    close: () => new Promise((resolve) => plain.close(resolve)),
  };
}

/** Two works timed turn by turn, so that whatever else the machine does falls on both. */
async function side(
  what: string,
  aim: string,
  subject: () => Promise<unknown>,
  yardstick: readonly [words: string, work: () => Promise<unknown>],
  before?: () => Promise<unknown>,
): Promise<Row> {
  const [asked, read] = await mediansMsOf(60, subject, yardstick[1], before);
  return {
    what,
    figure: ms(asked),
    yardstick: `${yardstick[0]} ${ms(read)}, ${times(asked / read)} as long`,
    aim,
  };
}

const READ: readonly (readonly [what: string, aim: string, path: string, sql: string])[] = [
  [
    'tools list over HTTP, 300 tools',
    '≤ 1.5 ×',
    '/api/tools?pageSize=500',
    'SELECT * FROM tools WHERE deletedAt IS NULL ORDER BY lower(name), id LIMIT 500',
  ],
  [
    `ledger page over HTTP, newest 100 of ${SESSIONS} sessions`,
    '≤ 2 ×',
    '/api/sessions?sort=-startedAt&pageSize=100',
    'SELECT * FROM sessions WHERE deletedAt IS NULL ORDER BY startedAt DESC, id DESC LIMIT 100',
  ],
  [
    `one tool’s life over HTTP, ${LONG_RECORD} sessions`,
    '≤ 2 ×',
    '/api/records/tool-0',
    "SELECT * FROM sessions WHERE deletedAt IS NULL AND toolId = 'tool-0'",
  ],
];

export async function benchServer(): Promise<Row[]> {
  const shop = await openShop();
  const workshop = shopOf(300);
  const sessions = sessionsOf(workshop.tools, SESSIONS);
  await shop.open({ ...workshop, abrasives: [stone('w1000', '1000'), stone('w8000', '8000')], sessions });
  const get = async (path: string): Promise<unknown> => (await fetch(shop.origin + path)).json();
  const plain = plainReader(shop.database.file);
  const rows: Row[] = [];
  for (const [what, aim, path, sql] of READ) {
    const yardstick = ['the same rows by plain sqlite3', () => plain.all(sql)] as const;
    rows.push(await side(`${what}, asked again`, aim, () => get(path), yardstick));
    // What was answered before is of no use once anything was stored; the storing itself is not timed.
    rows.push(
      await side(
        `${what}, after a change`,
        aim,
        () => get(path),
        yardstick,
        () => changeAnEntry(shop),
      ),
    );
  }
  rows.push(await standing(shop, get, plain), await tapToStored(shop));
  await plain.close();
  await shop.close();
  return rows;
}

let changes = 0;

/** One more entry in the record of the tool whose life is asked for. */
function changeAnEntry(shop: Shop): Promise<unknown> {
  changes += 1;
  return fetch(`${shop.origin}/api/sessions`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      toolId: 'tool-0',
      kind: 'use',
      startedAt: new Date(Date.UTC(2029, 0, 1) + changes * 60_000).toISOString(),
      use: { minutes: 5 },
    }),
  }).then((answer) => answer.text());
}

/** How the stones stand, reckoned anew after one more entry in one tool’s record. */
async function standing(
  shop: Shop,
  get: (path: string) => Promise<unknown>,
  plain: ReturnType<typeof plainReader>,
): Promise<Row> {
  let day = 0;
  const entry = async (): Promise<void> => {
    day += 1;
    const answer = await fetch(`${shop.origin}/api/sessions`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        toolId: 'tool-1',
        kind: 'honing',
        startedAt: new Date(Date.UTC(2030, 0, 1) + day * 3_600_000).toISOString(),
        steps: [{ abrasiveId: 'w1000', strokes: 12, minutes: 1, recessionMm: 0.01 }],
      }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    await get('/api/stones');
  };
  return side(`an entry stored and the stones reckoned anew, ${SESSIONS} sessions`, '', entry, [
    'reading the sessions by plain sqlite3',
    () => plain.all('SELECT * FROM sessions WHERE deletedAt IS NULL'),
  ]);
}

/** From a tap sent to its answer, which comes once the stroke is on the disk. */
async function tapToStored(shop: Shop): Promise<Row> {
  const run = `/api/runs/bench-run/events`;
  let seq = 0;
  const send = async (fact: object): Promise<void> => {
    const event = { id: `event-${seq}`, seq, at: new Date().toISOString(), ...fact };
    seq += 1;
    const answer = await fetch(shop.origin + run, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ events: [event] }),
    });
    if (!answer.ok) throw new Error(await answer.text());
  };
  await send({
    kind: 'begun',
    plan: {
      toolId: 'tool-1',
      condition: { kind: 'dull' },
      finishUm: 2,
      forceN: 20,
      strokesPerMin: 40,
      steps: [{ abrasiveId: 'w1000', strokes: 1000 }],
    },
  });
  const plain = new sqlite3.Database(join(dirname(shop.database.file), 'yardstick.sqlite'));
  const run1 = (sql: string): Promise<void> =>
    new Promise((resolve, reject) => {
      plain.run(sql, (reason: Error | null) => (reason ? reject(reason) : resolve()));
    });
  await run1('PRAGMA journal_mode = WAL');
  await run1('CREATE TABLE events (id TEXT PRIMARY KEY, event TEXT)');
  let written = 0;
  const row = await side(
    'an event from tap to stored, over HTTP',
    '≤ 8 ×',
    () => send({ kind: 'strokes', count: 1 }),
    [
      'one INSERT by plain sqlite3',
      () => run1(`INSERT INTO events VALUES ('e${written++}', '{"kind":"strokes","count":1}')`),
    ],
  );
  await new Promise((resolve) => plain.close(resolve));
  return row;
}
