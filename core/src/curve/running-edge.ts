import { insist } from '../base/refusal.js';
import { cosDeg, tanDeg, toRad } from '../base/trig.js';
import { skewCut } from '../blade/skew-cut.js';

export interface RunningEdgeInput {
  readonly widthMm: number;
  readonly thicknessMm: number;
  /** How far the edge is turned from square to the blade. */
  readonly skewDeg: number;
  readonly leftDeg: number;
  readonly rightDeg: number;
  /** Of the round at the heel. */
  readonly radiusMm: number;
  /** How far up its side the blade is thinned behind the round; as long as the round is unless said. */
  readonly thinnedMm?: number;
}

/** A skew’s second edge, carried round its heel. */
export interface RunningEdge {
  /** What is left of the straight edge, from the point on. */
  readonly straightMm: number;
  /** The round: how far it turns, from the edge’s own line into the blade’s side, and its length. */
  readonly arcDeg: number;
  readonly arcMm: number;
  /** Steel off at the wheel, mm³: the corner, and both bevels carried round. */
  readonly steelMm3: number;
  /** How far up its side the blade is thinned, so that its shoulder clears the stone, and the steel of that. */
  readonly thinnedMm: number;
  readonly thinnedMm3: number;
  /** The point’s own angle, which the round leaves as it was. */
  readonly pointDeg: number;
  /** What the wood meets along the round, the flatter of both sides, pushed along the blade: at its begin, half way, its end. */
  readonly meetsDeg: readonly [begin: number, middle: number, end: number];
}

/** Steps the corner’s steel is summed up in, each way. */
const STEPS = 240;

/**
 * A skew’s unused heel rounded into an edge of its own. The round is tangent to the edge and to the blade’s side, so it
 * turns through 90° − λ and takes r·tan(that/2) of each. Both bevels are carried round: where the blade was thicker than
 * their wedge is so far inside the new edge, the difference is ground off. Behind the round the side stays as thick as
 * the blade and would ride on the stone: it is thinned from nothing, where the round ends, to all of it over a length L,
 * the pyramid t²·L/(6·(tan left + tan right)). Plane geometry, the corner’s steel summed up.
 * @throws Refusal on `radiusMm` where the round would take the point too, on `skewDeg` for an edge that is square, on
 * `thinnedMm` below 0
 * @example runningEdge({ widthMm: 12, thicknessMm: 3, skewDeg: 25, leftDeg: 15, rightDeg: 15, radiusMm: 4 }) // turns 65°
 */
export function runningEdge(input: RunningEdgeInput): RunningEdge {
  const { widthMm, skewDeg, leftDeg, rightDeg, radiusMm } = input;
  insist(
    skewDeg > 0 && skewDeg < 90,
    'skewDeg',
    'A second edge is carried round the heel of a skew: this edge is square.',
  );
  const arcDeg = 90 - skewDeg;
  const tangentMm = radiusMm * tanDeg(arcDeg / 2);
  const edgeMm = widthMm / cosDeg(skewDeg);
  insist(
    radiusMm > 0 && tangentMm < edgeMm,
    'radiusMm',
    `So large a round would take the point too: keep it under ${(edgeMm / tanDeg(arcDeg / 2)).toFixed(1)} mm.`,
  );
  const arcMm = radiusMm * toRad(arcDeg);
  const { thicknessMm, thinnedMm = arcMm } = input;
  insist(thinnedMm >= 0, 'thinnedMm', 'It is thinned over 0 mm of its side or more.');
  const flatter = Math.min(leftDeg, rightDeg);
  const meets = (turnedDeg: number): number =>
    skewCut({ bevelDeg: flatter, skewDeg: Math.min(skewDeg + turnedDeg, 90 - 1e-9) }).effectiveDeg;
  return {
    straightMm: edgeMm - tangentMm,
    arcDeg,
    arcMm,
    steelMm3: cornerSteelMm3(input, arcDeg, tangentMm),
    thinnedMm,
    thinnedMm3: (thicknessMm ** 2 * thinnedMm) / (6 * (tanDeg(leftDeg) + tanDeg(rightDeg))),
    pointDeg: 90 - skewDeg,
    meetsDeg: [meets(0), meets(arcDeg / 2), meets(arcDeg)],
  };
}

/**
 * Thickness before less thickness after, over what the round touches: the kite between both tangents and the round’s
 * middle. A place lies u along the edge from its heel and v behind it; after, it lies so far inside the round.
 */
function cornerSteelMm3(
  { thicknessMm, leftDeg, rightDeg, radiusMm: r }: RunningEdgeInput,
  arcDeg: number,
  tangentMm: number,
): number {
  const slope = tanDeg(leftDeg) + tanDeg(rightDeg);
  const wedge = (inside: number): number => Math.max(0, Math.min(thicknessMm, inside * slope));
  // The round’s middle lies r behind the edge, over where it begins.
  const turn = toRad(arcDeg);
  const far = { u: tangentMm - r * Math.sin(turn), v: r - r * Math.cos(turn) };
  const [left, wide] = [Math.min(0, far.u), tangentMm - Math.min(0, far.u)];
  const high = Math.max(far.v, r);
  const cellMm2 = (wide / STEPS) * (high / STEPS);
  let sum = 0;
  for (let i = 0; i < STEPS; i++) {
    for (let j = 0; j < STEPS; j++) {
      const [u, v] = [left + ((i + 0.5) * wide) / STEPS, ((j + 0.5) * high) / STEPS];
      // Off the round’s middle, the way it turns from straight down.
      const at = Math.atan2(tangentMm - u, r - v);
      if (at < 0 || at > turn) continue;
      // Within the blade: before its side, which the round ends on.
      if ((tangentMm - u) * Math.sin(turn) + (r - v) * Math.cos(turn) > r + 1e-12) continue;
      const inside = r - Math.hypot(tangentMm - u, r - v);
      sum += Math.max(0, wedge(v) - wedge(inside)) * cellMm2;
    }
  }
  return sum;
}
