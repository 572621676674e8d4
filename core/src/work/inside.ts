import type { Edge, GougeEdge } from '../blade/edge.js';
import { ASSUMED } from '../blade/section.js';
import { cosDeg, sinDeg } from '../base/trig.js';
import { gougeArc } from '../curve/gouge-arc.js';

/** A gouge bevelled outside, with a small bevel inside. */
export type WithInside = GougeEdge & { readonly counterBevelDeg: number };

/** Whether an edge has a small bevel inside its curve, which a slip or a rod makes. */
export const hasInside = (edge: Edge): edge is WithInside =>
  edge.form === 'gouge' &&
  edge.cannel === 'out' &&
  edge.counterBevelDeg !== undefined &&
  gougeArc(edge).radiusMm > edge.thicknessMm;

/** The face of the small inside bevel, mm²: as long as it usually is, along the inner arc. */
export function insideMm2(edge: WithInside): number {
  const { arcMm, radiusMm } = gougeArc(edge);
  return ASSUMED.counterMm * arcMm * (1 - edge.thicknessMm / radiusMm);
}

/**
 * How far a gouge’s edge goes back, along the tool, when its inside bevel goes down by so much: the point where two
 * planes meet, moved along the bevel outside.
 * @example goneBackByInsideMm({ …gouge, bevelDeg: 22, counterBevelDeg: 5 }, 0.01) // 0.0204
 */
export const goneBackByInsideMm = ({ bevelDeg, counterBevelDeg }: WithInside, downMm: number): number =>
  (downMm * cosDeg(bevelDeg)) / sinDeg(bevelDeg + counterBevelDeg);
