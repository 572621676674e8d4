import { MM_PER_INCH } from '../base/length.js';

/** What came out of a caliper's line of text: a figure, or what could not be read. */
export type CaliperLine =
  | { readonly ok: true; readonly mm: number; readonly text: string }
  | { readonly ok: false; readonly text: string };

/** What is left of a line that has not ended, and the unit the caliper last named. */
export interface CaliperStream {
  readonly rest: string;
  readonly unit: 'mm' | 'in';
}

export const CALIPER_START: CaliperStream = { rest: '', unit: 'mm' };

/** No caliper reaches further, mm. */
const FURTHEST_MM = 1000;
/** A line that never ends is not a figure: what a port at the wrong speed brings. */
const LONGEST_LINE = 64;

/**
 * A caliper's serial text as it comes, in pieces of any length: a figure a line, with its unit or in the
 * unit named last, “mm” or “in”; a line that only names a unit switches it. Letters before the figure,
 * such as a channel's name, are passed over; anything else is told as unread, never guessed.
 */
export function caliperText(
  stream: CaliperStream,
  chunk: string,
): { readonly stream: CaliperStream; readonly lines: readonly CaliperLine[] } {
  const pieces = (stream.rest + chunk).split(/[\r\n]+/);
  const rest = pieces.pop() ?? '';
  let { unit } = stream;
  const lines: CaliperLine[] = [];
  for (const piece of pieces) {
    const text = piece.trim();
    if (text === '') continue;
    const named = /(?:^|[\d\s])(mm|in|inch|")$/i.exec(text)?.[1]?.toLowerCase();
    if (named !== undefined) unit = named === 'mm' ? 'mm' : 'in';
    if (/^(mm|in|inch)$/i.test(text)) continue;
    lines.push(figureOf(text, unit));
  }
  return rest.length > LONGEST_LINE
    ? { stream: { rest: '', unit }, lines: [...lines, { ok: false, text: rest.slice(0, LONGEST_LINE) }] }
    : { stream: { rest, unit }, lines };
}

const FIGURE = /^(?:[A-Za-z]{1,3}\d?[\s:=]+)?((?:[+-]\s*)?\d{1,4}(?:[.,]\d{1,4})?)\s*(?:mm|in|inch|")?$/i;

function figureOf(text: string, unit: 'mm' | 'in'): CaliperLine {
  const figure = FIGURE.exec(text)?.[1];
  const value = figure === undefined ? NaN : Number(figure.replace(/\s/g, '').replace(',', '.'));
  const mm = unit === 'in' ? value * MM_PER_INCH : value;
  return Number.isFinite(mm) && Math.abs(mm) <= FURTHEST_MM
    ? { ok: true, mm: Number(mm.toFixed(4)), text }
    : { ok: false, text };
}
