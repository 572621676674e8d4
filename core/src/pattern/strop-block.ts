import type { Point } from '../blade/section.js';
import { gougeArc } from '../curve/gouge-arc.js';
import { insist } from '../base/refusal.js';
import { cosDeg, sinDeg } from '../base/trig.js';
import { arcPoints, type Mark, type Pattern, type PatternHand } from './pattern.js';

interface GougeStropInput {
  /** Chord between the gouge’s corners and its depth below that, on its outside. */
  readonly widthMm: number;
  readonly depthMm: number;
  /** Thickness of its wall. */
  readonly wallMm: number;
  /** Leather that will lie between wood and steel; 0 for bare wood with compound on it. */
  readonly leatherMm: number;
  readonly lengthMm: number;
}

interface VStropInput {
  readonly wingMm: number;
  readonly openingDeg: number;
  /** Outside of its keel. */
  readonly keelRadiusMm: number;
  readonly leatherMm: number;
  readonly lengthMm: number;
}

/** Wood under a channel, and beside it (estimates: stiff enough in the hand). */
const BASE_MM = 10;
const BESIDE_MM = 6;
/** A ridge tighter than this is a folded scrap of leather, mm (estimate). */
const LEAST_RIDGE_MM = 1.5;
/** No channel goes further round than this: the gouge has to come out of it. */
const MOST_HALF_DEG = 90;

/**
 * The wood of a profiled strop for one gouge: a channel that its outside fits once the leather lies in it, radius R +
 * leather, and beside it a ridge for its inside, R − wall − leather. Concentric arcs keep a leather of even thickness
 * between them. Where the inside is too tight for a ridge there is only the channel.
 * @throws Refusal on `depthMm` for a curve no gouge has
 * @example gougeStrop({ widthMm: 20, depthMm: 5, wallMm: 2.4, leatherMm: 2, lengthMm: 120 }, hand) // channel R 14.5, ridge R 8.1
 */
export function gougeStrop(input: GougeStropInput, hand: PatternHand): Pattern {
  const { widthMm, depthMm, wallMm, leatherMm } = input;
  const { radiusMm, arcDeg } = gougeArc({ widthMm, depthMm });
  const half = Math.min(MOST_HALF_DEG, arcDeg / 2);
  const channel = radiusMm + leatherMm;
  const ridge = radiusMm - wallMm - leatherMm;
  const deep = channel * (1 - cosDeg(half));
  const wide = 2 * channel * sinDeg(half);
  const middle = BESIDE_MM + wide / 2;
  const top = BASE_MM + deep;
  // From the left corner of the mouth down and up again.
  const hollow = arcPoints({ x: middle, y: BASE_MM + channel }, channel, 270 - half, 270 + half);
  const right = 2 * BESIDE_MM + wide;
  const stands = ridge >= LEAST_RIDGE_MM ? ridgeOn(right, ridge, half) : undefined;
  const endX = stands?.endX ?? right;
  const outline: readonly Point[] = [
    { x: 0, y: 0 },
    { x: endX, y: 0 },
    ...(stands ? [...stands.points].reverse() : []),
    ...(stands ? [{ x: right, y: BASE_MM }] : []),
    { x: right, y: top },
    ...[...hollow].reverse(),
    { x: 0, y: top },
  ];
  const marks: readonly Mark[] = [
    { kind: 'path', layer: 'cut', name: 'block', closed: true, points: outline },
    { kind: 'path', layer: 'face', name: 'channel', points: hollow },
    ...(stands ? [{ kind: 'path', layer: 'face', name: 'ridge', points: stands.arc } as const] : []),
    label(`R ${hand.length(channel)}`, { x: middle, y: BASE_MM / 2 - 1.5 }),
    ...(stands ? [label(`R ${hand.length(ridge)}`, { x: stands.middle, y: BASE_MM / 2 - 1.5 })] : []),
  ];
  return block(
    `Strop block for a gouge ${hand.length(widthMm)} wide, ${hand.length(depthMm)} deep`,
    outline,
    marks,
    [
      leatherNote(leatherMm, hand),
      stands
        ? 'The channel takes its outside, the ridge its inside; pull, edge trailing, rolling it as it comes.'
        : 'Its inside is too tight for a ridge: a folded scrap of leather does it.',
      'Instead of cutting it to this: a board of soft wood, and the gouge itself driven along it until its channel fits.',
    ],
    input.lengthMm,
  );
}

