import { insist, unlessRefused } from '../base/refusal.js';
import type { Edge, KnifeEdge } from '../blade/edge.js';
import { curveRolled } from '../curve/curve-rolled.js';
import { runningEdge } from '../curve/running-edge.js';
import { rolled } from '../curve/rolled.js';

/**
 * How strokes are laid along an edge longer than its stone is wide: part after part, from end to end across the stone,
 * or in half circles swung about one end and then the other.
 */
export const ALONG = ['parts', 'crosswise', 'half-circles'] as const;
export type Along = (typeof ALONG)[number];

/** Strokes laid along an edge. */
export interface LaidAlong {
  /** In how many visits they are made, each with as many strokes. */
  readonly visits: number;
  readonly strokes: number;
  /** How far the edge is taken over the stone’s side at each end so that the ends get their share, mm. */
  readonly overMm: number;
  /** How much of the edge two neighbouring visits both touch, mm. */
  readonly sharedMm: number;
}

/** An edge up to so many times as long as its stone is wide is laid on it askew, at one go (estimate). */
const ASKEW = 1.5;

/** Whether an edge is so much longer than a stone is wide that its strokes are laid along it. */
export const isLongOn = (edgeMm: number, stoneMm: number): boolean => edgeMm > ASKEW * stoneMm;

/**
 * Strokes laid along an edge so that every part of it gets the same. In parts, as few as the stone covers, side by side,
 * each with its share. Crosswise each stroke runs the whole edge over the stone, on until the stone has left it, or the
 * ends would be short. In half circles about both ends as often: a place x from one end slides as x about that end and
 * as the rest about the other, so together all slide alike. Plane kinematics.
 * @param strokes wanted of the whole edge; rounded up so that every visit has as many
 * @throws Refusal on `stoneMm` for a stone of no width
 * @example layAlong('parts', { edgeMm: 230, stoneMm: 70, strokes: 30 }) // 4 visits of 8, sharing 16.7 mm
 */
export function layAlong(
  along: Along,
  {
    edgeMm,
    stoneMm,
    strokes,
  }: { readonly edgeMm: number; readonly stoneMm: number; readonly strokes: number },
): LaidAlong {
  insist(stoneMm > 0, 'stoneMm', 'A stone has some width: measure it.');
  switch (along) {
    case 'parts': {
      const visits = Math.max(1, Math.ceil(edgeMm / stoneMm - 1e-9));
      const sharedMm = visits > 1 ? (visits * stoneMm - edgeMm) / (visits - 1) : 0;
      return { visits, strokes: visits * Math.ceil(strokes / visits), overMm: 0, sharedMm };
    }
    case 'crosswise':
      return { visits: 1, strokes, overMm: stoneMm, sharedMm: 0 };
    case 'half-circles':
      return { visits: 2, strokes: 2 * Math.ceil(strokes / 2), overMm: 0, sharedMm: edgeMm };
  }
}

/**
 * How often a place of the edge lies on the stone or slides over it, over how often it would if all places were alike:
 * 1 everywhere is even, more where two visits both touch it.
 * @param xMm from the left end of the edge
 * @param overMm how far it is taken over the ends crosswise
 */
export function shareAt(
  along: Along,
  { edgeMm, stoneMm }: { readonly edgeMm: number; readonly stoneMm: number },
  xMm: number,
  overMm = layAlong(along, { edgeMm, stoneMm, strokes: 1 }).overMm,
): number {
  switch (along) {
    case 'parts': {
      const { visits, sharedMm } = layAlong(along, { edgeMm, stoneMm, strokes: 1 });
      return Array.from({ length: visits }, (_, i) => i * (stoneMm - sharedMm)).filter(
        (start) => xMm >= start - 1e-9 && xMm <= start + stoneMm + 1e-9,
      ).length;
    }
    case 'crosswise': {
      // The stone's left side runs from so far before the left end to as far before the right one, plus its width.
      const [first, last] = [Math.max(-overMm, xMm - stoneMm), Math.min(edgeMm - stoneMm + overMm, xMm)];
      return Math.max(0, last - first) / stoneMm;
    }
    case 'half-circles':
      return xMm / edgeMm + (edgeMm - xMm) / edgeMm;
  }
}

/**
 * How strokes lie along a knife on a stone so wide: swept up to its tip in two parts that overlap, the handle lifted for
 * the second (common practice, no source), more where the stone is narrow; the same two of one whose tip comes first; else
 * as on any edge. Nothing where it fits.
 */
export function laidOnKnife(
  { lengthMm, sweep, begins }: Pick<KnifeEdge, 'lengthMm' | 'sweep' | 'begins'>,
  stoneMm: number | undefined,
  way: Along,
): LaidStep | undefined {
  const parts = stoneMm === undefined ? 1 : Math.ceil(lengthMm / stoneMm - 1e-9);
  const tipFirst = begins === 'tip';
  if (sweep === 'up' || tipFirst)
    return { way: 'swept', visits: Math.max(2, parts), ...(tipFirst && { tipFirst }) };
  if (stoneMm === undefined || !isLongOn(lengthMm, stoneMm)) return undefined;
  return { way, visits: layAlong(way, { edgeMm: lengthMm, stoneMm, strokes: 1 }).visits };
}

/**
 * How a curved edge is rolled from corner to corner in every stroke: a gouge, on something round inside its curve where
 * it is bevelled there, or an iron of so strong a curve that only a small patch of it touches. Nothing of any other edge.
 * @param radiusMm of the abrasive, where it is round
 */
export function rolledOn(edge: Edge, radiusMm?: number): LaidStep | undefined {
  const roll = curveRolled(edge, radiusMm);
  if (!roll) return undefined;
  const { turnDeg, patchMm } = rolled(roll);
  return { way: 'rolled', visits: 1, turnDeg, patchMm };
}

/**
 * A skew with a running edge round its heel: its straight part, then the round with the handle swung along it, each with
 * strokes by its length.
 */
export function swungOn(edge: Edge): LaidStep | undefined {
  if (edge.form !== 'double-bevel' || edge.heelRadiusMm === undefined || edge.skewDeg === 0) return undefined;
  const round = unlessRefused(() => runningEdge({ ...edge, radiusMm: edge.heelRadiusMm ?? 0 }));
  if (!round) return undefined;
  const { straightMm, arcMm, arcDeg } = round;
  return { way: 'swung', visits: 2, shares: [straightMm, arcMm], turnDeg: arcDeg };
}

/** Every way strokes come to lie along an edge: a knife swept up to its tip and a curved edge have their own. */
export const LAID = [...ALONG, 'swept', 'rolled', 'swung'] as const;

/** Strokes of a step as they are laid along its edge: the way, and in how many visits. */
export interface LaidStep {
  readonly way: (typeof LAID)[number];
  readonly visits: number;
  /** Its parts from the tip back to the heel. */
  readonly tipFirst?: boolean;
  /** How long each part is against the others, where they are not alike. */
  readonly shares?: readonly number[];
  /** Rolled or swung: how far it is turned in every stroke, and how much of its edge touches at once, mm. */
  readonly turnDeg?: number;
  readonly patchMm?: number;
}
