import fc from 'fast-check';
import { COUNTS } from '../blade/manner.js';
import { COLOUR_LEFT, HEATS, type BurrFeel } from './answers.js';
import { moreStrokes } from './moves.js';
import type { RunPlan } from './run-plan.js';
import { sessionsOfRun } from './run-record.js';
import type { RunEvent, RunFact } from './events.js';
import type { Run, RunStep } from './run-state.js';
import { afterEvent, runOf, strokesLeft } from './run.js';

const plan: RunPlan = {
  toolId: 'iron',
  condition: { kind: 'dull' },
  finishUm: 1.2,
  forceN: 20,
  strokesPerMin: 40,
  setting: { angleDeg: 30, projectionMm: 38.12 },
  steps: [
    { abrasiveId: 'w1000', strokes: 8 },
    { abrasiveId: 'w8000', strokes: 5 },
  ],
};
const START = Date.UTC(2026, 10, 23, 9);

/** Events a second apart, or at the seconds given. */
function events(...facts: (RunFact | [seconds: number, fact: RunFact])[]): RunEvent[] {
  let clock = 0;
  return [{ kind: 'begun', plan } as RunFact, ...facts].map((given, seq) => {
    const [seconds, fact] = Array.isArray(given) ? given : [clock + 1, given];
    clock = seconds;
    return { ...fact, id: `e${seq}`, seq, at: new Date(START + seconds * 1000).toISOString() };
  });
}
const strokes = (count: number): RunFact => ({ kind: 'strokes', count });
const DONE: RunFact = { kind: 'done' };
const run = (...facts: Parameters<typeof events>): Run => runOf(events(...facts)) as Run;
const where = ({ stations, at }: Run): string => stations[at]?.kind ?? '';

