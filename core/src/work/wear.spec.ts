import fc from 'fast-check';
import { flatBlade } from '../testing/blades.js';
import { sharpnessUm, unworked, withTip } from './edge-at-work.js';
import { stropped, worn } from './wear.js';

const edge = flatBlade({ secondaryDeg: 30, landMm: 0.5 });
const fresh = { ...unworked(edge), marksUm: { secondary: 0.2 } };

describe('use and the strop', () => {
  it('round the tip with every spell, whatever they are counted in, and never sharpen it (fast-check)', () => {
    const amount = fc.double({ min: 0, max: 300, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom('minutes', 'metresPlaned', 'mortises'),
        amount,
        amount,
        (by, some, more) => {
          const once = worn(edge, fresh, { [by]: some });
          expect(sharpnessUm(edge, once)).toBeGreaterThanOrEqual(sharpnessUm(edge, fresh));
          expect(sharpnessUm(edge, worn(edge, once, { [by]: more }))).toBeCloseTo(
            sharpnessUm(edge, worn(edge, fresh, { [by]: some + more })),
            9,
          );
        },
      ),
    );
  });

  it('an edge that no longer cuts is dull at least, however short its use', () => {
    expect(sharpnessUm(edge, worn(edge, fresh, { minutes: 1, stillCutting: false }))).toBe(4);
    expect(sharpnessUm(edge, worn(edge, fresh, { minutes: 200, stillCutting: false }))).toBeGreaterThan(4);
    expect(worn(edge, fresh, { chipMm: 0.2 }).nickMm).toBe(0.2);
  });

  it('a strop brings some of it back, down to what the marks leave, and moves no steel', () => {
    const dull = withTip(fresh, 4);
    const once = stropped(edge, dull);
    expect(sharpnessUm(edge, once)).toBe(2);
    let many = dull;
    for (let i = 0; i < 20; i++) many = stropped(edge, many);
    expect(sharpnessUm(edge, many)).toBeCloseTo(0.05, 9);
    expect(many.recessionMm).toBe(0);
  });
});
