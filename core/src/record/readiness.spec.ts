import type { Session } from './session.js';
import type { RackState, Tool } from '../blade/tool.js';
import type { RecordedSession } from './edge-state.js';
import { nextSpell } from './next-spell.js';
import { PLAIN_HAND, RACK_RULES, readiness, type Readiness } from './readiness.js';
import { proposedUse, toolRecord } from './tool-record.js';

const chisel: Tool = {
  name: 'Chisel',
  family: 'bench-chisel',
  steel: 'high-carbon',
  edge: {
    form: 'single-bevel',
    widthMm: 19,
    thicknessMm: 3.5,
    primaryDeg: 25,
    secondaryDeg: 30,
    landMm: 0.5,
    grind: 'flat',
    back: 'flat',
    front: { shape: 'straight' },
  },
};
const gouge: Tool = {
  ...chisel,
  family: 'gouge',
  edge: { form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
};

/** A record with one entry a day. */
const recordOf = (...entries: (Partial<Session> & Pick<Session, 'kind'>)[]): RecordedSession[] =>
  entries.map((session, i) => ({
    id: `s${i}`,
    toolId: 't',
    startedAt: `2026-03-${String(i + 1).padStart(2, '0')}T09:00:00Z`,
    ...session,
  }));
const judged = (tool: Tool, sessions: RecordedSession[]): Readiness =>
  readiness(tool, toolRecord(tool, sessions, []));

const honed = { kind: 'honing' } as const;
const stropped = { kind: 'stropping' } as const;
const used = (minutes: number, stillCutting = true, more: Partial<Session> = {}): Session =>
  ({ kind: 'use', use: { minutes, stillCutting }, ...more }) as Session;

const strops = (count: number): (Partial<Session> & Pick<Session, 'kind'>)[] =>
  Array.from({ length: count }, () => [used(20), stropped]).flat();

describe('readiness', () => {
  it('gives each state by its own rule, with the reason', () => {
    const nick = (deepestMm: number): Partial<Session> => ({ chips: { count: 2, deepestMm } });
    // Eight edges of about two hours, in spells of half an hour.
    const spells = (count: number): Partial<Session>[] => Array.from({ length: count }, () => used(30));
    const edgeOf = (last: number): (Partial<Session> & Pick<Session, 'kind'>)[] =>
      [...spells(3), used(last, false), honed] as RecordedSession[];
    const lives = [honed, ...[20, 30, 40, 30, 20, 30, 40, 30].flatMap(edgeOf)] as RecordedSession[];
    const someCut = (count: number): RecordedSession[] =>
      recordOf(...lives, ...(spells(count) as RecordedSession[]));
    const cases: [string, RackState, Tool, RecordedSession[], RegExp][] = [
      ['deep-nick', 'repair', chisel, recordOf(honed, used(5, false, nick(1.2))), /Nicked 1.2 mm deep/],
      ['nick', 'regrind', chisel, recordOf(honed, used(5, true, nick(0.5))), /0.5 mm deep: too much/],
      ['wide-land', 'regrind', chisel, recordOf({ kind: 'measuring', landMm: 2.5 }), /land is 2.5 mm wide/],
      [
        'chipped',
        'hone',
        chisel,
        recordOf(honed, used(5, true, nick(0.1))),
        /2 chips since it was honed, 0.1 mm/,
      ],
      ['strop-first', 'strop', gouge, recordOf(honed, used(20, false)), /stropped not at all/],
      ['blunt', 'hone', chisel, recordOf(honed, used(70, false)), /no longer cut after 1 h 10 min/],
      [
        'soon-blunt',
        'hone',
        chisel,
        someCut(3),
        /a spell of 30 min more would find it blunt \d\d % .* usually last 1 h/,
      ],
      ['strops-done', 'hone', gouge, recordOf(honed, ...strops(4), used(31)), /^Stropped 4 times since/],
      ['half-hour', 'strop', gouge, recordOf(honed, ...strops(3), used(31)), /31 min of cutting/],
      [
        'fading',
        'strop',
        chisel,
        recordOf(stropped, stropped, ...lives, used(30), used(20)),
        /Used 50 min of the usual 1 h/,
      ],
      ['sharp', 'ready', chisel, recordOf(honed, used(10)), /^Honed 1 Mar 2026, used 10 min since\.$/],
    ];
    for (const [rule, state, tool, sessions, why] of cases) {
      const found = judged(tool, sessions);
      expect([rule, found.state, found.rule]).toEqual([rule, state, rule]);
      expect(found.why).toMatch(why);
    }
    expect(cases.map(([rule]) => rule)).toEqual(RACK_RULES.map(({ name }) => name));
  });

  it('comes back to ready with the work that was asked for', () => {
    const blunt = [honed, used(70, false)];
    expect(judged(chisel, recordOf(...blunt, honed)).state).toBe('ready');
    expect(judged(gouge, recordOf(...blunt, stropped)).state).toBe('ready');
    const chipped = [honed, used(5, true, { chips: { count: 1, deepestMm: 0.5 } })];
    expect(judged(chisel, recordOf(...chipped, stropped)).state)
      .withContext('a strop takes no nick out')
      .toBe('regrind');
    expect(judged(chisel, recordOf(...chipped, { kind: 'grinding' }, honed)).state).toBe('ready');
  });

  it('leaves a carving edge that the strop keeps to the strop, however old it is by its lives', () => {
    const edge = [used(20), stropped, used(20), stropped, used(15, false), honed] as RecordedSession[];
    const lives = Array.from({ length: 8 }, () => edge).flat();
    const old = recordOf(...lives, used(20), stropped, used(20), stropped, used(20), stropped, used(5));
    const record = toolRecord(gouge, old, []);
    expect(readiness(gouge, record).state).toBe('strop');
    expect(nextSpell(record)?.dueAt).toBeUndefined();
    // Without the strop, it would be asked for.
    const { strop: _strop, ...bare } = record;
    expect(nextSpell(bare)?.due).toBeTrue();
  });

  it('sends a carving edge to the stone in place of a fifth strop, and of a third once it no longer cuts', () => {
    expect(judged(gouge, recordOf(honed, ...strops(4), used(5))).state).toBe('ready');
    expect(judged(gouge, recordOf(honed, ...strops(2), used(10, false))).state).toBe('hone');
    expect(judged(gouge, recordOf(honed, ...strops(1), used(10, false))).state).toBe('strop');
  });

  it('is overruled by the user until the next sharpening, or until it no longer cuts', () => {
    const blunt = recordOf(honed, used(70, false));
    const word = { state: 'ready', at: '2026-03-10T00:00:00Z', why: 'only cardboard' } as const;
    const mine = { ...chisel, overruling: word };
    const found = readiness(mine, toolRecord(mine, blunt, []));
    expect([found.state, found.otherwise]).toEqual(['ready', 'hone']);
    expect(found.why).toBe('Your word of 10 Mar 2026: only cardboard.');
    const later = (session: Session): RecordedSession[] => [
      ...blunt,
      { ...session, id: 'z', toolId: 't', startedAt: '2026-03-11T09:00:00Z' },
    ];
    expect(judged(mine, later(used(5))).rule).toBe('overruled');
    expect(judged(mine, later(used(5, false))).rule).toBe('blunt');
    const kept = { ...chisel, overruling: { ...word, state: 'repair' as const } };
    expect(judged(kept, later({ ...honed } as Session)).state).toBe('ready');
  });

  it('writes its figures in the hand it is given', () => {
    const sessions = recordOf(honed, used(5, true, { chips: { count: 1, deepestMm: 0.127 } }));
    const thou = { ...PLAIN_HAND, length: (mm: number): string => `${Math.round(mm / 0.0254)} thou` };
    expect(readiness(chisel, toolRecord(chisel, sessions, []), thou).why).toBe(
      '1 chip since it was honed, 5 thou deep.',
    );
  });

  it('says so while nothing is known', () => {
    expect(judged(chisel, [])).toEqual({
      state: 'ready',
      rule: 'sharp',
      why: 'Nothing in its record yet.',
      brief: 'no record yet',
    });
  });

  it('says every reason in few words too, for a row of the rack', () => {
    for (const sessions of [
      [used(70, false)],
      [{ ...used(30), chips: { count: 2, deepestMm: 1.4 } }],
      [used(20)],
    ]) {
      const { brief, why } = judged(chisel, recordOf(honed, ...sessions));
      expect(brief.length).withContext(why).toBeLessThan(20);
      expect(brief).not.toMatch(/\.$/);
    }
    expect(judged(chisel, recordOf(honed, used(70, false))).brief).toBe('blunt at 1 h 10 min');
  });
});

describe('proposedUse', () => {
  it('is the last one again, taken to cut and without its chips', () => {
    const sessions = recordOf(used(45, false, { who: 'Shed', chips: { count: 1 } }));
    const { lastUse } = toolRecord(chisel, sessions, []);
    expect(proposedUse('t', 'minutes', lastUse, '2026-04-01T09:00:00Z')).toEqual({
      toolId: 't',
      kind: 'use',
      startedAt: '2026-04-01T09:00:00Z',
      who: 'Shed',
      use: { minutes: 45, stillCutting: true },
    });
    expect(proposedUse('t', 'mortises', undefined, '2026-04-01T09:00:00Z').use?.mortises).toBe(2);
  });
});
