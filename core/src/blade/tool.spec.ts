import { edgeLengthMm, includedDeg, type Edge } from './edge.js';
import { FAMILY_NAMES, familyFacts } from './families.js';
import { STEELS, STEEL_NAMES } from './tool.js';

describe('families', () => {
  it('keep the backs of chisels as reference surfaces, and those only (common practice)', () => {
    const registering = FAMILY_NAMES.filter((family) => familyFacts(family).backRegisters);
    expect(registering).toEqual(['bench-chisel', 'paring-chisel', 'mortise-chisel', 'one-sided-knife']);
  });

  it('hone at a steeper angle than they grind, and never finer than P600 for machine knives', () => {
    for (const family of FAMILY_NAMES) {
      const { primaryDeg, secondaryDeg } = familyFacts(family);
      expect(primaryDeg[0]).toBeLessThanOrEqual(primaryDeg[1]);
      if (secondaryDeg) expect(secondaryDeg[0]).withContext(family).toBeGreaterThan(primaryDeg[0]);
    }
    expect(familyFacts('planer-knives').finishUm).toBe(25.8);
  });

  it('ask more work of every harder-wearing steel', () => {
    expect(STEELS['high-carbon'].factor).toBe(1);
    for (const steel of STEEL_NAMES) expect(STEELS[steel].factor).toBeGreaterThanOrEqual(1);
  });
});

describe('edges of every form', () => {
  const flat = {
    form: 'single-bevel',
    widthMm: 20,
    thicknessMm: 3,
    primaryDeg: 25,
    grind: 'flat',
    back: 'flat',
    front: { shape: 'straight' },
  } as const;
  const cases: [Edge, number, number][] = [
    [flat, 25, 20],
    [{ ...flat, secondaryDeg: 30 }, 30, 20],
    [{ ...flat, secondaryDeg: 30, microDeg: 32 }, 32, 20],
    [
      {
        form: 'double-bevel',
        widthMm: 12,
        thicknessMm: 2,
        leftDeg: 15,
        rightDeg: 16,
        skewDeg: 60,
        grind: 'flat',
      },
      31,
      24,
    ],
    [
      {
        form: 'gouge',
        widthMm: 20,
        depthMm: 5,
        thicknessMm: 2,
        cannel: 'out',
        bevelDeg: 22,
        counterBevelDeg: 5,
      },
      27,
      20,
    ],
    [{ form: 'v', wingMm: 9, openingDeg: 60, thicknessMm: 2, bevelDeg: 22, keelRadiusMm: 0 }, 22, 18],
    [
      { form: 'knife', lengthMm: 80, widthMm: 18, spineMm: 2, leftDeg: 10, rightDeg: 12, grind: 'flat' },
      22,
      80,
    ],
    [
      { form: 'hook', make: 'flat-inside', lengthMm: 55, innerRadiusMm: 20, thicknessMm: 2, includedDeg: 25 },
      25,
      55,
    ],
    [{ form: 'knife-set', count: 3, lengthMm: 260, widthMm: 25, thicknessMm: 3, bevelDeg: 40 }, 40, 260],
    [{ form: 'scraping', lengthMm: 60, thicknessMm: 2, bevelDeg: 20, burrSide: 'left' }, 20, 60],
  ];
  for (const [edge, included, length] of cases) {
    it(`have an included angle and a length: ${edge.form} ${included}°`, () => {
      expect(includedDeg(edge)).toBe(included);
      expect(edgeLengthMm(edge)).toBeCloseTo(length, 9);
    });
  }
});
