import PDFDocument from 'pdfkit';
import type { Paper } from '@mellow-anvil/contract';
import type { Point } from '@mellow-anvil/core/blade';
import { PRINTED_BAR_MM, type PrinterBars } from '@mellow-anvil/core/workshop';
import { WEIGHTS, facesOf, runsOf, type Weight } from './typeface.js';

const PT = 72 / 25.4;
/** Sizes of paper, upright, mm: ISO 216, and ANSI/ASME Y14.1 A. */
const PAPER_MM: Readonly<Record<Paper, readonly [number, number]>> = {
  a4: [210, 297],
  letter: [215.9, 279.4],
};

export interface SheetOptions {
  readonly paper: Paper;
  readonly lying: boolean;
  readonly printer: PrinterBars;
  readonly title: string;
  /** Author and subject, for the file's own description. */
  readonly subject: string;
}

export interface Pen {
  readonly widthMm: number;
  readonly dashMm?: readonly [number, number];
  readonly grey?: number;
}

/** Pages of paper, drawn on in mm from the lower left corner, corrected for the printer. */
export interface Sheets {
  readonly widthMm: number;
  readonly heightMm: number;
  page(): void;
  line(points: readonly Point[], pen: Pen, closed?: boolean): void;
  fill(points: readonly Point[], grey: number): void;
  text(text: string, at: Point, options: TextOptions): void;
  /** Width a text takes, mm. */
  wide(text: string, sizeMm: number, weight?: Weight): number;
  /** Draws only within a box. */
  within(left: number, bottom: number, right: number, top: number, draw: () => void): void;
  finish(): Promise<Buffer>;
}

interface TextOptions {
  readonly sizeMm: number;
  readonly weight?: Weight;
  readonly align?: 'start' | 'middle' | 'end';
  readonly turnDeg?: number;
  readonly grey?: number;
}

const paperMm = (paper: Paper, lying: boolean): readonly [number, number] => {
  const [short, long] = PAPER_MM[paper];
  return lying ? [long, short] : [short, long];
};

/** How much a page holds in true mm, the printer's fault taken off. */
export function roomOn({
  paper,
  lying,
  printer,
}: Pick<SheetOptions, 'paper' | 'lying' | 'printer'>): Pick<Sheets, 'widthMm' | 'heightMm'> {
  const [wide, high] = paperMm(paper, lying);
  return {
    widthMm: (wide * printer.acrossMm) / PRINTED_BAR_MM,
    heightMm: (high * printer.upMm) / PRINTED_BAR_MM,
  };
}

/**
 * Opens pages of true-size paper. A printer whose 50 mm bars come out as `printer` says is met by
 * drawing everything that much larger or smaller in each direction.
 */
