import type { Session } from './session.js';
import type { Tool } from '../blade/tool.js';
import { edgeHistory, type HistoryEntry } from './edge-state.js';
import { EDGES_TO_JUDGE_BY, measureOf, usualLife } from './edge-lives.js';

const knife: Tool = {
  name: 'Knife',
  family: 'whittling-knife',
  steel: 'laminated',
  edge: { form: 'knife', lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg: 12, grind: 'flat' },
};
const iron: Tool = { ...knife, family: 'plane-iron' };
const history = (tool: Tool, ...entries: Partial<Session>[]): readonly HistoryEntry[] =>
  edgeHistory(
    tool,
    entries.map((entry, i) => ({
      id: `s${i}`,
      toolId: 't',
      kind: 'use',
      startedAt: new Date(Date.UTC(2026, 0, 1) + i * 3_600_000).toISOString(),
      ...entry,
    })),
    [],
  );
const used = (minutes: number, stillCutting = true): Partial<Session> => ({ use: { minutes, stillCutting } });
const HONED: Partial<Session> = { kind: 'honing' };
const edge = (minutes: number, dull = true): Partial<Session>[] => [used(minutes, !dull), HONED];

describe('usualLife', () => {
  it('is the median of edges used until they no longer cut, from three on', () => {
    expect(usualLife(knife, history(knife, ...edge(60), ...edge(90)))).toBeUndefined();
    expect(EDGES_TO_JUDGE_BY).toBe(3);
    const three = history(knife, ...edge(90), ...edge(40), ...edge(60));
    expect(usualLife(knife, three)).toEqual({ measure: 'minutes', amount: 60, edges: 3 });
    const four = history(knife, ...edge(90), ...edge(40), ...edge(60), ...edge(100));
    expect(usualLife(knife, four)?.amount).toBe(75);
  });

  it('leaves out edges honed while they still cut, and adds up spells and strops between', () => {
    const entries = [
      ...edge(500, false),
      used(20),
      { kind: 'stropping' } as const,
      used(30, false),
      HONED,
      ...edge(45),
      ...edge(55),
    ];
    expect(usualLife(knife, history(knife, ...entries))).toEqual({
      measure: 'minutes',
      amount: 50,
      edges: 3,
    });
  });

  it('goes by the latest twelve: hands, woods and stones change', () => {
    const early = Array.from({ length: 12 }, () => edge(10)).flat();
    const late = Array.from({ length: 12 }, () => edge(80)).flat();
    expect(usualLife(knife, history(knife, ...early, ...late))?.amount).toBe(80);
  });
});

describe('measureOf', () => {
  it('is how the last use was counted, else the family’s own way', () => {
    expect(measureOf(iron, [])).toBe('metresPlaned');
    expect(measureOf(knife, [])).toBe('minutes');
    expect(measureOf(iron, history(iron, used(30)))).toBe('minutes');
    expect(measureOf(knife, history(knife, used(30), { use: { mortises: 3 } }))).toBe('mortises');
  });
});
