import { toDeg, toRad } from '@mellow-anvil/core/base';
import type { Edge, GougeEdge, HookEdge, Point, VEdge } from '@mellow-anvil/core/blade';
import { gougeArc, hookArcMm } from '@mellow-anvil/core/curve';
import { winging } from './end-on';
import { type Mark, path, points } from './scene-marks';

/** An arc of so many degrees, its lowest point on a line, turned by so much about its middle, as points in its own mm. */
function arcPoints(radiusMm: number, fromDeg: number, toDegrees: number): readonly Point[] {
  const steps = 24;
  return Array.from({ length: steps + 1 }, (_, i) => {
    const at = toRad(fromDeg + ((toDegrees - fromDeg) * i) / steps);
    return { x: radiusMm * Math.sin(at), y: radiusMm * (1 - Math.cos(at)) };
  });
}

/** How a curved edge lies on its abrasive, seen from its end. */
export interface RollPose {
  readonly radiusMm: number;
  readonly arcMm: number;
  /** What touches at once, mm. */
  readonly patchMm: number;
  /** How far it is rolled from its middle, degrees. */
  readonly rolledDeg: number;
}

/**
 * A curved edge rolled on a line that it touches at a place, from its end: its curve and the patch that touches now.
 * @param at where it touches, in the drawing’s own units; `scale` those to a millimetre
 */
export function rollMarks(
  { radiusMm, arcMm, patchMm, rolledDeg }: RollPose,
  at: Point,
  scale: number,
  ghost = false,
): readonly Mark[] {
  const half = toDeg(arcMm / 2 / radiusMm);
  const px = ({ x, y }: Point): Point => ({ x: at.x + x * scale, y: at.y - y * scale });
  const curve = arcPoints(radiusMm, -half - rolledDeg, half - rolledDeg).map(px);
  if (ghost) return [path('ghost', `M${points(curve)}`)];
  const touch = toDeg(patchMm / 2 / radiusMm);
  const [from, to] = [Math.max(-touch, -half - rolledDeg), Math.min(touch, half - rolledDeg)];
  return [
    path('rim', `M${points(curve)}`),
    path('bright', `M${points(arcPoints(radiusMm, from, to).map(px))}`),
  ];
}

/** The largest scale at which a curved edge, however it is rolled, fits so wide and high. */
export function rollScale(
  { radiusMm, arcMm }: RollPose,
  turnDeg: number,
  width: number,
  height: number,
): number {
  const reach = Math.min(Math.PI, arcMm / 2 / radiusMm + toRad(turnDeg / 2));
  const wide = 2 * radiusMm * Math.sin(Math.min(reach, Math.PI / 2));
  const high = radiusMm * (1 - Math.cos(reach));
  return Math.min(width / wide, height / Math.max(high, 1e-6));
}

/** Edges that stand round a hollow: they have no back, what works inside goes into them. */
export type HollowEdge = GougeEdge | VEdge | HookEdge;

export const isHollow = (edge: Edge): edge is HollowEdge =>
  edge.form === 'gouge' || edge.form === 'v' || (edge.form === 'hook' && edge.make === 'hollow-inside');

/** Room for a drawing from the end, its lowest point at a place. */
export interface EndRoom {
  readonly at: Point;
  readonly width: number;
  readonly height: number;
}

const poseOf = (edge: GougeEdge | HookEdge): RollPose => {
  const arc =
    edge.form === 'gouge' ? gougeArc(edge) : { radiusMm: edge.innerRadiusMm, arcMm: hookArcMm(edge) };
  return { ...arc, patchMm: 0, rolledDeg: 0 };
};

/** A gouge, a V-tool or a hook seen from its end. */
export function endMarks(edge: HollowEdge, { at, width, height }: EndRoom): readonly Mark[] {
  if (edge.form === 'v') {
    const scale = Math.min(height / edge.wingMm, width / (2 * edge.wingMm));
    return [path('rim', winging(edge.wingMm, edge.openingDeg, scale, at))];
  }
  const pose = poseOf(edge);
  return rollMarks(pose, at, rollScale(pose, 0, width, height)).slice(0, 1);
}

/** The same with what takes its burr off inside it: a slip with a thin edge, or one as round as there is room for. */
export function slipInside(edge: HollowEdge, room: EndRoom): readonly Mark[] {
  const { at, width, height } = room;
  if (edge.form === 'v') {
    const half = height * Math.tan(toRad(0.3 * edge.openingDeg));
    const wedge = path('slab', `M${at.x} ${at.y}l${-half} ${-height}h${2 * half}Z`);
    return [wedge, ...endMarks(edge, room)];
  }
  const pose = poseOf(edge);
  const r = Math.min(0.7 * pose.radiusMm * rollScale(pose, 0, width, height), 0.5 * height);
  const slip: Mark = { tag: 'ellipse', cls: 'slab', at: { x: at.x, y: at.y - r }, rx: r, ry: r };
  return [slip, ...endMarks(edge, room)];
}
