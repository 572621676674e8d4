import { COST_PARTS } from '@mellow-anvil/core/simulate';

/** A contestant’s year, min, and where it went. */
interface Bar extends Partial<Readonly<Record<(typeof COST_PARTS)[number], number>>> {
  readonly name: string;
  readonly kind: string;
  readonly total: number;
  readonly over: number;
  readonly error: number;
  readonly best: number;
}

const FILL: Readonly<Record<(typeof COST_PARTS)[number], string>> = {
  stones: '#2f6f8f',
  strop: '#8a6f2a',
  wheel: '#5b5f66',
  care: '#7fa7a0',
  dull: '#a3430d',
  curve: '#6b4f8a',
  steel: '#222831',
};
const WIDE = 980;
const LEFT = 330;
const ROW = 34;
const text = (x: number, y: number, words: string, more = ''): string =>
  `<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" ${more}>${words.replaceAll('&', '&amp;').replaceAll('<', '&lt;')}</text>`;

/** Two plots: a year by contestant and where it went; the page with one part changed, beside the page. */
export function plotOf(rows: readonly Bar[]): string {
  const whole = rows.filter(({ kind }) => ['page', 'rule', 'oracle'].includes(kind));
  const parts = rows.filter(({ kind }) => kind === 'part' || kind === 'spoilt');
  const most = Math.max(...whole.map(({ total }) => total));
  const scale = (WIDE - LEFT - 90) / most;
  const lines: string[] = [text(20, 32, 'A year of a made-up shop, minutes of the hand’s time', 'class="h"')];
  whole.forEach((row, i) => {
    const y = 76 + i * ROW;
    let x = LEFT;
    lines.push(text(LEFT - 10, y + 16, row.name, 'text-anchor="end"'));
    for (const part of COST_PARTS) {
      const wide = scale * (row[part] ?? 0);
      lines.push(
        `<rect x="${x.toFixed(1)}" y="${String(y)}" width="${wide.toFixed(1)}" height="22" fill="${FILL[part]}"/>`,
      );
      x += wide;
    }
    lines.push(text(x + 8, y + 16, row.total.toFixed(0)));
  });
  COST_PARTS.forEach((part, i) => {
    lines.push(`<rect x="${String(LEFT + i * 100)}" y="46" width="14" height="14" fill="${FILL[part]}"/>`);
    lines.push(text(LEFT + i * 100 + 20, 58, part));
  });
  const top = 76 + whole.length * ROW + 50;
  lines.push(
    text(
      20,
      top,
      'The page with one part known, or made worse: minutes beside the page, ± 2 standard errors',
      'class="h"',
    ),
  );
  const reach = Math.max(...parts.map(({ over, error }) => Math.abs(over) + 2 * error));
  const middle = LEFT + (WIDE - LEFT) / 2 - 40;
  const half = (WIDE - LEFT) / 2 - 110;
  const at = (over: number): number => middle + (half * over) / reach;
  parts.forEach((row, i) => {
    const y = top + 24 + i * ROW;
    const [from, to] = [Math.min(0, row.over), Math.max(0, row.over)];
    lines.push(
      text(
        LEFT - 10,
        y + 16,
        row.kind === 'part' ? `${row.name}, by one who knows` : row.name,
        'text-anchor="end"',
      ),
      `<rect x="${at(from).toFixed(1)}" y="${String(y)}" width="${(at(to) - at(from)).toFixed(1)}" height="22" fill="${row.over < 0 ? '#2f6f8f' : '#a3430d'}"/>`,
      `<path d="M${at(row.over - 2 * row.error).toFixed(1)} ${String(y + 11)}H${at(row.over + 2 * row.error).toFixed(1)}" stroke="#222831" stroke-width="2"/>`,
      text(WIDE - 20, y + 16, `${row.over > 0 ? '+' : ''}${row.over.toFixed(0)}`, 'text-anchor="end"'),
    );
  });
  const tall = top + 40 + parts.length * ROW;
  lines.push(`<path d="M${middle.toFixed(1)} ${String(top + 16)}V${String(tall - 10)}" stroke="#222831"/>`);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${String(WIDE)} ${String(tall)}" font-family="sans-serif" font-size="15" fill="#222831">
<style>.h{font-weight:bold;font-size:17px}</style>
<rect width="${String(WIDE)}" height="${String(tall)}" fill="#fff"/>
${lines.join('\n')}
</svg>
`;
}