export function openSheets({ paper, lying, printer, title, subject }: SheetOptions): Sheets {
  const [paperWide, paperHigh] = paperMm(paper, lying);
  const [across, up] = [PRINTED_BAR_MM / printer.acrossMm, PRINTED_BAR_MM / printer.upMm];
  const { widthMm, heightMm } = roomOn({ paper, lying, printer });
  const doc = new PDFDocument({
    size: [paperWide * PT, paperHigh * PT],
    margin: 0,
    autoFirstPage: false,
    lang: 'en-GB',
    displayTitle: true,
    info: { Title: title, Subject: subject, Creator: 'Mellow Anvil' },
  });
  for (const face of WEIGHTS.flatMap(facesOf)) doc.registerFont(face.name, face.data);
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const x = (mm: number): number => mm * across * PT;
  const y = (mm: number): number => (paperHigh - mm * up) * PT;
  const trace = (points: readonly Point[], closed: boolean): void => {
    points.forEach((point, i) =>
      i === 0 ? doc.moveTo(x(point.x), y(point.y)) : doc.lineTo(x(point.x), y(point.y)),
    );
    if (closed) doc.closePath();
  };
  const shade = (grey: number): string => {
    const level = Math.round(grey * 255);
    return `#${level.toString(16).padStart(2, '0').repeat(3)}`;
  };
  const widthPt = (text: string, sizeMm: number, weight: Weight): number =>
    runsOf(text, weight).reduce((sum, run) => {
      doc.font(run.face.name).fontSize(sizeMm * PT * up);
      return sum + doc.widthOfString(run.text);
    }, 0);
  return {
    widthMm,
    heightMm,
    page: () => void doc.addPage(),
    line: (points, { widthMm, dashMm, grey = 0 }, closed = false) => {
      doc
        .save()
        .lineWidth(widthMm * PT)
        .strokeColor(shade(grey))
        .lineJoin('miter');
      if (dashMm) doc.dash(dashMm[0] * PT, { space: dashMm[1] * PT });
      trace(points, closed);
      doc.stroke().restore();
    },
    fill: (points, grey) => {
      doc.save();
      trace(points, true);
      doc.fill(shade(grey)).restore();
    },
    text: (text, at, { sizeMm, weight = 'plain', align = 'start', turnDeg = 0, grey = 0 }) => {
      const wide = widthPt(text, sizeMm, weight);
      const shift = { start: 0, middle: wide / 2, end: wide }[align];
      doc.save();
      doc.translate(x(at.x), y(at.y));
      if (turnDeg) doc.rotate(-turnDeg);
      doc.fillColor(shade(grey));
      let from = -shift;
      for (const run of runsOf(text, weight)) {
        doc.font(run.face.name).fontSize(sizeMm * PT * up);
        doc.text(run.text, from, 0, { lineBreak: false, baseline: 'alphabetic' });
        from += doc.widthOfString(run.text);
      }
      doc.restore();
    },
    wide: (text, sizeMm, weight = 'plain') => widthPt(text, sizeMm, weight) / PT / across,
    within: (left, bottom, right, top, draw) => {
      doc.save();
      doc.rect(x(left), y(top), x(right) - x(left), y(bottom) - y(top)).clip();
      draw();
      doc.restore();
    },
    finish: () =>
      new Promise((resolve) => {
        doc.on('end', () => resolve(Buffer.concat(chunks)));
        doc.end();
      }),
  };
}

/** The two bars a page is checked by, from a corner: across and upright. */
export function checkBars(sheets: Sheets, at: Point): void {
  const pen: Pen = { widthMm: 0.25 };
  const tick = 1.6;
  const bar = (dx: number, dy: number): void => {
    const to = { x: at.x + dx * PRINTED_BAR_MM, y: at.y + dy * PRINTED_BAR_MM };
    sheets.line([at, to], pen);
    for (const end of [at, to]) {
      sheets.line(
        [
          { x: end.x - dy * tick, y: end.y - dx * tick },
          { x: end.x + dy * tick, y: end.y + dx * tick },
        ],
        pen,
      );
    }
  };
  bar(1, 0);
  bar(0, 1);
  sheets.text(
    `${PRINTED_BAR_MM} mm`,
    { x: at.x + PRINTED_BAR_MM / 2, y: at.y + 1.4 },
    { sizeMm: 2.8, align: 'middle' },
  );
  sheets.text(
    `${PRINTED_BAR_MM} mm`,
    { x: at.x + 3.6, y: at.y + PRINTED_BAR_MM / 2 },
    { sizeMm: 2.8, align: 'middle', turnDeg: 90 },
  );
}

/** A text broken into lines no longer than a width. */
export function linesOf(sheets: Sheets, text: string, sizeMm: number, widthMm: number): readonly string[] {
  return text.split(' ').reduce<string[]>((lines, word) => {
    const last = lines.at(-1);
    const longer = last === undefined ? word : `${last} ${word}`;
    return last !== undefined && sheets.wide(longer, sizeMm) > widthMm
      ? [...lines, word]
      : [...lines.slice(0, -1), longer];
  }, []);
}
