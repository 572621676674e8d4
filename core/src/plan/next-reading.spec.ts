import { flatBlade } from '../testing/blades.js';
import type { StonesRecord } from '../abrasive/at-work.js';
import { afterOneMore, nextReading } from './next-reading.js';

const STEPS = [
  { id: 'w1000', strokes: 300 },
  { id: 'w8000', strokes: 90 },
];
const ASKED = { condition: { kind: 'dull' }, strokesPerMin: 40 } as const;
const { landMm: _land, ...unmeasured } = flatBlade({ secondaryDeg: 30, landMm: 0.5 });
/** Stones whose rate is known as well as that. */
const known = (sd: number): StonesRecord =>
  Object.fromEntries(
    STEPS.map(({ id }) => [id, { rate: { factor: 1, sd, low: 0, high: 0, readings: 9 } }]),
  ) as unknown as StonesRecord;

describe('nextReading', () => {
  it('is the land where nobody measured it and the stones are known', () => {
    const reading = nextReading({ edge: unmeasured }, ASKED, known(0.1), STEPS);
    expect(reading?.what).toBe('land');
    expect(reading?.savesMin).toBeGreaterThan(reading?.costMin ?? Infinity);
  });

  it('is the rate of the stone that does most where that is what is not known', () => {
    const reading = nextReading({ edge: unmeasured }, { ...ASKED, landMm: 0.5 }, {}, STEPS);
    expect([reading?.what, reading?.id]).toEqual(['rate', 'w1000']);
  });

  it('is none where it would cost more than it saves, and of an edge without a land', () => {
    const few = STEPS.map((step) => ({ ...step, strokes: 6 }));
    expect(nextReading({ edge: unmeasured }, ASKED, {}, few)).toBeUndefined();
    const { secondaryDeg: _secondary, ...whole } = unmeasured;
    expect(nextReading({ edge: whole }, ASKED, {}, STEPS)).toBeUndefined();
  });
});

describe('afterOneMore', () => {
  it('is what a reading of the usual spread leaves: 1/√(1/0.5² + 1/0.3²)', () => {
    expect(afterOneMore(0.5)).toBeCloseTo(0.2572, 4);
  });
});
