import { polygonArea } from 'd3-polygon';
import fc from 'fast-check';
import type { SingleBevelEdge } from '../blade/edge.js';
import { edgeChain } from '../blade/chain.js';
import type { Point } from '../blade/section.js';
import { honingJob } from './honing-job.js';
import { flatBlade } from '../testing/blades.js';
import { without } from '../testing/without.js';

const edge: SingleBevelEdge = flatBlade({ widthMm: 40, secondaryDeg: 30 });
const area = (points: readonly Point[]): number => Math.abs(polygonArea(points.map(({ x, y }) => [x, y])));

/** A section standing on the same blade, its end fixed, so that areas of two honings compare. */
function standing(landMm: number, thicknessMm: number): number {
  const { outline, gone } = edgeChain({ ...edge, thicknessMm, landMm }, 0);
  const groundEdge = gone[0] as Point;
  const placed = outline.map(({ x, y }) => ({ x: x - groundEdge.x, y }));
  const end = 60;
  const [tip, , , ...facets] = placed;
  return area([
    tip as Point,
    { x: end, y: 0 },
    { x: end, y: thicknessMm },
    ...facets.filter(({ y }) => y < thicknessMm + 1e-9),
  ]);
}

describe('honingJob', () => {
  it('removes the polygon between the land before and the land after (area by d3-polygon)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 2.5, noNaN: true }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 2, max: 6, noNaN: true }),
        (landMm, tipRadiusUm, thicknessMm) => {
          const job = honingJob({ ...edge, thicknessMm }, { kind: 'dull', tipRadiusUm }, landMm);
          const removed = standing(job.landBeforeMm, thicknessMm) - standing(job.landAfterMm, thicknessMm);
          expect(removed * edge.widthMm).toBeCloseTo(job.removeMm3, 6);
          expect(job.contactMm2).toBeCloseTo(job.landAfterMm * edge.widthMm, 9);
        },
      ),
    );
  });

  it('takes a strip as high as the blade where one bevel is honed whole', () => {
    const whole = honingJob(without(edge, 'secondaryDeg'), { kind: 'dull', tipRadiusUm: 5 });
    expect(whole.removeMm3).toBeCloseTo(whole.recessionMm * 3 * 40, 12);
    expect(whole.wholeBevel).toBeTrue();
  });

  it('knows when the land has become the whole bevel', () => {
    const worn = honingJob(edge, { kind: 'nicked', nickMm: 2, tipRadiusUm: 4 }, 5);
    expect(worn.wholeBevel).toBeTrue();
    expect(worn.landAfterMm).toBeCloseTo(6, 9);
    expect(honingJob(edge, { kind: 'dull' }, 0.5).wholeBevel).toBeFalse();
  });

  it('takes the tool’s measured land, and an assumed half millimetre without one (common practice)', () => {
    expect(honingJob({ ...edge, landMm: 0.9 }, { kind: 'dull' }).landBeforeMm).toBeCloseTo(0.9, 9);
    expect(honingJob(edge, { kind: 'dull' }).landBeforeMm).toBeCloseTo(0.5, 9);
  });

  it('makes a full flat bevel at least ten times the work of a narrow land (common practice)', () => {
    // The same blade and dullness: 25° whole against a 0.5 mm land at 30°.
    const narrow = honingJob(edge, { kind: 'dull' }, 0.5).removeMm3;
    const whole = honingJob(without(edge, 'secondaryDeg'), { kind: 'dull' }).removeMm3;
    expect(whole / narrow).toBeGreaterThanOrEqual(10);
  });
});
