/** A line of a cutting-force tester: newtons to part the thread, or what could not be read. */
export type ForceLine =
  | { readonly ok: true; readonly newtons: number }
  | { readonly ok: false; readonly text: string };

const MOST_N = 50;
const LONGEST_LINE = 64;

/**
 * A force tester's serial text as it comes, in pieces: newtons, one plain number a line. Anything else is told as
 * unread.
 * @returns what is left of a line that has not ended, and the lines that have
 * @example forceText('1.', '79\r\n').lines // [{ ok: true, newtons: 1.79 }]
 */
export function forceText(
  rest: string,
  chunk: string,
): { readonly rest: string; readonly lines: readonly ForceLine[] } {
  const pieces = (rest + chunk).split(/[\r\n]+/);
  const left = pieces.pop() ?? '';
  const lines = pieces
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '')
    .map(lineOf);
  return left.length > LONGEST_LINE
    ? { rest: '', lines: [...lines, { ok: false, text: left.slice(0, LONGEST_LINE) }] }
    : { rest: left, lines };
}

function lineOf(text: string): ForceLine {
  const newtons = /^\d{1,5}(?:[.,]\d{1,6})?$/.test(text) ? Number(text.replace(',', '.')) : NaN;
  return newtons > 0 && newtons <= MOST_N ? { ok: true, newtons } : { ok: false, text };
}

/** A made-up tester's text for a cut, in pieces of any length. */
export function simulatedForce(newtons: number, random: () => number): readonly string[] {
  const text = `${(newtons * (0.95 + 0.1 * random())).toFixed(2)}\r\n`;
  const chunks: string[] = [];
  for (let at = 0; at < text.length;) {
    const long = 1 + Math.floor(random() * 6);
    chunks.push(text.slice(at, at + long));
    at += long;
  }
  return chunks;
}
