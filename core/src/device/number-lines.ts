import { parseNumber } from '../base/number.js';
import { Refusal, insist } from '../base/refusal.js';
import type { EdgePoint } from '../camber/profile-reading.js';

/**
 * A profile as it is typed or pasted: a line each, place and height with a comma, semicolon, tab or space
 * between; or heights only, taken at equal steps from the left corner to the right one. A first line of
 * words, as a spreadsheet writes one, is passed over.
 * @throws Refusal on `points` naming the line that cannot be read
 */
export function profileLines(text: string, widthMm: number): readonly EdgePoint[] {
  const lines = text
    .split(/\r?\n/)
    .map((line, i) => ({ line: line.trim(), at: i + 1 }))
    .filter(({ line }) => line !== '');
  const first = lines[0];
  const body = first && !/\d/.test(first.line) ? lines.slice(1) : lines;
  const rows = body.map(({ line, at }) => figuresOf(line, at));
  const alone = rows.every((row) => row.length === 1);
  const steps = Math.max(1, rows.length - 1);
  return rows.map((row, i) => {
    if (alone) return { atMm: (widthMm * i) / steps, outMm: row[0] as number };
    const [atMm, outMm] = row;
    insist(
      atMm !== undefined && outMm !== undefined && row.length === 2,
      'points',
      `Line ${body[i]?.at}: write place and height, two figures with a semicolon or a space between.`,
    );
    return { atMm, outMm };
  });
}

function figuresOf(line: string, at: number): readonly number[] {
  // A comma parts two figures where both are written with points, and is a decimal mark otherwise.
  const parts = /^[^;\t .]*\.[^;\t ,]*,|^\d+,\s*\d+\.\d/.test(line)
    ? line.split(/[,;\t ]+/)
    : line.split(/[;\t ]+/);
  return parts
    .map((part) => part.replace(/(mm|,)$/i, ''))
    .filter((part) => part !== '')
    .map((part) => {
      try {
        return parseNumber(part, 'points');
      } catch {
        throw new Refusal('points', `Line ${at}: “${part.slice(0, 20)}” is not a number.`);
      }
    });
}
