import { ANSI_COATED, FEPA_F, FEPA_P, JIS } from './grade-tables.js';
import { grit } from './grit.js';
import { estimatedRemovalMm3PerNm, removalPerStrokeMm3 } from './removal.js';

/**
 * Read on 2026-11-23 from definitions.units of Debian 12's package `units` (2.22): grit_P and
 * grit_F, "taken directly from [FEPA's] web page", and jisgrit.
 */
const DEBIAN_UNITS = {
  P: '12 1815 16 1324 20 1000 24 764 30 642 36 538 40 425 50 336 60 269 80 201 100 162 120 125 150 100 180 82 220 68 240 58.5 280 52.2 320 46.2 360 40.5 400 35 500 30.2 600 25.8 800 21.8 1000 18.3 1200 15.3 1500 12.6 2000 10.3 2500 8.4',
  F: '4 4890 5 4125 6 3460 7 2900 8 2460 10 2085 12 1765 14 1470 16 1230 20 1040 22 885 24 745 30 625 36 525 40 438 46 370 54 310 60 260 70 218 80 185 90 154 100 129 120 109 150 82 180 69 220 58 230 53 240 44.5 280 36.5 320 29.2 360 22.8 400 17.3 500 12.8 600 9.3 800 6.5 1000 4.5 1200 3 1500 2.0 2000 1.2',
  JIS: '280 48 320 40 360 35 400 30 600 20 700 17 800 14 1000 11.5 1200 9.5 1500 8 2000 6.7 2500 5.5 3000 4 4000 3 6000 2 8000 1.2',
};
const pairs = (text: string): [number, number][] => {
  const numbers = text.split(' ').map(Number);
  return numbers.flatMap((n, i) => (i % 2 === 0 ? [[n, numbers[i + 1]] as [number, number]] : []));
};

describe('grit', () => {
  it('has the FEPA P and F tables whole, as published', () => {
    expect([...FEPA_P.sizes]).toEqual(pairs(DEBIAN_UNITS.P));
    expect([...FEPA_F.sizes]).toEqual(pairs(DEBIAN_UNITS.F));
  });

  it('agrees with the published copy of JIS wherever that has the grade', () => {
    for (const [grade, um] of pairs(DEBIAN_UNITS.JIS)) expect(JIS.sizes.get(grade)).toBe(um);
    const only = [...JIS.sizes.keys()].filter((grade) => !pairs(DEBIAN_UNITS.JIS).some(([g]) => g === grade));
    expect(only).withContext('from memory').toEqual([240, 500]);
  });

  it('falls strictly in every table, coarse to fine', () => {
    for (const { sizes, name } of [FEPA_P, FEPA_F, ANSI_COATED, JIS]) {
      const um = [...sizes.values()];
      expect(um.every((size, i) => i === 0 || size < (um[i - 1] as number)))
        .withContext(name)
        .toBeTrue();
    }
  });

  it('reads a grade as it is printed', () => {
    expect(grit({ standard: 'FEPA-P', grade: 'P600' }).sizeUm).toBe(25.8);
    expect(grit({ standard: 'JIS', grade: ' #8000 ' }).sizeUm).toBe(1.2);
    expect(grit({ standard: 'UM', grade: '0,5 µm' }).sizeUm).toBe(0.5);
    expect(grit({ standard: 'ANSI', grade: '600' }).fromMemory).toBeTrue();
  });

  it('refuses an unknown grade and names its neighbours', () => {
    const refused = (
      standard: 'JIS' | 'FEPA-P' | 'UM',
      grade: string,
    ): jasmine.FunctionMatchers<() => void> => expect(() => void grit({ standard, grade })) as never;
    refused('FEPA-P', 'P700').toThrowError(/P600 or P800/);
    refused('JIS', '#10000').toThrowError(/maker’s own.*µm/);
    refused('JIS', 'fine').toThrowError(/such as #1000/);
    refused('UM', '0').toThrowError(/between 0.01 and 5000/);
  });
});

describe('removal', () => {
  it('is anchored at 14 µm and scales with force, stroke and steel', () => {
    expect(estimatedRemovalMm3PerNm(14)).toBeCloseTo(0.0056, 12);
    expect(estimatedRemovalMm3PerNm(14, 'oil-stone')).toBeCloseTo(0.0028, 12);
    expect(removalPerStrokeMm3(0.0056, 20, 150, 1)).toBeCloseTo(0.0168, 12);
    expect(removalPerStrokeMm3(0.0056, 20, 150, 2)).toBeCloseTo(0.0084, 12);
  });
});
