import { edgeHistory, type RecordedSession } from './edge-state.js';
import { stropRhythm } from './strop-rhythm.js';
import type { Tool } from '../blade/tool.js';

const KNIFE: Tool = {
  name: 'Chip knife',
  family: 'chip-knife',
  steel: 'high-carbon',
  edge: { form: 'knife', lengthMm: 38, widthMm: 13, spineMm: 2, leftDeg: 10, rightDeg: 10, grind: 'flat' },
};
/** Spells of use, each ended by a strop. */
function spells(...each: (readonly [minutes: number, stillCutting: boolean])[]): RecordedSession[] {
  return each.flatMap(([minutes, stillCutting], i): RecordedSession[] => {
    const at = (hour: number): string => new Date(Date.UTC(2026, 0, 1 + i, hour)).toISOString();
    return [
      { id: `u${i}`, toolId: 'k', kind: 'use', startedAt: at(9), use: { minutes, stillCutting } },
      { id: `z${i}`, toolId: 'k', kind: 'stropping', startedAt: at(12) },
    ];
  });
}
const rhythm = (sessions: readonly RecordedSession[]): ReturnType<typeof stropRhythm> =>
  stropRhythm(edgeHistory(KNIFE, sessions, []));

describe('the rhythm of stropping', () => {
  it('is half an hour (common practice) until four strops have shown another', () => {
    expect(rhythm(spells([50, true], [50, true], [50, true]))).toEqual({
      everyMin: 30,
      from: 0,
      spent: false,
    });
    const four = rhythm(spells([50, true], [50, true], [50, true], [50, true]));
    expect(four.from).toBe(4);
    expect(four.everyMin).toBeGreaterThan(40);
  });

  it('lengthens where it is kept and the edge still cuts, and settles where it gives out', () => {
    const kept = (count: number, minutes: number): (readonly [number, boolean])[] =>
      Array.from({ length: count }, () => [minutes, true] as const);
    const rhythms = [4, 12, 40].map((count) => rhythm(spells(...kept(count, 30))).everyMin);
    expect(rhythms[0]).toBeGreaterThan(30);
    expect(rhythms).toEqual([...rhythms].sort((a, b) => a - b));
    const given = Array.from({ length: 20 }, (_, i) => [40 + i, i % 2 === 0] as const);
    const settled = rhythm(spells(...kept(12, 30), ...given)).everyMin;
    expect(settled).toBeGreaterThan(30);
    expect(settled).toBeLessThan(60);
  });

  it('comes down where the edge no longer cut, and says when the strop has stopped helping', () => {
    const dull = rhythm(spells([40, false], [40, false], [40, false], [40, false]));
    expect(dull.everyMin).toBeLessThan(36);
    const fading = rhythm(spells([40, true], [42, true], [38, true], [40, true], [12, false]));
    expect(fading.spent).toBeTrue();
    const honed: RecordedSession = {
      id: 'zz',
      toolId: 'k',
      kind: 'honing',
      startedAt: '2026-03-01T12:00:00Z',
    };
    expect(
      rhythm([...spells([40, true], [42, true], [38, true], [40, true], [12, false]), honed]).spent,
    ).toBeFalse();
  });
});
