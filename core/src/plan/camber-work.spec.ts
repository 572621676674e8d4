import fc from 'fast-check';
import { cornerBackMm } from '../camber/camber-jobs.js';
import { rolled } from '../curve/rolled.js';
import { abrasive, flatBlade } from '../testing/blades.js';
import type { PlanRequest } from './plan-request.js';
import { planHoning } from './ways-out.js';

const BENCH = [abrasive('w1000', '1000'), abrasive('w3000', '3000'), abrasive('w8000', '8000')];
const REQUEST: PlanRequest = {
  ...{ condition: { kind: 'dull' }, finishUm: 3, forceN: 20, strokesPerMin: 40, school: 'doubling' },
  laidAside: [],
  strop: false,
};

describe('a curved iron that has its curve', () => {
  const irons = fc.record({
    widthMm: fc.double({ min: 20, max: 70, noNaN: true }),
    radiusMm: fc.oneof(
      fc.double({ min: 60, max: 400, noNaN: true }),
      fc.double({ min: 400, max: 8000, noNaN: true }),
    ),
    deg: fc.double({ min: 22, max: 40, noNaN: true }),
  });

  it('is rolled where a small part of it touches, else pressed place by place: on every stone alike, never both', () => {
    const ways = new Set<string>();
    fc.assert(
      fc.property(irons, ({ widthMm, radiusMm, deg }) => {
        const edge = flatBlade({ widthMm, primaryDeg: deg, front: { shape: 'arc', radiusMm } });
        const nowMm = cornerBackMm(edge.front, widthMm);
        fc.pre(nowMm >= 0.03);
        const { steps } = planHoning(
          { name: 'Iron', family: 'plane-iron', steel: 'high-carbon', edge },
          BENCH,
          { ...REQUEST, camber: { positions: 5, nowMm } },
        );
        const arcMm = 2 * radiusMm * Math.asin(widthMm / 2 / radiusMm);
        const { patchMm } = rolled({ radiusMm, arcMm, bevelDeg: deg });
        // Pressed at five places, a patch under a quarter of the edge leaves gaps wherever it is below a fifth.
        const way = patchMm < arcMm / 4 ? 'rolled' : 'pressed';
        ways.add(way);
        expect(steps.length).toBeGreaterThan(0);
        for (const { places, along } of steps) {
          expect(along?.way).toBe(way === 'rolled' ? 'rolled' : undefined);
          expect(places?.length).toBe(way === 'pressed' ? 5 : undefined);
        }
      }),
    );
    expect([...ways].sort()).toEqual(['pressed', 'rolled']);
  });
});
