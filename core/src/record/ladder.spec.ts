import type { AbrasiveKind } from '../abrasive/abrasive.js';
import type { RecordedSession } from './edge-state.js';
import { ladderOf } from './ladder.js';

const KINDS: Readonly<Record<string, AbrasiveKind>> = {
  stick: 'ceramic',
  oil: 'oil-stone',
  dia: 'diamond-plate',
};
const kindOf = (id: string): AbrasiveKind | undefined => KINDS[id];
const ALL = new Set(Object.values(KINDS));
const NOW = '2026-11-27T09:00:00.000Z';
const on = (day: string, ...stones: readonly string[]): RecordedSession => ({
  id: `${day} ${stones.join(' ')}`,
  toolId: 'k',
  kind: stones.length > 0 ? 'honing' : 'use',
  startedAt: `${day}T09:00:00.000Z`,
  steps: stones.map((abrasiveId) => ({ abrasiveId, strokes: 5, minutes: 1 })),
});
const dueOf = (...sessions: readonly RecordedSession[]): readonly string[] =>
  ladderOf(sessions, kindOf, ALL, NOW).flatMap(({ kind, due }) => (due ? [kind] : []));

describe('the ladder of visits', () => {
  it('has the rungs the bench has stones for', () => {
    expect(ladderOf([], kindOf, new Set(['oil-stone']), NOW).map(({ kind }) => kind)).toEqual(['oil-stone']);
  });

  it('asks for the ceramic after every use, the oil stone by the month, the diamond by the season', () => {
    expect(dueOf(on('2026-10-20', 'oil', 'dia'))).toEqual(['oil-stone']);
    expect(dueOf(on('2026-08-20', 'dia'), on('2026-11-20', 'oil'), on('2026-11-26'))).toEqual([
      'ceramic',
      'diamond-plate',
    ]);
    expect(dueOf(on('2026-11-20', 'dia', 'oil'), on('2026-11-26'), on('2026-11-26', 'stick'))).toEqual([]);
  });

  it('skips the diamond while the edge is new', () => {
    expect(dueOf(on('2026-10-01', 'stick'))).toEqual(['oil-stone']);
    expect(dueOf(on('2026-08-01', 'stick'))).toContain('diamond-plate');
  });

  it('goes by the days of its own record, once there are four visits', () => {
    const oiled = ['2026-09-01', '2026-09-15', '2026-09-29', '2026-11-10'].map((day) => on(day, 'oil'));
    const oil = ladderOf(oiled, kindOf, ALL, NOW).find(({ kind }) => kind === 'oil-stone');
    expect(oil).toEqual(jasmine.objectContaining({ everyDays: 14, learned: true, due: true }));
    const three = ladderOf(oiled.slice(1), kindOf, ALL, NOW).find(({ kind }) => kind === 'oil-stone');
    expect(three).toEqual(jasmine.objectContaining({ everyDays: 30, learned: false, due: false }));
  });
});
