import { tanDeg } from '../base/trig.js';
import type { Tool } from '../blade/tool.js';
import { edgeHistory, type RecordedSession } from './edge-state.js';
import { thickeningOf } from './thickening.js';

const tool = (rightDeg = 12, grind: 'flat' | 'convex' = 'flat'): Tool => ({
  ...{ name: 'K', family: 'whittling-knife', steel: 'high-carbon' },
  edge: {
    ...{ form: 'knife', lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg },
    grind,
  },
});
/** Each went back by what was measured. */
const honed = (backMm: number, times: number): readonly RecordedSession[] =>
  Array.from({ length: times }, (_, i) => ({
    ...{ id: String(i), toolId: 'k', kind: 'honing' },
    startedAt: new Date(Date.UTC(2026, 0, 1 + i)).toISOString(),
    steps: [{ abrasiveId: 'gone', strokes: 10, minutes: 1, recessionMm: backMm }],
  }));
const after = (of: Tool, backMm: number, times: number) => {
  const last = edgeHistory(of, honed(backMm, times), []).at(-1)?.after;
  if (!last) throw new Error('It was honed.');
  return thickeningOf(of, last);
};

describe('thickeningOf', () => {
  it('grows behind the edge as two wedges about one centre plane do: 2·tan β·tan γ/(tan β − tan γ) a millimetre back', () => {
    const found = after(tool(), 0.05, 10);
    const [b, g] = [tanDeg(12), 2.7 / 2 / 18];
    expect((found?.nowMm ?? NaN) - (found?.firstMm ?? NaN)).toBeCloseTo((0.5 * 2 * b * g) / (b - g), 6);
  });

  it('tells in how many more honings it is twice as thick, and when it is', () => {
    const found = after(tool(), 0.05, 10);
    if (!found) return fail('a knife of a tapering body');
    const all = 10 + (found.honingsLeft ?? NaN);
    expect(found.thick).toBeFalse();
    expect(after(tool(), 0.05, all + 1)?.thick).toBeTrue();
    expect(after(tool(), 0.05, all - 2)?.thick).toBeFalse();
  });

  it('says nothing of a convex blade, which is honed behind its edge as it is', () => {
    expect(after(tool(12, 'convex'), 0.05, 10)).toBeUndefined();
  });
});
