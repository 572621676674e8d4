import { grindingShares } from './grinding-shares.js';
import { edgeSpans } from './edge-spans.js';
import type { Session } from './session.js';

const entries = (...all: Partial<Session>[]): Session[] =>
  all.map((each, i) => ({
    toolId: 't',
    kind: 'honing',
    startedAt: new Date(Date.UTC(2026, 0, 1 + i)).toISOString(),
    ...each,
  }));
const GROUND: Partial<Session> = { kind: 'grinding', minutes: 12 };
const HONED: Partial<Session> = { minutes: 5 };

describe('grindingShares', () => {
  const sharesOf = (...all: Partial<Session>[]): number[] => [...grindingShares(entries(...all)).values()];

  it('shares a grinding out over the honings that led to it, the mean of them to those since', () => {
    expect(sharesOf(HONED, HONED, HONED, GROUND, HONED, GROUND, HONED)).toEqual([4, 4, 4, 12, 6]);
  });

  it('shares nothing out where no grinding was timed', () => {
    expect(sharesOf(HONED, { kind: 'grinding' }, HONED)).toEqual([]);
  });

  it('is in what a honing is said to take', () => {
    const used: Partial<Session> = { kind: 'use', use: { minutes: 30, stillCutting: true } };
    const spans = edgeSpans('minutes', entries(HONED, used, HONED, used, GROUND, HONED, used));
    expect(spans.map(({ madeMin }) => madeMin)).toEqual([11, 11, 11]);
  });
});
