import { unworked } from '../work/edge-at-work.js';
import { worked } from '../work/worked.js';
import { equalWidths } from './equal-widths.js';
import { strokeMm3 } from './step-removal.js';

const pair = { count: 2, lengthMm: 150, thicknessMm: 3 };
// 0.05 mm³ per N·m, 100 N over 0.2 m: 1 mm³ a stroke.
const work = { removalMm3PerNm: 0.05, strokeMm: 200, forceN: 100 };

describe('equalWidths', () => {
  it('tells the spread, and the strokes that take the wider down to the narrowest', () => {
    const { spreadMm, knives } = equalWidths(pair, [19.9, 20], 1);
    expect(spreadMm).toBeCloseTo(0.1, 12);
    expect(knives.map(({ strokes }) => strokes)).toEqual([0, 45]);
  });

  it('takes as much as the one arithmetic of work does of one knife', () => {
    const edge = {
      form: 'knife-set',
      count: 1,
      lengthMm: 150,
      widthMm: 20,
      thicknessMm: 3,
      bevelDeg: 40,
    } as const;
    const perStroke = strokeMm3({ steel: 'high-carbon' }, work, {}, { forceN: 100 });
    const [, wider] = equalWidths(pair, [19.9, 20], perStroke).knives;
    const item = { ...work, strokes: wider?.strokes ?? 0, steelFactor: 1, marksUm: 1 };
    expect(worked(edge, unworked(edge), item).recessionMm).toBeCloseTo(0.1, 9);
  });

  it('asks for every knife', () => {
    expect(() => equalWidths(pair, [20], 1)).toThrowError(/each of the 2 knives/);
  });
});
