import type { FaultKind } from '../blade/dulling.js';
import type { Edge, GougeEdge, VEdge } from '../blade/edge.js';
import { toRad } from '../base/trig.js';
import { gougeArc } from './gouge-arc.js';

/** What may stand proud of a curved edge seen from its end: of a gouge its corners or its middle; of a V-tool its keel or a wing. */
export const PROUD = ['corners-ahead', 'middle-ahead', 'tooth', 'notch', 'hook-left', 'hook-right'] as const;
export type Proud = (typeof PROUD)[number];

const OF_GOUGE: readonly FaultKind[] = ['corners-ahead', 'middle-ahead'];
const OF_V: readonly FaultKind[] = ['tooth', 'notch', 'hook-left', 'hook-right'];

/** Whether a fault is one that only a certain form of edge has, and this edge is of another. */
export const isForeign = (kind: FaultKind, { form }: Pick<Edge, 'form'>): boolean =>
  (OF_GOUGE.includes(kind) && form !== 'gouge') || (OF_V.includes(kind) && form !== 'v');

/** The keel of a V-tool along its edge, mm: the arc that is left of a half circle between two wings. */
export const keelMm = ({ keelRadiusMm, openingDeg }: Pick<VEdge, 'keelRadiusMm' | 'openingDeg'>): number =>
  keelRadiusMm * toRad(180 - openingDeg);

/** A gouge is looked at in so many parts, alike, from its left corner to its right one. */
const GOUGE_PARTS = 5;

/** Length of each part an edge is evened by, mm: of a gouge five of its arc, of a V-tool left wing, right wing, keel. */
export function partsMm(edge: GougeEdge | VEdge): readonly number[] {
  if (edge.form === 'v') return [edge.wingMm, edge.wingMm, keelMm(edge)];
  return Array.from({ length: GOUGE_PARTS }, () => gougeArc(edge).arcMm / GOUGE_PARTS);
}

/**
 * How far each part stands ahead of where the edge will be, mm. A gouge’s corners lead as a parabola, its middle as the
 * rest of one; each part counts with its mean. At a V’s apex a tooth is the keel left behind the wings by the stone, a
 * notch the keel honed too far, both wings ahead of it; a hook leans to the wing that was honed less: the other one took
 * too much, and stays off the stone.
 * @param mm how far what stands proud is ahead of the rest
 * @example aheadMm('tooth', 0.2) // [0, 0, 0.2]: only the keel is honed
 */
export function aheadMm(proud: Proud, mm: number): readonly number[] {
  switch (proud) {
    case 'corners-ahead':
      return squares().map((square) => mm * square);
    case 'middle-ahead':
      return squares().map((square) => mm * (1 - square));
    case 'tooth':
      return [0, 0, mm];
    case 'notch':
      return [mm, mm, 0];
    case 'hook-left':
      return [mm, 0, 0];
    case 'hook-right':
      return [0, mm, 0];
  }
}

/** The mean of u² over each part of −1 to 1. */
const squares = (): readonly number[] =>
  Array.from({ length: GOUGE_PARTS }, (_, i) => {
    const [from, to] = [i, i + 1].map((k) => (2 * k) / GOUGE_PARTS - 1) as [number, number];
    return (to ** 3 - from ** 3) / (3 * (to - from));
  });
