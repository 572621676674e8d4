import { sessionSchema } from './sessions.js';
import { check } from './check.js';
import { EVENTS_AT_ONCE, runEventSchema, runEventsSchema } from './runs.js';
import { toolSchema } from './tools.js';

const told = (schema: Parameters<typeof check>[0], value: unknown): string[] => {
  const result = check(schema, value);
  return result.ok ? [] : result.errors.map(({ field, message }) => `${field}: ${message}`);
};
const event = (fact: object): object => ({ id: 'e1', seq: 1, at: '2026-11-23T09:00:00Z', ...fact });
const plan = {
  toolId: 'iron',
  condition: { kind: 'nicked', nickMm: 0.3 },
  landMm: 0.8,
  finishUm: 2,
  forceN: 20,
  strokesPerMin: 40,
  setting: { guideId: 'g', seatName: 'Jaws', angleDeg: 30, projectionMm: 29.9 },
  who: 'Shed',
  steps: [{ abrasiveId: 'w1000', strokes: 8, forceN: 15 }],
};

const FELT = ['felt', 'none', 'strong', 'felt', 'felt'];
const ORDER = [
  { kind: 'isolate' },
  { kind: 'ready' },
  { kind: 'care', abrasiveId: 'w1000', care: 'flattened' },
  { kind: 'look' },
  { kind: 'grind', grinding: { wheelId: 'w', stopShortMm: 0.7 }, pastColour: true },
  { kind: 'heat' },
  { kind: 'set', setting: { angleDeg: 30 } },
  { kind: 'lift', lift: { bevelDeg: 12, liftMm: 3.4, sides: 2 } },
  { kind: 'marker', steeper: true },
  { kind: 'stone', step: 0 },
  { kind: 'burr', wanted: true },
  { kind: 'wash', oil: true },
  { kind: 'scratch', step: 0 },
  { kind: 'burr-off' },
  { kind: 'proof', before: true },
  { kind: 'wipe' },
  { kind: 'refit' },
  { kind: 'away' },
];

