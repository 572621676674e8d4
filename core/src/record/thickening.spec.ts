import { tanDeg } from '../base/trig.js';
import type { KnifeEdge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import { edgeHistory, type RecordedSession } from './edge-state.js';
import { bodyStrokes } from '../work/body.js';
import { facetsNow } from '../work/edge-at-work.js';
import { worked } from '../work/worked.js';
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

  it('stays as thick where so many strokes a honing go flat on the body', () => {
    const blade = tool();
    const edge = blade.edge as KnifeEdge;
    const item = {
      strokes: 0,
      forceN: 20,
      strokeMm: 120,
      removalMm3PerNm: 0.015,
      marksUm: 5,
      steelFactor: 1,
    };
    const { after: state } = edgeHistory(blade, honed(0.05, 10), []).at(-1) ?? {};
    const found = state && thickeningOf(blade, state);
    if (!found) return fail('a knife that was honed');
    const strokes = bodyStrokes(edge, found.eachMm, item);
    const lower = worked(edge, state.work, { ...item, facet: 'body', strokes });
    const now = thickeningOf(blade, { ...state, facets: facetsNow(edge, lower) })?.nowMm ?? NaN;
    // What one more honing adds is off again; whole strokes make it a little more.
    expect(found.nowMm - now).toBeGreaterThanOrEqual(0.97 * found.eachMm);
    expect(found.nowMm - now).toBeLessThan(1.3 * found.eachMm);
  });

  it('says nothing of a convex blade, which is honed behind its edge as it is', () => {
    expect(after(tool(12, 'convex'), 0.05, 10)).toBeUndefined();
  });
});
