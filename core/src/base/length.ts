import { Refusal } from './refusal.js';
import { formatNumber, parseNumber, type DecimalMark } from './number.js';

/** The units a person has chosen to read lengths in. */
export type LengthUnits = 'mm' | 'inch';

/** 1 inch is 25.4 mm exactly (international yard and pound agreement, 1959). */
export const MM_PER_INCH = 25.4;
/** A thou (mil) is a thousandth of an inch. */
const MM_PER_THOU = MM_PER_INCH / 1000;
const MM_PER_UM = 0.001;

const UNIT_MM: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  um: MM_PER_UM,
  µm: MM_PER_UM,
  μm: MM_PER_UM,
  micron: MM_PER_UM,
  microns: MM_PER_UM,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  '″': MM_PER_INCH,
  '”': MM_PER_INCH,
  thou: MM_PER_THOU,
  mil: MM_PER_THOU,
  mils: MM_PER_THOU,
};

const UNICODE_FRACTIONS: Readonly<Record<string, string>> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const UNIT_SUFFIX = /^(.*?[\d¼½¾⅛⅜⅝⅞.,])\s*([a-zµμ"″”]+)\.?$/iu;
const MIXED = /^(?:(\d+)(?:\s+|\s*[-+]\s*))?(\d+)\s*[/⁄]\s*(\d+)$/;

/**
 * Reads a length as people write it: `38`, `38,1 mm`, `1 1/2"`, `1-1/2 in`, `4 thou`, `25 µm`.
 * A bare number is taken in `units`, the units on the page; a bare fraction is always inches.
 * @returns millimetres
 * @throws Refusal on `field` with what to write instead.
 */
export function parseLength(text: string, units: LengthUnits = 'mm', field = 'length'): number {
  const spaced = text
    .trim()
    .replace(/[¼½¾⅛⅜⅝⅞]/g, (f) => ` ${UNICODE_FRACTIONS[f]}`)
    .trim();
  if (spaced === '') throw new Refusal(field, 'Write a length, such as 38 mm or 1 1/2 in.');
  const suffix = UNIT_SUFFIX.exec(spaced);
  const written = suffix?.[2]?.toLowerCase();
  const unitMm = written === undefined ? undefined : UNIT_MM[written];
  if (written !== undefined && unitMm === undefined) {
    throw new Refusal(field, `“${suffix?.[2]}” is not a unit known here; use mm, cm, µm, in, " or thou.`);
  }
  const amount = (suffix?.[1] ?? spaced).trim();
  const fraction = MIXED.exec(amount);
  if (fraction) {
    const denominator = Number(fraction[3]);
    if (denominator === 0) throw new Refusal(field, 'A fraction cannot be over nothing.');
    const value = Number(fraction[1] ?? 0) + Number(fraction[2]) / denominator;
    return value * (unitMm ?? MM_PER_INCH);
  }
  return parseNumber(amount, field) * (unitMm ?? (units === 'mm' ? 1 : MM_PER_INCH));
}

interface LengthFormat {
  readonly units: LengthUnits;
  readonly mark?: DecimalMark;
  /** Places for millimetres; inches get one more, since an inch is 25 times as long. Default 2. */
  readonly decimals?: number;
  /**
   * In inches: `fraction` to the nearest 1/64, for sizes as they are sold; `decimal` for settings;
   * `thou` for slivers. Default `decimal`.
   */
  readonly inchStyle?: 'fraction' | 'decimal' | 'thou';
  /** Every place written, noughts too. */
  readonly fixed?: boolean;
}

/** Writes a length in mm with its unit, in the units and style asked for. */
export function formatLength(mm: number, format: LengthFormat): string {
  const { units, mark = 'point', decimals = 2, inchStyle = 'decimal', fixed = false } = format;
  if (units === 'mm') return `${formatNumber(mm, decimals, mark, fixed)} mm`;
  if (inchStyle === 'thou') {
    return `${formatNumber(mm / MM_PER_THOU, Math.max(0, decimals - 1), mark)} thou`;
  }
  if (inchStyle === 'fraction') return `${inchFraction(mm / MM_PER_INCH)} in`;
  return `${formatNumber(mm / MM_PER_INCH, decimals + 1, mark, fixed)} in`;
}

function inchFraction(inches: number): string {
  const sixtyFourths = Math.round(Math.abs(inches) * 64);
  const sign = inches < 0 && sixtyFourths > 0 ? '−' : '';
  const whole = Math.floor(sixtyFourths / 64);
  let numerator = sixtyFourths % 64;
  let denominator = 64;
  while (numerator > 0 && numerator % 2 === 0) {
    numerator /= 2;
    denominator /= 2;
  }
  if (numerator === 0) return `${sign}${whole}`;
  return `${sign}${whole > 0 ? `${whole} ` : ''}${numerator}/${denominator}`;
}
