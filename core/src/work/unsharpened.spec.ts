import fc from 'fast-check';
import { sinDeg } from '../base/trig.js';
import type { KnifeEdge } from '../blade/edge.js';
import { facetsNow, tipUmOf, unworked, type EdgeAtWork } from './edge-at-work.js';
import { asFound } from './found.js';
import { taperDeg } from './sides.js';
import { unsharpenedWork } from './unsharpened.js';
import { worked } from './worked.js';

const KNIFE: KnifeEdge = {
  ...{ form: 'knife', lengthMm: 80, widthMm: 20, spineMm: 2.4, leftDeg: 12, rightDeg: 12, grind: 'flat' },
};
const fresh = (edge: KnifeEdge, thickMm: number): EdgeAtWork =>
  asFound(edge, unworked(edge), { kind: 'new', faults: [{ kind: 'unsharpened', mm: thickMm }] });
/** Both facets honed by so much steel, mm³. */
const honed = (edge: KnifeEdge, state: EdgeAtWork, steelMm3: number): EdgeAtWork =>
  worked(edge, state, {
    ...{ strokes: 1, forceN: 1, strokeMm: 1000, removalMm3PerNm: steelMm3, marksUm: 10, steelFactor: 1 },
  });

describe('a knife from its maker without an edge', () => {
  it('takes ½·(t/2)·x a side, x = (t/2)/(tan β − tan γ) (plane geometry)', () => {
    // By hand: t 0.5, β 12°, γ 4°: x = 0.25/(0.212557 − 0.069927) = 1.7528; 1.7528/cos 12° = 1.7919.
    const { facetMm, steelMm2 } = unsharpenedWork({ thickMm: 0.5, facetDeg: 12, bodyDeg: 4 });
    expect(facetMm).toBeCloseTo(1.7919, 4);
    expect(steelMm2).toBeCloseTo(0.2191, 4);
    expect(() => unsharpenedWork({ thickMm: 0.5, facetDeg: 4, bodyDeg: 4 })).toThrowError(/never meets/);
  });

  it('keeps its end where it is until the facets meet there, whatever its angles and thickness', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1.2, noNaN: true }),
        fc.double({ min: 6, max: 20, noNaN: true }),
        (thickMm, deg) => {
          const edge = { ...KNIFE, leftDeg: deg, rightDeg: deg };
          const { facetMm, steelMm2 } = unsharpenedWork({ thickMm, facetDeg: deg, bodyDeg: taperDeg(edge) });
          // A facet that would reach the spine is another job.
          fc.pre(facetMm * sinDeg(deg) < edge.spineMm / 2);
          const wholeMm3 = 2 * edge.lengthMm * steelMm2;
          const nearly = honed(edge, fresh(edge, thickMm), 0.99 * wholeMm3);
          expect(nearly.recessionMm).toBe(0);
          expect(tipUmOf(edge, nearly)).toBe(8);
          const there = honed(edge, fresh(edge, thickMm), wholeMm3);
          expect(there.recessionMm).toBeCloseTo(0, 6);
          for (const { facet, lengthMm } of facetsNow(edge, there)) {
            if (facet !== 'body') expect(lengthMm).toBeCloseTo(facetMm, 5);
          }
          // From there it is an edge like any other: it goes back, and the maker's roundness goes.
          const beyond = honed(edge, there, 0.2 * wholeMm3);
          expect(beyond.recessionMm).toBeGreaterThan(0);
        },
      ),
    );
  });
});
