import { cornerBackMm } from '../camber/camber-jobs.js';
import { insist } from '../base/refusal.js';
import { arcPoints, type Pattern, type PatternHand } from './pattern.js';

interface CamberTemplateInput {
  readonly widthMm: number;
  readonly radiusMm: number;
  /** Of the template itself. */
  readonly plateMm: number;
}

/** How much further than the iron the template's arc runs on each side, and how deep its plate is, mm. */
const BESIDE_MM = 6;
const PLATE_DEEP_MM = 32;
const MARK_MM = 4;

/**
 * A template of an iron's arc at true size: laid over the iron to scribe the curve, or held against the edge
 * from outside, hollow to round, while it is ground. Two plates, one the shape of the edge and one its hollow.
 * @throws Refusal on `radiusMm` below half the width
 */
export function camberTemplate(
  { widthMm, radiusMm, plateMm }: CamberTemplateInput,
  hand: PatternHand,
): Pattern {
  insist(
    radiusMm >= widthMm / 2,
    'radiusMm',
    `An edge ${hand.length(widthMm)} wide cannot have a radius below ${hand.length(widthMm / 2)}: give a larger one.`,
  );
  // Past a half circle there is no more of the arc to draw.
  const half = Math.min(widthMm / 2 + BESIDE_MM, radiusMm);
  const sweep = (Math.asin(half / radiusMm) * 180) / Math.PI;
  const deep = radiusMm - Math.sqrt(Math.max(0, radiusMm ** 2 - half ** 2));
  const round = arcPoints({ x: 0, y: radiusMm }, radiusMm, 270 - sweep, 270 + sweep);
  const top = deep + PLATE_DEEP_MM;
  const outline = [...round, { x: half, y: top }, { x: -half, y: top }];
  // The hollow one lies below, a finger's width away.
  const down = -deep - 12;
  const hollowBottom = down - PLATE_DEEP_MM;
  const hollow = [
    ...round.map(({ x, y }) => ({ x, y: y + down })),
    { x: half, y: hollowBottom },
    { x: -half, y: hollowBottom },
  ];
  const title = `Camber template, radius ${hand.length(radiusMm)}, iron ${hand.length(widthMm)} wide`;
  const edge = widthMm / 2;
  const cornerMm = cornerBackMm({ shape: 'arc', radiusMm }, widthMm);
  return {
    title,
    marks: [
      { kind: 'path', layer: 'cut', name: 'round', closed: true, points: outline },
      { kind: 'path', layer: 'cut', name: 'hollow', closed: true, points: hollow },
      {
        kind: 'path',
        layer: 'scribe',
        name: 'middle',
        points: [
          { x: 0, y: 0 },
          { x: 0, y: MARK_MM * 2 },
        ],
      },
      ...[-edge, edge].map((x) => ({
        kind: 'path' as const,
        layer: 'scribe' as const,
        name: x < 0 ? 'left corner' : 'right corner',
        points: [
          { x, y: cornerMm },
          { x, y: cornerMm + MARK_MM },
        ],
      })),
      {
        kind: 'text',
        text: `R ${hand.length(radiusMm)}`,
        sizeMm: 6,
        align: 'middle',
        at: { x: 0, y: top - 10 },
      },
      {
        kind: 'text',
        text: `iron ${hand.length(widthMm)}`,
        sizeMm: 3,
        align: 'middle',
        at: { x: 0, y: top - 17 },
      },
    ],
    notes: [
      `Lay the round one over the iron, its middle on the iron’s, and scribe along it; the corners come ${hand.length(cornerMm)} back.`,
      'Grind to the line square to the back first, then the bevel; hold the hollow one against the edge and look for light.',
    ],
    solids: [
      { outline, fromMm: 0, toMm: plateMm },
      { outline: hollow, fromMm: 0, toMm: plateMm },
    ],
    letters: [
      { text: `R${Number(radiusMm.toFixed(1))}`, at: { x: 0, y: top - 12 }, sizeMm: 8, onMm: plateMm },
    ],
  };
}
