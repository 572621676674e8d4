import { runOf, sessionsOfRun } from '@mellow-anvil/core/run';
import { TOOLS, runEvents, session, stone } from '../../testing/fixtures.js';
import { openTestWorkshop, type Answer, type TestWorkshop } from '../../testing/workshop.js';

const STROKE = { kind: 'strokes', count: 1 };
const DONE = { kind: 'done' };
const WHOLE = [
  DONE,
  ...Array.from({ length: 8 }, () => STROKE),
  DONE,
  { kind: 'burr', burr: 'all-along' },
  { kind: 'strokes', count: 5 },
  DONE,
  DONE,
  { kind: 'proved', test: 'nail', passed: true },
  { kind: 'finished' },
];

describe('runs', () => {
  let shop: TestWorkshop;
  let toolId: string;
  const send = (events: readonly object[], run = 'r1'): Promise<Answer> =>
    shop.ask('POST', `/api/runs/${run}/events`, { events });
  const ledger = async (): Promise<Answer['body'][]> => (await shop.ask('GET', '/api/sessions')).body.items;

  beforeEach(async () => {
    shop = await openTestWorkshop();
    toolId = (await shop.ask('POST', '/api/tools', TOOLS['bench-chisel'])).body.id;
  });
  afterEach(() => shop.close());

  it('come in one by one and end as one honing in the record, which can be undone', async () => {
    const events = runEvents('r1', toolId, ...WHOLE);
    for (const event of events)
      expect((await send([event])).status)
        .withContext(event.kind)
        .toBe(200);
    const run = (await shop.ask('GET', '/api/runs/r1')).body;
    expect(run.events).toEqual(events);
    expect([run.state, run.next]).toEqual(['finished', events.length]);
    const whole = runOf(events);
    const [kept, ...more] = await ledger();
    expect(more).toEqual([]);
    expect(kept).toEqual(jasmine.objectContaining({ ...(whole && sessionsOfRun(whole)[0]), id: 'r1' }));
    const [{ id, label }] = (await shop.ask('GET', '/api/undo')).body.undo;
    expect(label).toBe(`Hone “${TOOLS['bench-chisel'].name}”`);
    await shop.ask('POST', '/api/undo/undo', { id });
    expect(await ledger()).toEqual([]);
    expect((await shop.ask('GET', '/api/runs')).body).toEqual([]);
  });

  it('keep the whole order, what gates put in, and the care given to stones on the way', async () => {
    const stoneId = (await shop.ask('POST', '/api/abrasives', stone('Water stone', '1000'))).body.id;
    const [begun] = runEvents('r1', toolId);
    if (begun?.kind !== 'begun') throw new Error('a run begins');
    const order = [
      { kind: 'care', abrasiveId: stoneId, care: 'flattened' },
      { kind: 'marker' },
      { kind: 'stone', step: 0 },
      { kind: 'burr' },
      { kind: 'proof' },
    ];
    const facts: object[] = [
      { kind: 'done' },
      { kind: 'marked', left: [] },
      { kind: 'strokes', count: 8 },
      { kind: 'done' },
      { kind: 'burr', burr: 'in-part', places: ['felt', 'none', 'felt', 'felt', 'felt'] },
      { kind: 'strokes', count: 3 },
      { kind: 'done' },
      { kind: 'burr', burr: 'all-along' },
      { kind: 'proved', test: 'force', passed: true, newtons: 1.4 },
      { kind: 'finished' },
    ];
    const steps = begun.plan.steps.map((step) => ({ ...step, abrasiveId: stoneId }));
    const first = { ...begun, plan: { ...begun.plan, steps, order } };
    const events = [first, ...facts].map((fact, seq) => ({
      ...fact,
      id: `w${seq}`,
      seq,
      at: new Date(Date.UTC(2026, 10, 27, 9, 0, seq)).toISOString(),
    }));
    const answered = await send(events);
    expect(answered.status).withContext(JSON.stringify(answered.body)).toBe(200);
    const [kept] = await ledger();
    expect(kept.steps.map(({ strokes, places }: never) => [strokes, places])).toEqual([
      [8, undefined],
      [3, [0, 3, 0, 0, 0]],
    ]);
    expect(kept.outcome).toEqual({
      burr: 'all-along',
      lagged: [1],
      proof: [{ test: 'force', passed: true, newtons: 1.4 }],
      word: 'sharp',
    });
    // The whole run as a file and as a table, an event a line.
    expect((await shop.ask('GET', '/api/runs/r1/run.json')).body.events.length).toBe(events.length);
    const table = ((await shop.ask('GET', '/api/runs/r1/run.csv')).body as string).split('\r\n');
    expect(table[0]).toBe('seq,at,station,fact,abrasiveId,strokes,said');
    expect(table.length).toBe(1 + events.length);
    expect(table[4]).toBe(`3,2026-11-27T09:00:03.000Z,stone,strokes,${stoneId},8,`);
    expect(table[6]).toContain(',burr,burr,,,in-part felt none felt felt felt');
    const { cares } = (await shop.ask('GET', `/api/stones/${stoneId}`)).body;
    expect(cares.map(({ kind }: { kind: string }) => kind)).toEqual(['flattened']);
    const [{ id }] = (await shop.ask('GET', '/api/undo')).body.undo;
    await shop.ask('POST', '/api/undo/undo', { id });
    expect((await shop.ask('GET', `/api/stones/${stoneId}`)).body.cares).toEqual([]);
  });

  it('through the wheel end as a grinding and a honing, taken back together and done again together', async () => {
    const [begun, ...facts] = runEvents('r1', toolId, DONE, ...WHOLE);
    if (begun?.kind !== 'begun') throw new Error('a run begins');
    const grinding = { wheelId: 'wheel', stopShortMm: 0.7, passes: 6, passS: 12, dipS: 3 };
    const stop = { boardId: 'b', board: 'Shed board', label: 'B' };
    const setting = { angleDeg: 30, projectionMm: 29.9, stop };
    await send([{ ...begun, plan: { ...begun.plan, setting, grinding } }, ...facts]);
    const kinds = (entries: readonly object[]): unknown[] =>
      entries.map((entry) => (entry as { kind: string }).kind).sort();
    expect(kinds(await ledger())).toEqual(['grinding', 'honing']);
    expect((await shop.ask('GET', '/api/sessions/r1-wheel')).body.landLeftMm).toBe(0.7);
    expect((await shop.ask('GET', '/api/sessions/r1')).body.setting.stop).toEqual(stop);
    const [{ id, label }] = (await shop.ask('GET', '/api/undo')).body.undo;
    expect(label).toBe(`Grind and Hone “${TOOLS['bench-chisel'].name}”`);
    await shop.ask('POST', '/api/undo/undo', { id });
    expect(await ledger()).toEqual([]);
    await shop.ask('POST', '/api/undo/redo', { id });
    expect(kinds(await ledger())).toEqual(['grinding', 'honing']);
    const wrong = runEvents('r2', toolId)[0];
    if (wrong?.kind !== 'begun') throw new Error('a run begins');
    const refused = await send(
      [{ ...wrong, plan: { ...wrong.plan, grinding: { wheelId: 'wheel', stopShortMm: 0 } } }],
      'r2',
    );
    expect([refused.status, refused.body.errors[0].message]).toEqual([
      422,
      jasmine.stringContaining('0.05 and 10'),
    ]);
  });

  it('are stored once however often they are sent, in any cut', async () => {
    const events = runEvents('r1', toolId, ...WHOLE);
    await send(events.slice(0, 5));
    await send(events.slice(0, 9));
    await send(events.slice(3, 9));
    const answers = await Promise.all([send(events), send(events), send(events)]);
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    expect((await shop.ask('GET', '/api/runs/r1')).body.events).toEqual(events);
    expect((await ledger()).length).toBe(1);
  });

  it('with a gap before them, or in another’s place, are sent back and nothing is stored of them', async () => {
    const events = runEvents('r1', toolId, ...WHOLE);
    await send(events.slice(0, 3));
    const gap = await send(events.slice(4, 6));
    expect([gap.status, gap.body.title]).toEqual([409, 'Out of step']);
    expect(gap.body.detail).toContain('the next is number 3');
    const usurper = await send([{ ...events[2], id: 'other' }]);
    expect(usurper.status).toBe(409);
    expect((await shop.ask('GET', '/api/runs/r1')).body.events).toEqual(events.slice(0, 3));
    await send(runEvents('r2', toolId), 'r2');
    expect((await send([{ ...events[3], id: 'r2-0' }])).body.detail).toContain('belongs to another run');
  });

  it('list those still open, and stay out of the record when thrown away', async () => {
    await send(runEvents('r1', toolId, DONE, STROKE));
    await send(runEvents('r2', toolId, DONE, STROKE, { kind: 'thrown-away' }), 'r2');
    const open = (await shop.ask('GET', '/api/runs')).body;
    expect(open).toEqual([
      { id: 'r1', toolId, state: 'open', startedAt: '2026-11-23T09:00:00.000Z', next: 3 },
    ]);
    expect(await ledger()).toEqual([]);
    const late = await send([{ kind: 'done', id: 'late', seq: 4, at: '2026-11-23T10:00:00Z' }], 'r2');
    expect(late.body.detail).toContain('has ended');
  });

  it('begin once, end once, and take an event sent twice in one batch once', async () => {
    const events = runEvents('r1', toolId, ...WHOLE);
    const [begun] = events;
    const twice = await send([...events.slice(0, 3), ...events.slice(2, 5)]);
    expect([twice.status, twice.body.next]).toEqual([200, 5]);
    const cases: [readonly object[], RegExp][] = [
      [[{ ...begun, id: 'again', seq: 5 }], /begins once/],
      [
        [5, 6].map((seq) => ({ kind: seq === 5 ? 'finished' : 'done', id: `e${seq}`, seq, at: begun?.at })),
        /Nothing comes after/,
      ],
      [
        [
          { ...events[5], id: 'same' },
          { ...events[6], id: 'same' },
        ],
        /share the id/,
      ],
    ];
    for (const [body, words] of cases) {
      const refused = await send(body);
      expect([refused.status, refused.body.errors[0].message]).toEqual([422, jasmine.stringMatching(words)]);
    }
    expect((await shop.ask('GET', '/api/runs/r1')).body.events).toEqual(events.slice(0, 5));
  });

  it('never write over an entry of the record: neither at their beginning nor at their end', async () => {
    const kept = (await shop.ask('POST', '/api/sessions', session(toolId))).body;
    const taken = await send(runEvents(kept.id, toolId, ...WHOLE), kept.id);
    expect([taken.status, taken.body.title]).toEqual([409, 'Taken']);
    // An entry of the run's id that a file brings while the run is under way.
    const events = runEvents('r1', toolId, ...WHOLE);
    await send(events.slice(0, 3));
    const file = (await shop.ask('GET', '/api/workshop')).body;
    const brought = { ...file.sessions[0], id: 'r1' };
    await shop.ask('PUT', '/api/workshop', { ...file, sessions: [...file.sessions, brought] });
    expect((await send(events)).body.state).toBe('finished');
    const { id, ...asBrought } = brought;
    expect((await shop.ask('GET', `/api/sessions/${id}`)).body).toEqual(jasmine.objectContaining(asBrought));
    expect((await ledger()).length).toBe(3);
  });

  it('of a tool removed meanwhile wait until it is back', async () => {
    const events = runEvents('r1', toolId, ...WHOLE);
    await send(events.slice(0, -1));
    const { version } = (await shop.ask('GET', `/api/tools/${toolId}`)).body;
    await shop.ask('DELETE', `/api/tools/${toolId}?version=${version}`);
    const refused = await send(events);
    expect([refused.status, refused.body.detail]).toEqual([
      422,
      jasmine.stringContaining('Bring it back with Undo'),
    ]);
    const [{ id }] = (await shop.ask('GET', '/api/undo')).body.undo;
    await shop.ask('POST', '/api/undo/undo', { id });
    expect((await send(events)).body.state).toBe('finished');
    expect((await ledger()).length).toBe(1);
  });

  it('refuse in words what makes no run, and half of nothing is stored', async () => {
    const events = runEvents('r1', toolId, DONE, STROKE);
    const cases: [readonly object[], number, RegExp][] = [
      [[events[1] as object], 409, /the next is number 0/],
      [[{ ...events[1], seq: 0 }], 422, /starts with the event “begun”/],
      [runEvents('r1', 'nobody'), 422, /not on the rack/],
      [[{ ...events[0], kind: 'danced' }], 422, /Kind: choose/],
      [[{ ...events[0], at: 'this morning' }], 422, /with its zone/],
      [[events[0] as object, { ...events[2], count: 1e9 }], 422, /Strokes counted lies between/],
      [[], 422, /too short/],
      [runEvents('r1', toolId, DONE, DONE, { kind: 'finished' }), 422, /not a stroke was made/],
    ];
    for (const [body, status, words] of cases) {
      const refused = await send(body);
      expect(refused.status).withContext(String(words)).toBe(status);
      expect(refused.body.detail).toMatch(words);
    }
    expect((await shop.ask('GET', '/api/runs/r1')).status).toBe(404);
    expect((await shop.ask('POST', '/api/runs/..%2Fetc/events', { events })).status).toBe(422);
  });
});
