import type { SingleBevelEdge } from '../edge/edge.js';
import { recessionForLand } from '../edge/land-growth.js';
import { tanDeg } from '../measure/trig.js';
import { profileOf, type EdgeAtWork } from './edge-at-work.js';
import { areaMm2, edgeAtMm } from './profile.js';
import { sidesOf } from './sides.js';

export interface Grinding {
  /** How far the whole edge goes back first: a nick, pits, lost temper, mm. */
  readonly nickMm: number;
  /** The land left standing before the edge; 0 where the bevel is ground to it. */
  readonly landLeftMm: number;
}

/**
 * A flat-backed edge after its primary was ground. For a nick the edge is jointed square to it first, and the
 * land that is left then has to be honed from that square end: it is not there yet.
 */
export function groundTo(
  edge: SingleBevelEdge,
  state: EdgeAtWork,
  { nickMm, landLeftMm }: Grinding,
): EdgeAtWork {
  const { one, lengthMm } = sidesOf(edge);
  const before = profileOf(one, state.atMm, state.jointMm);
  const edgeMm = edgeAtMm(before) + nickMm;
  const { primaryDeg, secondaryDeg } = edge;
  const landed = secondaryDeg !== undefined && landLeftMm > 0;
  const groundMm = landed ? edgeMm - recessionForLand(primaryDeg, secondaryDeg, landLeftMm) : edgeMm;
  const jointed = nickMm > 0 && landed;
  // A secondary through the corner of joint and primary has taken nothing yet.
  const corner = (deg: number): number =>
    jointed ? edgeMm - ((edgeMm - groundMm) * tanDeg(primaryDeg)) / tanDeg(deg) : edgeMm;
  const atMm = Object.fromEntries(
    one.facets.map(({ facet, deg }, i) => [facet, i === 0 ? groundMm : corner(deg)]),
  );
  const jointMm = jointed ? edgeMm : undefined;
  const steelMm2 = areaMm2(profileOf(one, atMm, jointMm)) - areaMm2(before);
  const { jointMm: _, ...rest } = state;
  return {
    ...rest,
    atMm: { ...state.atMm, ...atMm },
    ...(jointMm !== undefined && { jointMm }),
    nickMm: Math.max(0, state.nickMm - nickMm),
    recessionMm: state.recessionMm + nickMm,
    groundAtMm: state.recessionMm + nickMm,
    steelMm3: state.steelMm3 + Math.max(0, steelMm2) * lengthMm,
  };
}
