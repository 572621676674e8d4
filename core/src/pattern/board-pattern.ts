import { box, type Mark, type Pattern, type PatternHand, type SolidPart } from './pattern.js';
import type { BoardSizes, BoardStop, SettingBoard } from '../guide/setting-board.js';

/** What a drawing of a board needs of it. */
type DrawnBoard = BoardSizes &
  Pick<SettingBoard, 'name' | 'revision' | 'cutOn'> & { readonly stops: readonly BoardStop[] };

const LETTER_MM = 6;

/**
 * A setting board at true size: the fence along the bottom, on y = 0, which the guide's nose is pushed
 * against; each stop's face at its projection, which the edge meets.
 * @param seat the guide and seat it is for, as it is written on the board
 */
export function boardPattern(board: DrawnBoard, seat: string, hand: PatternHand): Pattern {
  const { lengthMm, depthMm, thicknessMm, stopHeightMm, stops, name, revision, cutOn } = board;
  const title = `${name} · ${seat} · revision ${revision}, ${cutOn}`;
  return {
    title,
    marks: [
      { kind: 'path', layer: 'cut', name: 'board', closed: true, points: box(0, 0, lengthMm, depthMm) },
      {
        kind: 'path',
        layer: 'fence',
        name: 'fence',
        points: [
          { x: 0, y: 0 },
          { x: lengthMm, y: 0 },
        ],
      },
      ...stops.flatMap((stop) => stopMarks(board, stop, hand)),
      { kind: 'text', at: { x: 0, y: -5 }, sizeMm: 3, text: title },
    ],
    notes: [
      'Fence along the bottom: push the guide’s nose against it, blade flat on the board, edge against the stop.',
      'Cut the stops square to the fence. Set one blade by each stop and prove it with a protractor before you trust it.',
    ],
    solids: [
      { outline: box(0, 0, lengthMm, depthMm), fromMm: 0, toMm: thicknessMm },
      ...stops.map((stop): SolidPart => ({
        outline: stopBox(board, stop),
        // Into the board, so that the two are one piece.
        fromMm: thicknessMm / 2,
        toMm: thicknessMm + stopHeightMm,
      })),
    ],
    // On the stops only: on the board they would be in the blade's way.
    letters: stops.map(({ label, angleDeg, alongMm, projectionMm }) => {
      const text = `${label} ${Number(angleDeg.toFixed(2))}`;
      const { stopWidthMm, stopDepthMm } = board;
      return {
        text,
        at: { x: alongMm, y: projectionMm + stopDepthMm / 2 },
        sizeMm: Math.min(LETTER_MM, stopDepthMm * 0.5, (stopWidthMm * 0.9) / text.length),
        onMm: thicknessMm + stopHeightMm,
      };
    }),
  };
}

const stopBox = (
  { stopWidthMm, stopDepthMm }: BoardSizes,
  { alongMm, projectionMm }: BoardStop,
): ReturnType<typeof box> =>
  box(alongMm - stopWidthMm / 2, projectionMm, alongMm + stopWidthMm / 2, projectionMm + stopDepthMm);

function stopMarks(board: DrawnBoard, stop: BoardStop, hand: PatternHand): readonly Mark[] {
  const { label, angleDeg, alongMm, projectionMm } = stop;
  const outline = stopBox(board, stop);
  const [left, right] = [outline[0], outline[1]] as const;
  const size = Math.min(LETTER_MM, board.stopDepthMm * 0.6);
  // Where the lane is too short for the figures, they stand in the stop's own column beyond it.
  const lane = projectionMm > 14;
  const figures = lane ? projectionMm / 2 : projectionMm + board.stopDepthMm + 6;
  return [
    { kind: 'path', layer: 'stop', name: `stop ${label}`, closed: true, points: outline },
    ...(left && right
      ? [{ kind: 'path', layer: 'face', name: `face ${label}`, points: [left, right] } as const]
      : []),
    {
      kind: 'path',
      layer: 'scribe',
      name: `middle ${label}`,
      points: [
        { x: alongMm, y: 0 },
        { x: alongMm, y: projectionMm },
      ],
    },
    {
      kind: 'text',
      text: label,
      sizeMm: size,
      align: 'middle',
      at: { x: alongMm, y: projectionMm + board.stopDepthMm / 2 - size * 0.36 },
    },
    { kind: 'text', text: hand.angle(angleDeg), sizeMm: 4.2, at: { x: alongMm + 1.6, y: figures } },
    { kind: 'text', text: hand.setting(projectionMm), sizeMm: 3, at: { x: alongMm + 1.6, y: figures - 4.4 } },
  ];
}
