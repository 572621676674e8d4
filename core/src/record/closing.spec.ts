import type { Edge } from '../blade/edge.js';
import { facetsNow, unworked } from '../work/edge-at-work.js';
import { setBack } from '../work/worked.js';
import { honingsToClose } from './closing.js';

const knife = (grind: 'flat' | 'hollow'): Edge => ({
  ...{ form: 'knife', lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg: 12 },
  ...{ grind, grindRadiusMm: 125 },
});
const EACH_MM = 0.02;
const after = (edge: Edge, honings: number) => {
  const recessionMm = EACH_MM * honings;
  return { honings, recessionMm, facets: facetsNow(edge, setBack(edge, unworked(edge), recessionMm)) };
};

describe('honingsToClose', () => {
  it('is when the two rims of the worked section come to its whole facet', () => {
    const hollow = knife('hollow');
    const rimsMm = (honings: number): number =>
      after(hollow, honings).facets.find(({ facet }) => facet === 'left')?.lengthMm ?? NaN;
    const wholeMm = 1.35 / Math.sin((12 * Math.PI) / 180);
    const left = honingsToClose(hollow, after(hollow, 1)) ?? NaN;
    expect(left).toBeGreaterThan(2);
    expect(rimsMm(left)).toBeLessThan(wholeMm - 0.01);
    expect(rimsMm(1 + left)).toBeCloseTo(wholeMm, 6);
    expect(honingsToClose(hollow, after(hollow, 1 + left))).toBe(0);
  });

  it('says nothing of a flat facet, nor before it was honed', () => {
    expect(honingsToClose(knife('flat'), after(knife('flat'), 4))).toBeUndefined();
    expect(honingsToClose(knife('hollow'), after(knife('hollow'), 0))).toBeUndefined();
  });
});
