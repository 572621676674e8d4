import fc from 'fast-check';
import type { BenchStep } from '../plan/bench-step.js';
import { knivesMade, knivesOwed, roundAt } from './in-the-jig.js';
import { inJig, strokesOfEach } from '../plan/knives-in-jig.js';
import type { RunEvent } from './events.js';
import { afterEvent, beginRun } from './run.js';
import type { Run } from './run-state.js';

const AT = '2026-03-01T09:00:00.000Z';
const bevel = (abrasiveId: string, rounds: readonly (readonly number[])[]): BenchStep => ({
  abrasiveId,
  strokes: 30,
  facet: 'bevel',
  rounds,
});
const begun = beginRun(
  {
    toolId: 't',
    condition: { kind: 'dull' },
    finishUm: 25,
    forceN: 80,
    strokesPerMin: 40,
    steps: [
      { abrasiveId: 'p220', strokes: 30, facet: 'back', rounds: [[1], [2], [3]] },
      bevel('p220', [
        [1, 2],
        [1, 3],
        [2, 3],
      ]),
      bevel('p400', [
        [2, 3],
        [1, 3],
        [1, 2],
      ]),
    ],
    order: [
      { kind: 'stone', step: 0 },
      { kind: 'stone', step: 1 },
      { kind: 'stone', step: 2 },
    ],
  },
  AT,
);
const after = (run: Run, ...facts: Partial<RunEvent>[]): Run =>
  facts.reduce((so, fact, i) => afterEvent(so, { seq: i, at: AT, ...fact } as RunEvent), run);
const strokes = (count: number): Partial<RunEvent> => ({ kind: 'strokes', count });
const DONE: Partial<RunEvent> = { kind: 'done' };

describe('a set of knives at the bench', () => {
  it('says what comes out and what goes in at the first stroke of a round, and only there', () => {
    const change = (run: Run, index: number) => roundAt(run, index)?.change;
    expect(change(begun, 0)).toEqual({ takeOut: [], putIn: [1] });
    const bevels = after(begun, strokes(30), DONE);
    expect(change(bevels, 1)).toEqual({ takeOut: [], putIn: [1, 2] });
    expect(change(after(bevels, strokes(1)), 1)).toBeUndefined();
    expect(roundAt(after(bevels, strokes(4)), 1)).toEqual({ knives: [1, 2], index: 0, left: 6 });
    expect(change(after(bevels, strokes(10)), 1)).toEqual({ takeOut: [2], putIn: [3] });
    // The next paper begins with the knives that are in.
    expect(change(after(bevels, strokes(30), DONE), 2)).toEqual({ takeOut: [], putIn: [] });
    expect(roundAt(after(bevels, strokes(30)), 1)).toBeUndefined();
  });

  it('keeps a tally for each knife; broken off, each is owed the rest', () => {
    const run = after(begun, strokes(30), DONE, strokes(14));
    const step = run.steps[1];
    if (!step) throw new Error('There is such a step.');
    expect(knivesMade(step)).toEqual([14, 10, 4]);
    expect(knivesOwed(step)).toEqual([6, 10, 16]);
  });

  it('tallies at the bench what the plan said of each, for any set in any jig', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 50, max: 700 }),
        fc.integer({ min: 1, max: 200 }),
        (count, jigMm, wanted) => {
          const jig = inJig({ count, lengthMm: 150, jigMm }, wanted);
          const step: BenchStep = { abrasiveId: 'p220', facet: 'bevel', ...jig };
          const [first] = beginRun(
            { ...begun.plan, steps: [step], order: [{ kind: 'stone', step: 0 }] },
            AT,
          ).steps;
          if (!first) throw new Error('There is such a step.');
          const each = strokesOfEach(jig.strokes, jig.rounds);
          expect(knivesMade({ ...first, strokes: first.target })).toEqual(
            Array.from({ length: count }, () => each),
          );
        },
      ),
    );
  });

  it('gives every knife the same of what is wanted more, however often and however far one went', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 30, max: 50 }), (times, made) => {
        const more = Array.from({ length: times }, (): Partial<RunEvent> => ({ kind: 'not-yet' }));
        const run = after(begun, strokes(30), DONE, strokes(made), ...more);
        const step = run.steps[1];
        if (!step) throw new Error('There is such a step.');
        const all = knivesMade({ ...step, strokes: step.target });
        expect(new Set(all).size).toBe(1);
        expect(all[0]).toBeGreaterThan(20);
      }),
    );
  });
});
