import type { KnifeEdge } from '../blade/edge.js';
import { EDGES } from '../testing/edges.js';
import { stropHeat } from './strop-heat.js';
import { wedgeHeat } from './wedge-heat.js';

const knife = (deg: number): KnifeEdge => ({
  ...{ form: 'knife', lengthMm: 60, widthMm: 15, spineMm: 2.2, leftDeg: deg, rightDeg: deg, grind: 'flat' },
});
const touchS = (deg: number, more = {}): number =>
  wedgeHeat({ ...stropHeat(knife(deg), 'high-carbon'), ...more }).passS ?? Infinity;

describe('an edge on a powered strop', () => {
  it('burns the sooner the thinner it is, and the harder and faster it is held to it', () => {
    const touches = [8, 10, 12, 15, 18].map((deg) => touchS(deg));
    expect(touches).toEqual([...touches].sort((a, b) => a - b));
    expect(touchS(10, { pushN: 6 })).toBeLessThan(touchS(10));
    expect(touchS(10, { rimMs: 25 })).toBeLessThan(touchS(10));
  });

  it('is told for every form of edge, and as closely as the cells of the model allow', () => {
    for (const [what, , edge] of EDGES) {
      const { passS = Infinity } = wedgeHeat(stropHeat(edge, 'high-carbon'));
      expect(passS).withContext(what).toBeGreaterThan(0);
    }
    const fine = touchS(12, { cellMm: 0.05 });
    expect(Math.abs(touchS(12) - fine) / fine).toBeLessThan(0.25);
  });
});
