import { readWorkshop } from './workshop.js';

const tool = (id: string, more: object = {}): object => ({
  id,
  name: 'Chisel',
  family: 'bench-chisel',
  steel: 'high-carbon',
  edge: {
    form: 'single-bevel',
    widthMm: 19,
    thicknessMm: 3.5,
    primaryDeg: 25,
    grind: 'flat',
    back: 'flat',
    front: { shape: 'straight' },
  },
  ...more,
});
const use = (id: string, startedAt: string): object => ({
  id,
  toolId: 't',
  kind: 'use',
  startedAt,
  use: { minutes: 5 },
});
const file = (lists: object): object => ({
  format: 'mellow-anvil-workshop',
  version: 1,
  name: 'Shed',
  tools: [tool('t')],
  guides: [],
  abrasives: [],
  plans: [],
  sessions: [],
  ...lists,
});
const faults = (body: unknown): readonly { field: string; message: string }[] => {
  const read = readWorkshop(body);
  return read.ok ? [] : read.errors;
};

describe('readWorkshop', () => {
  it('reads instants of earlier releases as the same moments, as they are written today', () => {
    const read = readWorkshop(
      file({
        sessions: [
          use('a', '2026-03-01T10:00:00+05'),
          use('b', '2026-03-01T10:00:00-03:30'),
          use('c', '2026-03-01T10:00:00.000Z'),
        ],
      }),
    );
    expect(read.ok && read.value.sessions.map(({ startedAt }) => startedAt)).toEqual([
      '2026-03-01T05:00:00.000Z',
      '2026-03-01T13:30:00.000Z',
      '2026-03-01T10:00:00.000Z',
    ]);
  });

  it('refuses a list over its limit without looking at one entry of it', () => {
    let looked = 0;
    const spied = new Proxy(
      {},
      {
        get: (_target, key) => {
          // Telling it from a list or a promise is not looking into it.
          if (typeof key === 'string' && key !== 'then') looked += 1;
          return undefined;
        },
      },
    );
    const [fault] = faults(file({ guides: Array(2001).fill(spied) }));
    expect(fault?.field).toBe('guides');
    expect(looked).toBe(0);
  });

  it('tells the first twenty faults with their places, and looks no further', () => {
    let told = 0;
    const read = readWorkshop(file({ sessions: Array(5000).fill({}) }), () => (told += 1));
    expect(!read.ok && read.errors.length).toBe(20);
    expect(!read.ok && read.errors[0]?.field).toMatch(/^sessions\.0\./);
    expect(told).toBeLessThan(30);
  });

  it('names the second of two entries that share an id', () => {
    expect(faults(file({ tools: [tool('t'), tool('u'), tool('t')] }))).toEqual([
      { field: 'tools.2.id', message: 'Two entries share an id: give each its own.' },
    ]);
  });

  it('tells of every entry it looked at, in order, to the last', () => {
    const told: (readonly number[])[] = [];
    const sessions = Array.from({ length: 7 }, (_, i) => use(`s${i}`, '2026-03-01T10:00:00Z'));
    readWorkshop(file({ sessions }), (done, of) => told.push([done, of]));
    expect(told).toEqual(Array.from({ length: 8 }, (_, i) => [i + 1, 8]));
  });
});
