import type { SingleBevelEdge } from '../blade/edge.js';
import { recessionForLand } from '../blade/land-growth.js';
import { tanDeg } from '../base/trig.js';
import { hollowGrind, honedHollow } from '../blade/hollow-grind.js';
import { insist } from '../base/refusal.js';
import { profileOf, unworked, type EdgeAtWork } from './edge-at-work.js';
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
  const before = profileOf(one, state);
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
  const { jointMm: _, steepMm2: _steep, ...rest } = state;
  const standing = {
    atMm: { ...state.atMm, ...atMm },
    ...(one.hollow && { hollowAtMm: groundMm }),
    ...(jointed && { jointMm: edgeMm }),
  };
  const steelMm2 = areaMm2(profileOf(one, standing)) - areaMm2(before);
  return {
    ...rest,
    ...standing,
    nickMm: Math.max(0, state.nickMm - nickMm),
    recessionMm: state.recessionMm + nickMm,
    groundAtMm: state.recessionMm + nickMm,
    steelMm3: state.steelMm3 + Math.max(0, steelMm2) * lengthMm,
  };
}

interface GrindingWorkInput {
  /** The land as it stands. */
  readonly landMm: number;
  /** How far the edge has to go back for a nick; 0 where only the land is too wide. */
  readonly nickMm: number;
  /** The land left standing, so that the wheel never comes to the edge. */
  readonly stopShortMm: number;
  /** Of a wheel that hollows a bevel that is flat now; none for a flat grinding. */
  readonly wheelRadiusMm?: number;
}

interface GrindingWork {
  /** How far the primary is set back along the back. */
  readonly setBackMm: number;
  readonly removeMm3: number;
  /** The land left. */
  readonly landMm: number;
}

/**
 * The steel one regrinding takes, as {@link groundTo} has it, and the hollow’s own segment where a wheel hollows a
 * bevel that was flat. Jointed for a nick, what stands before the square end is honed later, not ground.
 * @throws Refusal on `stopShortMm` where nothing would be ground
 */
export function grindingWork(edge: SingleBevelEdge, input: GrindingWorkInput): GrindingWork {
  const { landMm, nickMm, stopShortMm, wheelRadiusMm: radius } = input;
  const { secondaryDeg, widthMm } = edge;
  // One that is hollow already stays so: what its wheel takes is the bevel between the chords.
  const flat = { ...edge, grind: 'flat' as const };
  const before = unworked(flat, landMm);
  const after = groundTo(flat, before, { nickMm, landLeftMm: stopShortMm });
  const [ground] = sidesOf(flat).one.facets;
  const at = ({ atMm }: EdgeAtWork): number => (ground && atMm[ground.facet]) ?? 0;
  const setBackMm = at(after) - at(before);
  insist(
    setBackMm > 1e-6,
    'grind.stopShortMm',
    secondaryDeg === undefined
      ? 'A single bevel without a nick is honed, not ground: leave the wheel out.'
      : 'The land is no wider than what grinding would leave: leave the wheel out, or stop nearer the edge.',
  );
  const hollowMm2 = radius === undefined || edge.grind === 'hollow' ? 0 : hollowMm2Of(edge, radius);
  return {
    setBackMm,
    removeMm3: after.steelMm3 + hollowMm2 * widthMm,
    landMm: secondaryDeg === undefined ? 0 : stopShortMm,
  };
}

/** The segment a wheel takes out of a flat bevel: all that honing to flat would save. */
function hollowMm2Of({ thicknessMm, primaryDeg }: SingleBevelEdge, radius: number): number {
  const wheel = { wheelRadiusMm: radius, thicknessMm, bevelDeg: primaryDeg };
  const { depthMm, faceMm } = hollowGrind(wheel);
  return honedHollow(wheel, (depthMm * faceMm) / thicknessMm).savedMm2;
}
