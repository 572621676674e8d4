import fc from 'fast-check';
import { sinDeg } from '../base/trig.js';
import { edgeWork, type EdgeWorkInput } from './edge-work.js';
import { primaryShaping } from './primary-shaping.js';
import { layLowerDeg, stropWrap } from './strop-wrap.js';

const EXAMPLE: EdgeWorkInput = {
  edge: { form: 'single-bevel', widthMm: 45, thicknessMm: 3, primaryDeg: 25, secondaryDeg: 30 },
  landMm: 0.5,
  tipUm: 3,
  marksUm: 1.4,
  works: [{ removalMm3PerNm: 0.0047849, forceN: 20, strokeMm: 150, strokes: 10, marksUm: 1.38 }],
};

describe('edgeWork', () => {
  it('ten strokes on a plane iron: example of the formulas', () => {
    const { recessionMm, landMm, marksUm, steelMm3, reached } = edgeWork(EXAMPLE);
    expect(recessionMm).toBeCloseTo(0.012055, 6);
    expect(landMm).toBeCloseTo(0.558455, 6);
    expect([marksUm, reached]).toEqual([1.38, true]);
    expect(steelMm3).toBeCloseTo(0.143547, 6);
  });

  it('reaches the tip at 0.011196 mm and not before', () => {
    const [work] = EXAMPLE.works;
    const after = (strokes: number): ReturnType<typeof edgeWork> =>
      edgeWork({ ...EXAMPLE, works: [{ ...(work as (typeof EXAMPLE.works)[0]), strokes }] });
    let strokes = 1;
    while (!after(strokes).reached) strokes += 1;
    expect(after(strokes).recessionMm).toBeGreaterThanOrEqual(0.011196);
    expect(after(strokes - 1).recessionMm).toBeLessThan(0.011196);
  });

  it('splits over both faces of a double bevel: back h ÷ sin β', () => {
    const edge = { form: 'double-bevel', widthMm: 20, thicknessMm: 4, leftDeg: 12, rightDeg: 12 } as const;
    const { recessionMm, steelMm3 } = edgeWork({ ...EXAMPLE, edge });
    const face = 2 / sinDeg(12);
    expect(recessionMm).toBeCloseTo(steelMm3 / 2 / (20 * face) / sinDeg(12), 9);
  });

  it('is the same whether strokes are counted in one go or several (fast-check)', () => {
    const edges: readonly EdgeWorkInput['edge'][] = [
      EXAMPLE.edge,
      { form: 'single-bevel', widthMm: 20, thicknessMm: 4, primaryDeg: 27 },
      { form: 'double-bevel', widthMm: 20, thicknessMm: 4, leftDeg: 10, rightDeg: 14 },
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...edges),
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 5 }),
        (edge, counts) => {
          const [work] = EXAMPLE.works as readonly [EdgeWorkInput['works'][0]];
          const total = counts.reduce((sum, n) => sum + n, 0);
          const inOne = edgeWork({ ...EXAMPLE, edge, tipUm: 20, works: [{ ...work, strokes: total }] });
          const inParts = edgeWork({
            ...EXAMPLE,
            edge,
            tipUm: 20,
            works: counts.map((strokes) => ({ ...work, strokes })),
          });
          expect(inParts.recessionMm).toBeCloseTo(inOne.recessionMm, 7);
          expect(inParts.steelMm3).toBeCloseTo(inOne.steelMm3, 9);
          expect(inParts.marksUm).toBeCloseTo(inOne.marksUm, 5);
          expect(inParts.reached).toBe(inOne.reached);
        },
      ),
    );
  });
});

describe('primaryShaping', () => {
  it('34° made 25°: examples of the formulas', () => {
    expect(primaryShaping({ thicknessMm: 3, foundDeg: 34, wantedDeg: 25 }).steelMm2).toBeCloseTo(2.978757, 6);
    expect(
      primaryShaping({ thicknessMm: 3, foundDeg: 34, wantedDeg: 25, landLeftMm: 0.7 }).steelMm2,
    ).toBeCloseTo(2.252142, 6);
  });
});

describe('stropWrap', () => {
  it('22 N on leather: example of the formulas', () => {
    const { indentMm, wrapDeg } = stropWrap({
      forceN: 22,
      widthMm: 20,
      contactMm: 1,
      leatherMm: 2,
      modulusMPa: 30,
    });
    expect(indentMm).toBeCloseTo(0.073333, 6);
    expect(wrapDeg).toBeCloseTo(4.194183, 6);
  });

  it('lays a narrow edge lower than a wide one, on thick leather lower than on thin, on wood not at all', () => {
    const leather = { face: 'smooth-leather', thicknessMm: 2 } as const;
    const [narrow, wide] = [layLowerDeg(leather, 12) ?? 0, layLowerDeg(leather, 50) ?? 0];
    expect(narrow).toBeGreaterThan(wide);
    expect(layLowerDeg({ ...leather, thicknessMm: 4 }, 12)).toBeGreaterThan(narrow);
    expect(layLowerDeg({ ...leather, face: 'rough-leather' }, 12)).toBeGreaterThan(narrow);
    expect(layLowerDeg({ face: 'wood' }, 12)).toBeUndefined();
    expect(layLowerDeg(undefined, 12)).toBeUndefined();
  });
});
