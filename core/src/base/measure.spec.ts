import fc from 'fast-check';
import { parseAngle, formatAngle } from './angle.js';
import { formatDay } from './date.js';
import { formatLength, parseLength } from './length.js';
import { formatMinutes, parseMinutes } from './minutes.js';
import { formatNumber, parseNumber } from './number.js';

describe('numbers', () => {
  it('reads a decimal comma and a decimal point alike', () => {
    expect(parseNumber('12,5', 'x')).toBe(12.5);
    expect(parseNumber(' 12.5 ', 'x')).toBe(12.5);
    expect(parseNumber('−3', 'x')).toBe(-3);
  });

  it('refuses words, two marks and thousands, saying what to write', () => {
    expect(() => parseNumber('1,234.5', 'x')).toThrowError(/without separators/);
    expect(() => parseNumber('1.2.3', 'x')).toThrowError(/decimal point or comma/);
    expect(() => parseNumber('about 3', 'x')).toThrowError(/not a number/);
    expect(() => parseNumber('1e5', 'x')).toThrowError();
  });

  it('writes what it reads (fast-check)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e7, max: 1e7 }),
        fc.constantFrom('point' as const, 'comma' as const),
        (thousandths, mark) =>
          parseNumber(formatNumber(thousandths / 1000, 3, mark), 'x') === thousandths / 1000,
      ),
    );
    expect(formatNumber(-0.001, 1)).toBe('0');
    expect(formatNumber(100, 0)).toBe('100');
    expect(formatNumber(30, 2, 'comma', true)).toBe('30,00');
  });
});

describe('lengths', () => {
  it('reads what people write', () => {
    const written: [string, number][] = [
      ['38', 38],
      ['38,1 mm', 38.1],
      ['3.8cm', 38],
      ['1 1/2"', 38.1],
      ['1-1/2 in', 38.1],
      ['1½ in', 38.1],
      ['3/4', 19.05],
      ['4 thou', 0.1016],
      ['25 µm', 0.025],
    ];
    for (const [text, mm] of written) expect(parseLength(text)).withContext(text).toBeCloseTo(mm, 9);
    expect(parseLength('2', 'inch')).toBeCloseTo(50.8, 9);
  });

  it('refuses what it cannot read, in words', () => {
    expect(() => parseLength('')).toThrowError(/Write a length/);
    expect(() => parseLength('3 ells')).toThrowError(/not a unit/);
    expect(() => parseLength('1/0 in')).toThrowError(/over nothing/);
  });

  it('writes mm, inches and thou; a tenth of a millimetre is four thou', () => {
    expect(formatLength(29.896, { units: 'mm' })).toBe('29.9 mm');
    expect(formatLength(38.1, { units: 'inch', inchStyle: 'fraction' })).toBe('1 1/2 in');
    expect(formatLength(38.123, { units: 'inch', mark: 'comma' })).toBe('1,501 in');
    expect(formatLength(0.1, { units: 'inch', inchStyle: 'thou', decimals: 1 })).toBe('4 thou');
    expect(formatLength(-25.4, { units: 'inch', inchStyle: 'fraction' })).toBe('−1 in');
  });

  it('does not drift between page and record in either unit (fast-check)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30000 }),
        fc.constantFrom('mm' as const, 'inch' as const),
        (h, units) => {
          const written = formatLength(h / 100, { units, decimals: 4 });
          const read = parseLength(written, units);
          expect(formatLength(read, { units, decimals: 4 })).toBe(written);
        },
      ),
    );
  });
});

describe('angles, minutes and days', () => {
  it('reads and writes angles', () => {
    expect(parseAngle('30,5°')).toBe(30.5);
    expect(parseAngle('30°30′')).toBe(30.5);
    expect(parseAngle('25 deg')).toBe(25);
    expect(() => parseAngle('30°75′')).toThrowError(/60 minutes/);
    expect(formatAngle(30.04)).toBe('30°');
  });

  it('reads and writes minutes', () => {
    expect(parseMinutes('12')).toBe(12);
    expect(parseMinutes('1 h 5 min')).toBe(65);
    expect(parseMinutes('90 s')).toBe(1.5);
    expect(() => parseMinutes('1:30')).toThrowError(/two ways/);
    expect([0.5, 2.46, 12.4, 65, 120].map((m) => formatMinutes(m))).toEqual([
      '30 s',
      '2.5 min',
      '12 min',
      '1 h 5 min',
      '2 h',
    ]);
  });

  it('writes a day with its month in letters, so that it can be read one way only', () => {
    expect(formatDay('2026-11-23')).toBe('23 Nov 2026');
    expect(formatDay('no day')).toBe('no day');
  });
});
