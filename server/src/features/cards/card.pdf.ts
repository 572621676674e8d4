import QRCode from 'qrcode';
import { formatNumber, unlessRefused } from '@mellow-anvil/core/base';
import { type Edge, edgeChain, type Point } from '@mellow-anvil/core/blade';
import { FACET_NAMES, type ToolCard } from '@mellow-anvil/core/guide';
import { box, type PatternHand } from '@mellow-anvil/core/pattern';
import type { PrintOptions } from '../patterns/index.js';
import { checkBars, linesOf, openSheets, type Sheets } from '../../platform/paper/sheet.js';
import { printable } from '../../platform/paper/typeface.js';

const MARGIN = 16;
const DRAWING = { wide: 118, high: 58 } as const;
const QR_MM = 34;
const ROW = 7;
/** How many times as large a section is drawn, the largest that fits. */
const SCALES = [20, 15, 12, 10, 8, 6, 5, 4, 3, 2, 1];

/**
 * One page of a tool: its section, its angles, how each is set, the finish, and a code that opens it.
 * @param address where the tool's page is
 */
export async function cardPdf(
  card: ToolCard,
  edge: Edge,
  address: string,
  hand: PatternHand,
  options: PrintOptions,
): Promise<Buffer> {
  const sheets = openSheets({ ...options, lying: false, title: card.name, subject: 'A tool’s card' });
  sheets.page();
  const right = sheets.widthMm - MARGIN;
  let y = sheets.heightMm - MARGIN - 8;
  for (const line of linesOf(sheets, card.name, 9, right - MARGIN - QR_MM - 6).slice(0, 2)) {
    sheets.text(line, { x: MARGIN, y }, { sizeMm: 9, weight: 'strong' });
    y -= 10.5;
  }
  const words = (text: string, sizeMm = 4, grey = 0): void => {
    for (const line of linesOf(sheets, text, sizeMm, right - MARGIN - QR_MM - 6)) {
      sheets.text(line, { x: MARGIN, y }, { sizeMm, grey });
      y -= sizeMm * 1.5;
    }
  };
  words(`${card.family} · ${card.steel}`);
  words(
    `Edge ${hand.angle(card.includedDeg)} included · finish to ${formatNumber(card.finishUm, 1)} microns`,
  );
  drawQr(sheets, address, { x: right - QR_MM, y: sheets.heightMm - MARGIN - QR_MM });
  y = Math.min(y, sheets.heightMm - MARGIN - QR_MM) - DRAWING.high - 6;
  drawSection(sheets, edge, hand, { x: MARGIN, y });
  drawAngles(sheets, card, hand, { x: MARGIN + DRAWING.wide + 10, y: y + DRAWING.high - 6 });
  y = drawSettings(sheets, card, hand, y - 14);
  if (card.lastSetting) {
    const { angleDeg, projectionMm, stop } = card.lastSetting;
    const out = projectionMm === undefined ? '' : `, ${hand.setting(projectionMm)} out`;
    const by = stop ? ` by stop ${stop.label} of ${stop.board}` : '';
    words(`Last honed at ${hand.angle(angleDeg)}${by}${out}.`);
  }
  if (card.notes) words(card.notes.replace(/\s+/g, ' ').slice(0, 300), 3.6, 0.25);
  if (!printable(card.name))
    words(
      'The name holds characters this page’s typeface lacks; each is printed as a question mark.',
      3,
      0.25,
    );
  checkBars(sheets, { x: 8, y: 8 });
  [
    'Print at actual size; both bars are 50 mm.',
    'The same setting every time matters more than the last hundredth.',
    `The code opens this tool where Mellow Anvil runs: ${address}`,
  ].forEach((text, i) => sheets.text(text, { x: 66, y: 20 - i * 4 }, { sizeMm: 2.9, grey: 0.2 }));
  return sheets.finish();
}

