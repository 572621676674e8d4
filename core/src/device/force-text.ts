/** A line of a cutting-force tester: grams to part the thread, or what could not be read. */
export type ForceLine =
  { readonly ok: true; readonly grams: number } | { readonly ok: false; readonly text: string };

const MOST_G = 5000;
const LONGEST_LINE = 64;

/**
 * A force tester's serial text as it comes, in pieces: the peak of a cut a line, in grams, “PEAK 182 g” or the
 * figure alone; newtons are turned to grams. Anything else is told as unread.
 * @returns what is left of a line that has not ended, and the lines that have
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

const GRAMS_PER_NEWTON = 1000 / 9.80665;

function lineOf(text: string): ForceLine {
  const found = /^(?:peak[\s:=]+)?(\d{1,5}(?:[.,]\d{1,3})?)\s*(g|gf|n)?$/i.exec(text);
  const value = found?.[1] === undefined ? NaN : Number(found[1].replace(',', '.'));
  const grams = found?.[2]?.toLowerCase() === 'n' ? value * GRAMS_PER_NEWTON : value;
  return Number.isFinite(grams) && grams > 0 && grams <= MOST_G
    ? { ok: true, grams: Math.round(grams) }
    : { ok: false, text };
}

/** A made-up tester's text for a cut: noise on the way, the peak, in pieces of any length. */
export function simulatedForce(grams: number, random: () => number): readonly string[] {
  const text = `READY\r\nPEAK ${Math.max(1, Math.round(grams * (0.95 + 0.1 * random())))} g\r\n`;
  const chunks: string[] = [];
  for (let at = 0; at < text.length;) {
    const long = 1 + Math.floor(random() * 6);
    chunks.push(text.slice(at, at + long));
    at += long;
  }
  return chunks;
}
