import { Refusal } from './refusal.js';
import { formatNumber, parseNumber, type DecimalMark } from './number.js';

const SEXAGESIMAL = /^(\d+)\s*°\s*(\d+(?:[.,]\d+)?)\s*['′]$/;

/**
 * Reads an angle in degrees: `30`, `30,5°`, `30.5 deg`, `30°30′`.
 * @returns degrees
 * @throws Refusal on `field`.
 */
export function parseAngle(text: string, field = 'angle'): number {
  const trimmed = text.trim();
  if (trimmed === '') throw new Refusal(field, 'Write an angle in degrees, such as 30.');
  const minutes = SEXAGESIMAL.exec(trimmed);
  if (minutes?.[1] !== undefined && minutes[2] !== undefined) {
    const arcMinutes = parseNumber(minutes[2], field);
    if (arcMinutes >= 60) throw new Refusal(field, 'A degree has only 60 minutes of arc.');
    return Number(minutes[1]) + arcMinutes / 60;
  }
  return parseNumber(trimmed.replace(/(°|deg|degrees?)$/i, '').trimEnd(), field);
}

/** Writes degrees with the ° sign and at most `decimals` places. */
export function formatAngle(deg: number, decimals = 1, mark: DecimalMark = 'point'): string {
  return `${formatNumber(deg, decimals, mark)}°`;
}
