import type { Tool } from '@mellow-anvil/core/blade';
import { GENERIC_SIDE_CLAMPING_GUIDE } from '@mellow-anvil/core/guide';
import { edgeHistory, lifeOf, toolRecord } from '@mellow-anvil/core/record';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { shedYears, type ShedYears } from './shed-years.js';

const chisel: Tool & { id: string } = {
  id: 'chisel',
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
const stone = (id: string, grade: string): ShedYears['abrasives'][number] => ({
  id,
  name: id,
  kind: 'water-stone',
  grade: { standard: 'JIS', grade },
  lubricant: 'water',
  strokeMm: 150,
  overheadMin: 0.5,
});
const shed: ShedYears = {
  tools: [chisel],
  guides: [{ ...GENERIC_SIDE_CLAMPING_GUIDE, id: 'g' }],
  abrasives: [stone('w400', '400'), stone('w1000', '1000'), stone('w8000', '8000')],
  from: '2024-11-25',
  days: 728,
  busy: [0.2, 0.5, 2, 2, 2, 1, 0.5, 0.5, 1, 1, 1, 0.2],
  habits: [
    {
      toolId: 'chisel',
      perWeek: 3,
      measure: 'minutes',
      spell: 40,
      life: 120,
      woods: [['oak', 1.4]],
      hands: ['Shed'],
      creepDegPerYear: 1.5,
    },
  ],
  mishaps: [
    {
      toolId: 'chisel',
      day: '2025-06-12',
      who: 'Apprentice',
      wood: 'oak',
      chips: 2,
      deepestMm: 0.7,
      notes: 'A nail.',
    },
  ],
  trueRates: { w1000: 1.4 },
  trueWear: {},
  slowing: { w1000: 0.5 },
  lastRound: '2026-11-21',
  set: 'Bench',
  sharpener: 'Shed',
};
const years = (seed: number): ReturnType<typeof shedYears> => {
  const generator = xoroshiro128plus(seed);
  return shedYears(shed, () => uniformFloat64(generator));
};
const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

describe('shedYears', () => {
  it('is the same for the same seed, and another for another', () => {
    expect(JSON.stringify(years(7))).toBe(JSON.stringify(years(7)));
    expect(JSON.stringify(years(8))).not.toBe(JSON.stringify(years(7)));
  });

  it('has busy springs, a nick that is ground out, a creeping angle, and a stone going slow', () => {
    const { sessions, cares } = years(7);
    const month = (from: number, to: number): number =>
      sessions.filter(({ kind, startedAt }) => {
        const at = new Date(startedAt).getUTCMonth();
        return kind === 'use' && at >= from && at <= to;
      }).length;
    expect(month(2, 4)).toBeGreaterThan(2 * (month(11, 11) + month(0, 0)));
    const nick = sessions.findIndex(({ notes }) => notes === 'A nail.');
    expect(sessions.slice(nick, nick + 6).map(({ kind }) => kind)).toContain('grinding');
    const honings = sessions.filter(({ kind }) => kind === 'honing');
    const half = honings.length >> 1;
    const angle = (of: typeof honings): number => mean(of.map(({ setting }) => setting?.angleDeg ?? NaN));
    expect(angle(honings.slice(half)) - angle(honings.slice(0, half))).toBeGreaterThan(0.8);
    expect(honings.length).toBeGreaterThan(20);
    const { state, life } = toolRecord(chisel, sessions, shed.abrasives);
    expect(state.steelMm3).toBeGreaterThan(0);
    expect(life?.measure).toBe('minutes');
    expect(cares.filter(({ abrasiveId }) => abrasiveId === 'w1000').length).toBeGreaterThan(2);
  });

  it('makes records whose entries add up: back, steel and land, entry by entry', () => {
    const { sessions } = years(11);
    const history = edgeHistory(chisel, sessions, shed.abrasives);
    const life = lifeOf(history);
    const { state } = toolRecord(chisel, sessions, shed.abrasives);
    const sum = (of: (entry: (typeof life)[number]) => number): number =>
      life.reduce((total, entry) => total + of(entry), 0);
    expect(sum(({ backMm }) => backMm)).toBeCloseTo(state.backMm, 9);
    expect(sum(({ steelMm3 }) => steelMm3)).toBeCloseTo(state.steelMm3, 9);
    life.forEach((entry, i) => {
      const before = life[i - 1];
      if (before) expect(entry.landBeforeMm).toBe(before.landMm);
      const changes = entry.session.kind === 'honing' || entry.session.kind === 'grinding';
      if (!changes) expect([entry.backMm, entry.steelMm3, entry.landMm]).toEqual([0, 0, entry.landBeforeMm]);
      if (entry.session.kind === 'honing') expect(entry.landMm).toBeGreaterThan(entry.landBeforeMm as number);
      if (entry.session.kind === 'grinding') expect(entry.landMm).toBe(0);
    });
  });
});
