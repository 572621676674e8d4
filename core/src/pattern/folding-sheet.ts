import { foldTo, halvings } from '../guide/folding.js';
import { cosDeg, sinDeg } from '../base/trig.js';
import { box, type Mark, type Pattern, type PatternHand } from './pattern.js';

interface FoldingSheetInput {
  readonly angleDeg: number;
  /** Side of the square sheet. */
  readonly sideMm: number;
}

/**
 * A square sheet with the creases that halve its corner until one stands nearest an angle, to fold,
 * cut along and set a blade by eye.
 */
export function foldingSheet({ angleDeg, sideMm }: FoldingSheetInput, hand: PatternHand): Pattern {
  const { nearest } = foldTo(angleDeg);
  const steps = halvings(nearest.deg);
  const creases = steps.map(({ deg }, i): readonly Mark[] => {
    const end = sideMm / Math.max(cosDeg(deg), sinDeg(deg));
    const along = sideMm * (0.62 + 0.07 * (i % 4));
    return [
      {
        kind: 'path',
        layer: deg === nearest.deg ? 'face' : 'fold',
        name: `crease ${deg}`,
        points: [
          { x: 0, y: 0 },
          { x: end * cosDeg(deg), y: end * sinDeg(deg) },
        ],
      },
      {
        kind: 'text',
        text: `${i + 1}: ${hand.angle(deg)}`,
        sizeMm: 3.4,
        turnDeg: deg,
        at: { x: along * cosDeg(deg) - 1.2 * sinDeg(deg), y: along * sinDeg(deg) + 1.2 * cosDeg(deg) },
      },
    ];
  });
  return {
    title: `Folding template for ${hand.angle(angleDeg)}: the crease at ${hand.angle(nearest.deg)}`,
    marks: [
      { kind: 'path', layer: 'cut', name: 'sheet', closed: true, points: box(0, 0, sideMm, sideMm) },
      ...creases.flat(),
    ],
    notes: ['Fold in the order of the numbers, edge to crease, or cut along the heavy line.'],
    solids: [],
    letters: [],
  };
}