describe('a run', () => {
  it('goes through guide, stones, burr and proof to one session for the record', () => {
    const whole = run(
      DONE,
      [10, strokes(5)],
      [20, strokes(3)],
      [30, DONE],
      [35, { kind: 'burr', burr: 'all-along' }],
      [50, strokes(5)],
      [65, DONE],
      [80, DONE],
      [85, { kind: 'proved', test: 'nail', passed: false }],
      [86, { kind: 'proved', test: 'nail', passed: true }],
      [90, { kind: 'proved', test: 'cut', passed: true }],
      [91, { kind: 'finished' }],
    );
    expect(whole.ended).toBe('finished');
    expect(sessionsOfRun(whole)).toEqual([
      {
        toolId: 'iron',
        kind: 'honing',
        startedAt: new Date(START + 1000).toISOString(),
        minutes: 1.5,
        conditionBefore: { kind: 'dull' },
        setting: { angleDeg: 30, projectionMm: 38.12 },
        steps: [
          { abrasiveId: 'w1000', strokes: 8, minutes: 0.47, forceN: 20, noBurrAt: 0 },
          { abrasiveId: 'w8000', strokes: 5, minutes: 0.5, forceN: 20 },
        ],
        outcome: {
          burr: 'all-along',
          proof: [
            { test: 'nail', passed: true },
            { test: 'cut', passed: true },
          ],
        },
      },
    ]);
  });

  it('keeps after how many strokes its burr was last felt for in vain: at the gate, by “not yet”, by a nail that skates', () => {
    const feltFor = (...facts: Parameters<typeof events>): number | undefined =>
      sessionsOfRun(run(...facts)).at(-1)?.steps?.[0]?.noBurrAt;
    const made = (count: number): RunFact[] => [strokes(count), DONE];
    expect(feltFor(DONE, ...made(8), { kind: 'burr', burr: 'cannot-tell' })).toBeUndefined();
    const late = [DONE, ...made(8), { kind: 'burr', burr: 'none' }, ...made(4)] satisfies RunFact[];
    expect(feltFor(...late, { kind: 'burr', burr: 'all-along' })).toBe(8);
    expect(
      feltFor(DONE, strokes(6), { kind: 'not-yet' }, ...made(3), { kind: 'burr', burr: 'all-along' }),
    ).toBe(6);
    const stood = [...late, { kind: 'burr', burr: 'all-along' }, ...made(5), DONE] satisfies RunFact[];
    const stone = run(...stood).stations.findIndex(({ kind }) => kind === 'stone');
    expect(feltFor(...stood, { kind: 'go', station: stone })).toBe(12);
  });

  it('comes back from the wheel as a grinding and a honing, each with its own minutes', () => {
    const ground: RunPlan = {
      ...plan,
      condition: { kind: 'nicked', nickMm: 0.3 },
      landMm: 2,
      grinding: { wheelId: 'wheel', stopShortMm: 0.7, passes: 6, passS: 12, dipS: 3 },
    };
    const [begun, ...rest] = events([60, DONE], DONE, [70, strokes(5)], [80, DONE], { kind: 'finished' });
    const whole = runOf([{ ...begun, plan: ground } as RunEvent, ...rest]) as Run;
    expect(whole.stations.map(({ kind }) => kind).slice(0, 3)).toEqual(['grind', 'set', 'stone']);
    const [wheel, stone] = sessionsOfRun(whole);
    expect(wheel).toEqual(
      jasmine.objectContaining({
        kind: 'grinding',
        minutes: 0.98,
        landMm: 2,
        landLeftMm: 0.7,
        conditionBefore: ground.condition,
        steps: [{ abrasiveId: 'wheel', strokes: 0, minutes: 0.98 }],
      }),
    );
    expect(stone).toEqual(
      jasmine.objectContaining({ kind: 'honing', minutes: 0.35, conditionBefore: { kind: 'very-dull' } }),
    );
    expect(stone?.landMm).withContext('it was the grinding’s').toBeUndefined();
    expect(Date.parse(stone?.startedAt ?? '')).toBeGreaterThan(Date.parse(wheel?.startedAt ?? ''));
    const left = runOf([{ ...begun, plan: ground } as RunEvent, ...rest.slice(0, 1)]) as Run;
    expect(sessionsOfRun(left).map(({ kind }) => kind)).toEqual(['grinding']);
  });

  it('is sent back to the shaping stone by a burr that is not all along, with strokes to make', () => {
    const sent = run(DONE, strokes(8), DONE, { kind: 'burr', burr: 'in-part' });
    expect([where(sent), sent.at, sent.told?.by]).toEqual(['stone', 1, 'burr-gaps']);
    expect(strokesLeft(sent.steps[0] as RunStep)).toBe(moreStrokes(8));
    const on = run(DONE, strokes(8), DONE, { kind: 'burr', burr: 'none' }, strokes(4), DONE, {
      kind: 'burr',
      burr: 'cannot-tell',
    });
    expect([where(on), on.at, on.burr]).toEqual(['stone', 3, 'cannot-tell']);
  });

  it('wants a quarter more on “not yet”, four at least, from where the count stands', () => {
    expect([moreStrokes(4), moreStrokes(17), moreStrokes(40)]).toEqual([4, 5, 10]);
    const extra = run(DONE, strokes(11), { kind: 'not-yet' });
    expect(strokesLeft(extra.steps[0] as RunStep)).toBe(4);
  });

  it('counts a long rest as a pause, and takes back strokes counted by mistake', () => {
    const paused = run(DONE, [60 * 60, strokes(1)], strokes(-1), strokes(-1));
    expect(paused.steps[0]?.strokes).toBe(0);
    expect(paused.minutes).toBeCloseTo(2 + 3 / 60, 9);
    expect(sessionsOfRun(paused)).toEqual([]);
  });

  const fact = fc.oneof(
    fc.constant(DONE),
    fc.constant<RunFact>({ kind: 'not-yet' }),
    fc.constant<RunFact>({ kind: 'back' }),
    fc.constant<RunFact>({ kind: 'finished' }),
    fc.integer({ min: -3, max: 9 }).map(strokes),
    fc.constantFrom('all-along', 'in-part', 'none').map((burr): RunFact => ({ kind: 'burr', burr })),
    fc
      .array(fc.constantFrom('felt', 'strong', 'none'), { minLength: 5, maxLength: 5 })
      .map((places): RunFact => ({ kind: 'burr', burr: 'in-part', places: places as BurrFeel[] })),
    fc.subarray([...COLOUR_LEFT]).map((left): RunFact => ({ kind: 'marked', left })),
    fc.boolean().map((gone): RunFact => ({ kind: 'scratched', gone })),
    fc.constantFrom(...HEATS).map((heat): RunFact => ({ kind: 'heated', heat })),
    fc.integer({ min: 0, max: 12 }).map((station): RunFact => ({ kind: 'again', station })),
    fc.integer({ min: 0, max: 12 }).map((station): RunFact => ({ kind: 'go', station })),
    fc.constantFrom(...COUNTS).map((by): RunFact => ({ kind: 'counted-by', by })),
    fc.constant<RunFact>({ kind: 'skipped', why: 'no-time' }),
    fc.constant<RunFact>({ kind: 'put-in', work: { kind: 'strokes', abrasiveId: 'w1000', strokes: 6 } }),
  );

  it('stays at a station and never loses a stroke, whatever happens in whatever order', () => {
    fc.assert(
      fc.property(fc.array(fact, { maxLength: 60 }), (facts) => {
        let at = runOf(events()) as Run;
        for (const event of events(...facts).slice(1)) {
          const next = afterEvent(at, event);
          const total = (each: Run): number => each.steps.reduce((sum, step) => sum + step.strokes, 0);
          if (event.kind !== 'strokes') expect(total(next)).toBe(total(at));
          expect(next.stations[next.at]).toBeDefined();
          expect(next.events).toBe(at.events + 1);
          at = next;
        }
        expect(runOf(events(...facts))).toEqual(at);
      }),
    );
  });

  it('is nothing without its beginning', () => {
    expect(runOf(events(DONE).slice(1))).toBeUndefined();
  });
});
