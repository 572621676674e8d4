import { flatBlade } from '../testing/blades.js';
import type { Session } from './session.js';
import type { Tool } from '../blade/tool.js';
import { creepOf } from './creep.js';
import { edgeChips } from './edge-chips.js';
import { edgeHistory, type HistoryEntry } from './edge-state.js';

const shave: Tool = {
  name: 'Spokeshave iron',
  family: 'spokeshave-iron',
  steel: 'high-carbon',
  edge: flatBlade({ secondaryDeg: 28 }),
};
const history = (...sessions: readonly Partial<Session>[]): readonly HistoryEntry[] =>
  historyOf(shave, ...sessions);
const historyOf = (tool: Tool, ...sessions: readonly Partial<Session>[]): readonly HistoryEntry[] =>
  edgeHistory(
    tool,
    sessions.map((session, i) => ({
      id: `s${i}`,
      toolId: 't',
      kind: 'honing',
      startedAt: new Date(Date.UTC(2026, 0, 1 + i)).toISOString(),
      ...session,
    })),
    [],
  );
const honed = (angleDeg: number): Partial<Session> => ({ setting: { angleDeg } });

describe('creepOf', () => {
  it('counts bevels set upon bevels, each steeper than any before, from the first', () => {
    const creep = creepOf(shave, history(honed(28), honed(29), honed(28.9), honed(30.5), honed(30.5)));
    expect(creep?.steps).toBe(2);
    expect(creep?.nowDeg).toBe(30.5);
    expect(creep?.since).toBe('2026-01-02T00:00:00.000Z');
    expect(creep?.keepRatio).toBeCloseTo(0.894, 3);
  });

  it('tells half degrees between a secondary and its micro-bevel; the micro-bevel itself is meant', () => {
    const fine: Tool = { ...shave, edge: flatBlade({ secondaryDeg: 31, microDeg: 33 }) };
    const creep = creepOf(fine, historyOf(fine, ...[31, 31.5, 32, 32.5, 33].map(honed)));
    expect([creep?.setDeg, creep?.nowDeg, creep?.steps]).toEqual([31, 32.5, 3]);
    expect(creepOf(fine, historyOf(fine, honed(31), honed(33), honed(31), honed(33.1)))).toBeUndefined();
  });

  it('is told however small its steps', () => {
    const tenths = Array.from({ length: 12 }, (_, i) => honed(28 + 0.1 * i));
    const creep = creepOf(shave, history(...tenths));
    expect(creep?.nowDeg).toBeCloseTo(29.1, 6);
    expect(creep?.steps).toBeGreaterThan(2);
    const twentieths = Array.from({ length: 8 }, (_, i) => honed(28 + 0.05 * i));
    expect(creepOf(shave, history(...twentieths))?.nowDeg).toBeCloseTo(28.35, 6);
  });

  it('has nothing to say of a setting that wavers, went back, or was ground away', () => {
    expect(creepOf(shave, history(honed(28.2), honed(27.9), honed(28.1)))).toBeUndefined();
    expect(creepOf(shave, history(honed(30), honed(28)))).toBeUndefined();
    expect(creepOf(shave, history(honed(31), { kind: 'grinding' }, honed(28)))).toBeUndefined();
    expect(creepOf(shave, history({ kind: 'use' }))).toBeUndefined();
  });
});

describe('edgeChips', () => {
  it('counts edges from sharpening to sharpening, and chips in the wood they happened in', () => {
    const use = (wood: string, count = 0): Partial<Session> => ({
      kind: 'use',
      use: { wood, minutes: 20 },
      ...(count > 0 && { chips: { count } }),
    });
    const chips = edgeChips(
      history(
        use('oak'),
        use('oak', 2),
        use('ash'),
        honed(28),
        use('ash'),
        { kind: 'stropping' },
        use('ash'),
        honed(28),
        honed(28),
        use('oak'),
      ),
    );
    expect([chips.edges, chips.chipped, chips.settingDeg]).toEqual([3, 1, 28]);
    expect(chips.inWood).toEqual({ oak: { edges: 2, chipped: 1 }, ash: { edges: 2, chipped: 0 } });
  });
});
