import { Refusal } from './refusal.js';

/** How a person writes the fraction of a number. Both are read; one is written. */
export type DecimalMark = 'point' | 'comma';

const PLAIN = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/;

/**
 * Reads one plain number written with a decimal point or a decimal comma.
 * A mark followed by three digits and a second mark ("1,234.5") is refused rather than guessed at.
 * @throws Refusal on `field` when the text is not one number.
 */
export function parseNumber(text: string, field: string): number {
  const trimmed = text.trim().replace(/^\u2212/, '-');
  if (!PLAIN.test(trimmed)) {
    const groups = /^[+-]?\d{1,3}([.,' \u00a0\u202f]\d{3})+([.,]\d+)?$/.test(trimmed);
    throw new Refusal(
      field,
      groups
        ? `Write “${text.trim()}” without separators between the thousands.`
        : `“${text.trim()}” is not a number; write digits with a decimal point or comma, such as 12.5 or 12,5.`,
    );
  }
  return Number(trimmed.replace(',', '.'));
}

/** Writes a number with at most `decimals` places, no trailing zeros unless `fixed`. */
export function formatNumber(
  value: number,
  decimals: number,
  mark: DecimalMark = 'point',
  fixed = false,
): string {
  const text = value.toFixed(decimals);
  const shortest = fixed || !text.includes('.') ? text : withoutTrailingZeros(text);
  const unsigned = /^-0(\.0*)?$/.test(shortest) ? shortest.slice(1) : shortest;
  return (mark === 'comma' ? unsigned.replace('.', ',') : unsigned).replace('-', '−');
}

function withoutTrailingZeros(text: string): string {
  let end = text.length;
  while (text[end - 1] === '0') end -= 1;
  return text.slice(0, text[end - 1] === '.' ? end - 1 : end);
}
