import type { Point } from '../blade/section.js';
import { cosDeg, sinDeg } from '../base/trig.js';
import { wheelSupport, type WheelSupportInput } from './wheel-support.js';

/** A blade in its jig on a wheel, for drawing: the wheel's centre at the origin, x right, y up, mm. */
interface WheelPose {
  readonly edge: Point;
  readonly bar: Point;
  /** On the rim, nearest the bar. */
  readonly rim: Point;
  /** The blade's section, from the edge along its back. */
  readonly blade: readonly Point[];
  /** Foot of the bar on the blade's back. */
  readonly foot: Point;
}

/** Where on the wheel the edge is drawn, degrees up from the right: where such a bar usually stands. */
const EDGE_AT_DEG = 62;
/** Blade drawn behind the bar. */
const BEHIND_MM = 55;

/**
 * Where everything is: the edge on the rim, the back at `angleDeg` to the tangent there, the bar's
 * centre `jigProjectionMm` along the back and `offsetMm` off it, on the wheel's side.
 * @throws Refusal as `wheel-support` does
 */
export function wheelPose(input: WheelSupportInput, thicknessMm: number): WheelPose {
  const { centreDistanceMm } = wheelSupport(input);
  const { wheelRadiusMm: r, jigProjectionMm: p, offsetMm: c, angleDeg } = input;
  const [n, t] = [
    { x: cosDeg(EDGE_AT_DEG), y: sinDeg(EDGE_AT_DEG) },
    { x: sinDeg(EDGE_AT_DEG), y: -cosDeg(EDGE_AT_DEG) },
  ];
  // Along the back away from the edge, and square to it towards the wheel.
  const along = mix(t, cosDeg(angleDeg), n, sinDeg(angleDeg));
  const inward = mix(t, sinDeg(angleDeg), n, -cosDeg(angleDeg));
  const edge = mix(n, r, n, 0);
  const at = (back: number, off: number): Point => {
    const moved = mix(along, back, inward, off);
    return { x: edge.x + moved.x, y: edge.y + moved.y };
  };
  const bar = at(p, c);
  const rim = { x: (bar.x / centreDistanceMm) * r, y: (bar.y / centreDistanceMm) * r };
  // The bevel lies along the tangent as far as the blade is thick.
  const heelMm = (thicknessMm * cosDeg(angleDeg)) / sinDeg(angleDeg);
  return {
    edge,
    bar,
    rim,
    foot: at(p, 0),
    blade: [edge, at(p + BEHIND_MM, 0), at(p + BEHIND_MM, thicknessMm), at(heelMm, thicknessMm)],
  };
}

const mix = (a: Point, i: number, b: Point, j: number): Point => ({
  x: a.x * i + b.x * j,
  y: a.y * i + b.y * j,
});