describe('runEventSchema', () => {
  it('takes every kind of event as core makes it', () => {
    const facts = [
      { kind: 'begun', plan },
      { kind: 'strokes', count: 1 },
      { kind: 'strokes', count: -1 },
      { kind: 'done' },
      { kind: 'not-yet' },
      { kind: 'burr', burr: 'cannot-tell' },
      { kind: 'back' },
      { kind: 'proved', test: 'hair', passed: false },
      { kind: 'proved', test: 'force', passed: true, grams: 180 },
      { kind: 'proved', test: 'shaving', passed: true, thickMm: 0.04, wideMm: 38 },
      { kind: 'burr', burr: 'in-part', places: FELT, other: FELT },
      { kind: 'marked', left: ['edge', 'patches'] },
      { kind: 'scratched', gone: false },
      { kind: 'heated', heat: 'coloured' },
      { kind: 'counted-by', by: 'five-down' },
      { kind: 'skipped', why: 'no-time' },
      { kind: 'again', station: 4 },
      { kind: 'go', station: 2 },
      { kind: 'put-in', work: { kind: 'strokes', abrasiveId: 'w1000', strokes: 6 } },
      { kind: 'put-in', work: { kind: 'wash' } },
      { kind: 'confirmed', what: 'eyes' },
      { kind: 'begun', plan: { ...plan, order: ORDER } },
      { kind: 'finished' },
      { kind: 'thrown-away' },
    ];
    for (const fact of facts)
      expect(told(runEventSchema, event(fact)))
        .withContext(fact.kind)
        .toEqual([]);
  });

  it('says at the field what an event lacks, has too much of, or cannot be', () => {
    const cases: [object, RegExp][] = [
      [{ kind: 'strokes' }, /^count: Strokes counted is missing/],
      [{ kind: 'strokes', count: 1.5 }, /^count: .*whole number/],
      [{ kind: 'strokes', count: 1e6 }, /^count: Strokes counted lies between -1,000 and 1,000/],
      [{ kind: 'done', count: 1 }, /^count: “count” is not a field here/],
      [{ kind: 'burr', burr: 'huge' }, /^burr: Burr: choose/],
      [{ kind: 'proved', test: 'tongue', passed: true }, /^test: Test: choose/],
      [{ kind: 'proved', test: 'nail', passed: 'yes' }, /^passed: Answer true or false/],
      [{ kind: 'begun', plan: { ...plan, steps: [] } }, /^plan.steps: The list is too short/],
      [
        { kind: 'begun', plan: { ...plan, condition: { kind: 'nicked' } } },
        /^plan.condition.nickMm: Say how deep/,
      ],
      [{ kind: 'begun', plan: { ...plan, forceN: 900 } }, /^plan.forceN: Push lies between/],
      [{ kind: 'burr', burr: 'none', places: ['felt'] }, /^places: A burr is felt at 5 places/],
      [{ kind: 'marked', left: ['everywhere'] }, /^left.0: Colour left: choose/],
      [{ kind: 'marked', left: ['edge', 'edge'] }, /^left.1: The same entry stands here twice/],
      [{ kind: 'put-in', work: { kind: 'dance' } }, /^work.kind: Kind: choose/],
      [{ kind: 'put-in', work: { kind: 'strokes', abrasiveId: 'a', strokes: 0 } }, /^work.strokes: /],
      [{ kind: 'begun', plan: { ...plan, order: [{ kind: 'nap' }] } }, /^plan.order.0.kind: Kind: choose/],
      [
        { kind: 'begun', plan: { ...plan, order: [{ kind: 'stone', step: 7 }] } },
        /^plan: The order of work names a step the plan does not have/,
      ],
      [{ kind: 'done', id: '../x' }, /^id: An id is up to 64/],
      [{ kind: 'done', seq: -1 }, /^seq: Place in the run lies between/],
      [{ kind: 'done', at: 'noon' }, /^at: Write the time with its zone/],
      [{ kind: 'sung' }, /^kind: Kind: choose/],
    ];
    for (const [fact, words] of cases) {
      expect(told(runEventSchema, event(fact))[0])
        .withContext(JSON.stringify(fact))
        .toMatch(words);
    }
  });

  it('takes no more at once than the page ever sends', () => {
    const many = (count: number): object => ({
      events: Array.from({ length: count }, (_, seq) => event({ kind: 'done', seq, id: `e${seq}` })),
    });
    expect(told(runEventsSchema, many(EVENTS_AT_ONCE))).toEqual([]);
    expect(told(runEventsSchema, many(EVENTS_AT_ONCE + 1))[0]).toMatch(/^events: The list is too long/);
  });
});

describe('sessionSchema', () => {
  const entry = { toolId: 'iron', kind: 'honing', startedAt: '2026-11-23T09:00:00Z' };

  it('wants a land of a measurement, and takes one of a honing', () => {
    expect(told(sessionSchema, { ...entry, kind: 'measuring' })).toEqual([
      'landMm: Say how wide the land measures, in mm, or how the edge is curved.',
    ]);
    expect(told(sessionSchema, { ...entry, kind: 'measuring', landMm: 0.8 })).toEqual([]);
    expect(told(sessionSchema, { ...entry, landMm: 0.8 })).toEqual([]);
    expect(told(sessionSchema, { ...entry, landMm: 0 })[0]).toMatch(/^landMm: Land lies between/);
  });

  it('takes the push of a step within its range', () => {
    const step = { abrasiveId: 'w1000', strokes: 8, minutes: 1 };
    expect(told(sessionSchema, { ...entry, steps: [{ ...step, forceN: 15 }] })).toEqual([]);
    expect(told(sessionSchema, { ...entry, steps: [{ ...step, forceN: 0 }] })[0]).toMatch(
      /^steps.0.forceN: Push/,
    );
  });
});

describe('the user’s own word on a tool', () => {
  const chisel = {
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
  };

  it('is one of the states, from an instant on', () => {
    const at = '2026-11-23T09:00:00Z';
    expect(told(toolSchema, { ...chisel, overruling: { state: 'repair', at, why: 'loose handle' } })).toEqual(
      [],
    );
    expect(told(toolSchema, { ...chisel, overruling: { state: 'fine', at } })[0]).toMatch(
      /^overruling.state: State: choose/,
    );
    expect(told(toolSchema, { ...chisel, overruling: { state: 'ready' } })[0]).toMatch(/^overruling.at/);
  });
});