function drawQr(sheets: Sheets, address: string, at: Point): void {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' });
  const { size } = modules;
  const side = QR_MM / size;
  for (let row = 0; row < size; row++) {
    const y = at.y + QR_MM - (row + 1) * side;
    for (let column = 0; column < size; column++) {
      // A run of dark modules in one piece, so that no seam shows in it.
      const from = column;
      while (column < size && modules.get(row, column)) column++;
      if (column > from) sheets.fill(box(at.x + from * side, y, at.x + column * side, y + side), 0);
    }
  }
}

/** The blade's section as large as fits, and how many times its size that is. */
function drawSection(sheets: Sheets, edge: Edge, hand: PatternHand, at: Point): void {
  const chain = unlessRefused(() => edgeChain(edge));
  if (!chain) return;
  const [xs, ys] = [chain.outline.map(({ x }) => x), chain.outline.map(({ y }) => y)];
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  const times =
    SCALES.find(
      (each) => Math.max(...xs) * each <= DRAWING.wide && (high - low) * each <= DRAWING.high - 8,
    ) ?? 0.5;
  const foot = at.y + 6 - low * times;
  const place = ({ x, y }: Point): Point => ({ x: at.x + x * times, y: foot + y * times });
  sheets.fill(chain.outline.map(place), 0.88);
  sheets.line(chain.outline.map(place), { widthMm: 0.25 }, true);
  for (const { points } of [...chain.upper, ...chain.lower]) sheets.line(points.map(place), { widthMm: 0.7 });
  sheets.text(
    `${times} : 1 · ${hand.length(chain.thicknessMm)} thick${'widthMm' in edge ? `, ${hand.length(edge.widthMm)} wide` : ''}`,
    { x: at.x, y: at.y - 1 },
    { sizeMm: 3.2, grey: 0.25 },
  );
}

function drawAngles(sheets: Sheets, { facets }: ToolCard, hand: PatternHand, at: Point): void {
  facets.forEach(({ facet, angleDeg }, i) => {
    sheets.text(FACET_NAMES[facet], { x: at.x, y: at.y - i * 17 }, { sizeMm: 3.8, grey: 0.25 });
    sheets.text(hand.angle(angleDeg), { x: at.x, y: at.y - i * 17 - 9 }, { sizeMm: 9, weight: 'strong' });
  });
}

/** A row for each guide and facet. @returns where the table ends */
function drawSettings(sheets: Sheets, { settings }: ToolCard, hand: PatternHand, from: number): number {
  const right = sheets.widthMm - MARGIN;
  const columns = [MARGIN, MARGIN + 72, MARGIN + 98, MARGIN + 116, MARGIN + 142];
  const foot = 72;
  let y = from;
  const row = (cells: readonly string[], strong: boolean): void => {
    cells.forEach((cell, i) => {
      const room = (columns[i + 1] ?? right) - (columns[i] ?? 0) - 2;
      const [line = ''] = linesOf(sheets, cell, 3.4, room);
      sheets.text(
        line === cell ? line : `${line} …`,
        { x: columns[i] ?? 0, y },
        { sizeMm: 3.4, weight: strong ? 'strong' : 'plain' },
      );
    });
    sheets.line(
      [
        { x: MARGIN, y: y - 2.2 },
        { x: right, y: y - 2.2 },
      ],
      { widthMm: strong ? 0.4 : 0.1 },
    );
    y -= ROW;
  };
  if (settings.length === 0) {
    sheets.text('Honed by hand: no guide of this workshop holds it.', { x: MARGIN, y }, { sizeMm: 4 });
    return y - 2 * ROW;
  }
  row(['Guide', 'Facet', 'Angle', 'Set to', 'Stop'], true);
  for (const { guide, seat, facet, angleDeg, projectionMm, gapMm, stop } of settings) {
    if (y < foot + ROW) {
      sheets.text('More guides hold it: see its Set-up.', { x: MARGIN, y }, { sizeMm: 3.4 });
      y -= ROW;
      break;
    }
    const set = projectionMm === undefined ? `${hand.setting(gapMm ?? 0)} gap` : hand.setting(projectionMm);
    const by = stop ? `${stop.label}, ${stop.board}` : '–';
    row([seat ? `${guide}, ${seat}` : guide, FACET_NAMES[facet], hand.angle(angleDeg), set, by], false);
  }
  return y - 4;
}
