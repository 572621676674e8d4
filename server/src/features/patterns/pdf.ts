import type { Point } from '@mellow-anvil/core/blade';
import {
  type Extent,
  extentOf,
  type Mark,
  type Pattern,
  type PatternLayer,
} from '@mellow-anvil/core/pattern';
import {
  checkBars,
  linesOf,
  openSheets,
  roomOn,
  type Pen,
  type SheetOptions,
  type Sheets,
} from '../../platform/paper/sheet.js';
import { printable } from '../../platform/paper/typeface.js';

export const PENS: Readonly<Record<PatternLayer, Pen>> = {
  cut: { widthMm: 0.3 },
  fence: { widthMm: 0.7 },
  stop: { widthMm: 0.2, grey: 0.35 },
  face: { widthMm: 0.5 },
  fold: { widthMm: 0.25, dashMm: [3, 2] },
  scribe: { widthMm: 0.15, grey: 0.4 },
};

/** Round the drawing: the page's edge, the title above, bars and notes below and at the left. */
const EDGE = { left: 20, right: 10, top: 20, bottom: 30 } as const;
/** How far neighbouring sheets cover the same ground. */
const LAP_MM = 10;

export type PrintOptions = Pick<SheetOptions, 'paper' | 'printer'>;

interface Tiling {
  readonly lying: boolean;
  readonly columns: number;
  readonly rows: number;
  readonly wide: number;
  readonly high: number;
}

/** A pattern on as many sheets as true size asks for, each with its bars. */
export async function patternPdf(pattern: Pattern, options: PrintOptions): Promise<Buffer> {
  const extent = extentOf(pattern);
  const tilings = [false, true].map((lying) => tile(extent, lying, options));
  const tiling = tilings.reduce((best, each) =>
    each.columns * each.rows < best.columns * best.rows ? each : best,
  );
  const { lying } = tiling;
  const sheets = openSheets({ ...options, lying, title: pattern.title, subject: 'A pattern at true size' });
  for (let row = 0; row < tiling.rows; row++) {
    for (let column = 0; column < tiling.columns; column++) {
      sheets.page();
      drawSheet(sheets, pattern, extent, tiling, { row, column });
    }
  }
  return sheets.finish();
}

function tile(extent: Extent, lying: boolean, options: PrintOptions): Tiling {
  const { widthMm, heightMm } = roomOn({ ...options, lying });
  const [wide, high] = [widthMm - EDGE.left - EDGE.right, heightMm - EDGE.top - EDGE.bottom];
  const parts = (length: number, window: number): number =>
    length <= window ? 1 : Math.ceil((length - LAP_MM) / (window - LAP_MM));
  return {
    lying,
    columns: parts(extent.right - extent.left, wide),
    rows: parts(extent.top - extent.bottom, high),
    wide,
    high,
  };
}

function drawSheet(
  sheets: Sheets,
  pattern: Pattern,
  extent: Extent,
  tiling: Tiling,
  { row, column }: { readonly row: number; readonly column: number },
): void {
  const { wide, high, columns, rows } = tiling;
  const from = {
    x: extent.left + column * (wide - LAP_MM),
    y: extent.bottom + row * (high - LAP_MM),
  };
  // A pattern of one sheet stands at its top left; of several, each fills its window.
  const shift = {
    x: EDGE.left - from.x,
    y: rows === 1 ? sheets.heightMm - EDGE.top - extent.top : EDGE.bottom - from.y,
  };
  const place = ({ x, y }: Point): Point => ({ x: x + shift.x, y: y + shift.y });
  const [left, bottom] = [EDGE.left, EDGE.bottom];
  sheets.within(left - 1, bottom - 1, left + wide + 1, bottom + high + 1, () => {
    for (const mark of pattern.marks) drawMark(sheets, mark, place);
  });
  if (columns * rows > 1) {
    const lap: Pen = { widthMm: 0.15, dashMm: [1.5, 1.5], grey: 0.3 };
    const edge = (a: Point, b: Point): void => sheets.line([a, b], lap);
    if (column > 0) edge({ x: left + LAP_MM / 2, y: bottom }, { x: left + LAP_MM / 2, y: bottom + high });
    if (column < columns - 1)
      edge({ x: left + wide - LAP_MM / 2, y: bottom }, { x: left + wide - LAP_MM / 2, y: bottom + high });
    if (row > 0) edge({ x: left, y: bottom + LAP_MM / 2 }, { x: left + wide, y: bottom + LAP_MM / 2 });
    if (row < rows - 1)
      edge({ x: left, y: bottom + high - LAP_MM / 2 }, { x: left + wide, y: bottom + high - LAP_MM / 2 });
  }
  const sheet = row * columns + column + 1;
  drawMargin(sheets, pattern, columns * rows > 1 ? `Sheet ${sheet} of ${columns * rows}` : '');
}

function drawMark(sheets: Sheets, mark: Mark, place: (point: Point) => Point): void {
  if (mark.kind === 'text') {
    const { text, at, sizeMm, align, turnDeg } = mark;
    sheets.text(text, place(at), {
      sizeMm,
      ...(align && { align }),
      ...(turnDeg !== undefined && { turnDeg }),
      weight: sizeMm > 3.9 ? 'strong' : 'plain',
    });
    return;
  }
  sheets.line(mark.points.map(place), PENS[mark.layer], mark.closed);
}

function drawMargin(sheets: Sheets, pattern: Pattern, sheet: string): void {
  checkBars(sheets, { x: 8, y: 8 });
  const top = sheets.heightMm - 10;
  const room = sheets.widthMm - 66 - 12;
  linesOf(sheets, pattern.title, 3.8, sheets.widthMm - EDGE.left - (sheet ? 46 : 14))
    .slice(0, 2)
    .forEach((title, i) =>
      sheets.text(title, { x: EDGE.left, y: top - i * 4.8 }, { sizeMm: 3.8, weight: 'strong' }),
    );
  if (sheet) sheets.text(sheet, { x: sheets.widthMm - 10, y: top }, { sizeMm: 3.8, align: 'end' });
  const words = [
    'Print at actual size and measure both bars first: 50 mm each. If they are off, give what they measure under Patterns and print again.',
    ...pattern.notes,
    ...(sheet
      ? ['Cut along the dashed line of one sheet, lay it on the dashed line of its neighbour, and glue.']
      : []),
    ...(printable(pattern.title)
      ? []
      : ['The name holds characters this page’s typeface lacks; each is printed as a question mark.']),
  ];
  words
    .flatMap((sentence) => linesOf(sheets, sentence, 2.9, room))
    .slice(0, 7)
    .forEach((text, i) => sheets.text(text, { x: 66, y: 27 - i * 3.7 }, { sizeMm: 2.9, grey: 0.15 }));
}