/** A ridge on a shelf beside the channel, its crown as high as its own arc asks. */
function ridgeOn(
  fromX: number,
  radius: number,
  half: number,
): {
  readonly points: readonly Point[];
  readonly arc: readonly Point[];
  readonly endX: number;
  readonly middle: number;
} {
  const middle = fromX + BESIDE_MM + radius * sinDeg(half);
  const arc = arcPoints({ x: middle, y: BASE_MM - radius * cosDeg(half) }, radius, 90 + half, 90 - half);
  const endX = middle + radius * sinDeg(half) + BESIDE_MM;
  return { points: [...arc, { x: endX, y: BASE_MM }], arc, endX, middle };
}

/**
 * The wood of a strop for a V-tool: a groove at its own opening, its floor round for the keel once the leather lies in
 * it, radius keel + leather. Leather of even thickness only shifts the flanks.
 * @throws Refusal on `openingDeg` for wings that lie in one line
 * @example vStrop({ wingMm: 9, openingDeg: 60, keelRadiusMm: 0.4, leatherMm: 1, lengthMm: 120 }, hand) // floor R 1.4
 */
export function vStrop(input: VStropInput, hand: PatternHand): Pattern {
  const { wingMm, openingDeg, keelRadiusMm, leatherMm } = input;
  insist(openingDeg < 170, 'openingDeg', 'Wings so wide apart are stropped flat: no groove is needed.');
  const half = openingDeg / 2;
  const radius = keelRadiusMm + leatherMm;
  // The floor turns through what the wings leave of a half circle; the flanks are its tangents.
  const floorHalf = 90 - half;
  const flankMm = wingMm + leatherMm;
  const meets = { x: radius * sinDeg(floorHalf), y: radius * (1 - cosDeg(floorHalf)) };
  const mouth = { x: meets.x + flankMm * sinDeg(half), y: meets.y + flankMm * cosDeg(half) };
  const middle = BESIDE_MM + mouth.x;
  const top = BASE_MM + mouth.y;
  const floor = arcPoints({ x: middle, y: BASE_MM + radius }, radius, 270 - floorHalf, 270 + floorHalf);
  const groove: readonly Point[] = [
    { x: middle - mouth.x, y: top },
    ...floor,
    { x: middle + mouth.x, y: top },
  ];
  const right = 2 * middle;
  const outline: readonly Point[] = [
    { x: 0, y: 0 },
    { x: right, y: 0 },
    { x: right, y: top },
    ...[...groove].reverse(),
    { x: 0, y: top },
  ];
  return block(
    `Strop block for a V-tool of ${hand.angle(openingDeg)}, wings ${hand.length(wingMm)}`,
    outline,
    [
      { kind: 'path', layer: 'cut', name: 'block', closed: true, points: outline },
      { kind: 'path', layer: 'face', name: 'groove', points: groove },
      label(`${hand.angle(openingDeg)} · R ${hand.length(radius)}`, { x: middle, y: BASE_MM / 2 - 1.5 }),
    ],
    [
      leatherNote(leatherMm, hand),
      'Wing, wing, keel: pull it along each flank, then along the floor.',
      'Its inside is done with a folded scrap of leather, or a board edge planed to the same angle.',
    ],
    input.lengthMm,
  );
}

const label = (text: string, at: Point): Mark => ({ kind: 'text', text, sizeMm: 3, align: 'middle', at });

const leatherNote = (leatherMm: number, hand: PatternHand): string =>
  leatherMm > 0
    ? `Allowed for leather ${hand.length(leatherMm)} thick, glued all along: another leather wants another block.`
    : 'For compound on the bare wood.';

const block = (
  title: string,
  outline: readonly Point[],
  marks: readonly Mark[],
  notes: readonly string[],
  lengthMm: number,
): Pattern => ({ title, marks, notes, solids: [{ outline, fromMm: 0, toMm: lengthMm }], letters: [] });
