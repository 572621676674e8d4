import { cosDeg, sinDeg, tanDeg, toDeg, toRad } from '../base/trig.js';
import type { DoubleBevelEdge, Edge, GougeEdge, HookEdge, SingleBevelEdge, VEdge } from '../blade/edge.js';
import { curveRolled } from './curve-rolled.js';
import { gougeArc } from './gouge-arc.js';
import { hookArcMm } from './hook-arc.js';
import { rolled } from './rolled.js';

/** A place in space, mm: across the blade, up from the abrasive, and along the blade from its edge. */
export interface Space {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** The blade cut at one place of its edge, square to that edge, in the blade’s own frame. */
interface Rib {
  /** How far the blade is turned until this place lies on the abrasive, degrees. */
  readonly turnDeg: number;
  /** From the edge over the bevel along the outside, and back along the inside. */
  readonly outline: readonly Space[];
  /** What lies on the abrasive here: from the edge to where that facet ends. */
  readonly touch: readonly [Space, Space];
}

/** A curved edge in space, as it is turned on its abrasive. */
export interface Turning {
  /** Rolled about the blade itself, or swung round in the blade’s own plane. */
  readonly way: 'rolled' | 'swung';
  /** @param at along the edge, −1 to 1 from end to end */
  readonly ribAt: (at: number) => Rib;
  /** The part of the edge that touches when it is turned to a place, −1 to 1. */
  readonly patchAt: (at: number) => readonly [from: number, to: number];
  /** Length of the edge, mm. */
  readonly edgeMm: number;
  /** How steep the blade stands so that the facet lies on the abrasive, degrees; below 0 where that lies inside. */
  readonly tiltDeg: number;
  /** Of the rod or slip inside the curve; flat where there is none. */
  readonly rodRadiusMm?: number;
  /** As far as it is turned to each end. */
  readonly reach: number;
}

/**
 * A curved edge as it is turned: a gouge rolled on its outer arc or round a rod inside, a V from wing to wing over its
 * keel, a hook led round its rod, a strongly curved iron, a skew swung round its second edge. Nothing of a straight edge.
 * Plane geometry: each place is cut square to its edge and turned down on the abrasive.
 * @param rodRadiusMm of what goes into its hollow, where it is honed there
 */
export function turning(edge: Edge, rodRadiusMm?: number): Turning | undefined {
  switch (edge.form) {
    case 'gouge':
      return gouge(edge, rodRadiusMm);
    case 'hook':
      return hook(edge, rodRadiusMm);
    case 'v':
      return vTool(edge);
    case 'single-bevel':
      return iron(edge);
    case 'double-bevel':
      return skew(edge);
    default:
      return undefined;
  }
}

/** A blade turned to a place of its edge: that place touches the abrasive at 0, 0, 0, the stone’s face at y = 0. */
export interface Posed {
  readonly turnDeg: number;
  /** Length of what touches, along the edge, mm. */
  readonly patchMm: number;
  readonly ribs: readonly (readonly Space[])[];
  readonly patch: readonly (readonly [Space, Space])[];
}

const RIBS = 48;
const PATCH_RIBS = 8;

/** @param at along the edge, −1 to 1; held to how far it is turned */
export function posed(of: Turning, at: number): Posed {
  const { way, tiltDeg, reach, ribAt, patchAt, edgeMm } = of;
  const there = Math.min(reach, Math.max(-reach, at));
  const { turnDeg, touch } = ribAt(there);
  const [c, s] = [cosDeg(turnDeg), sinDeg(turnDeg)];
  const turned = ({ x, y, z }: Space): Space =>
    way === 'rolled' ? { x: x * c + y * s, y: y * c - x * s, z } : { x: x * c + z * s, y, z: z * c - x * s };
  const tilted = ({ x, y, z }: Space): Space => ({
    x,
    y: y * cosDeg(tiltDeg) + z * sinDeg(tiltDeg),
    z: z * cosDeg(tiltDeg) - y * sinDeg(tiltDeg),
  });
  const origin = tilted(turned(touch[0]));
  const place = (point: Space): Space => {
    const { x, y, z } = tilted(turned(point));
    return { x: x - origin.x, y: y - origin.y, z: z - origin.z };
  };
  const [from, to] = patchAt(there);
  return {
    turnDeg,
    patchMm: ((to - from) / 2) * edgeMm,
    ribs: spread(-1, 1, RIBS).map((each) => ribAt(each).outline.map(place)),
    patch: spread(from, to, PATCH_RIBS).map((each) => {
      const [tip, heel] = ribAt(each).touch;
      return [place(tip), place(heel)];
    }),
  };
}

const spread = (from: number, to: number, steps: number): readonly number[] =>
  Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps);

/** A patch of so many mm about a place, no further than the ends. */
const about = (at: number, patchMm: number, edgeMm: number): readonly [number, number] => [
  Math.max(-1, at - patchMm / edgeMm),
  Math.min(1, at + patchMm / edgeMm),
];

/** A keel sharper than this is drawn as one of this radius, mm. */
const KEEL_SEEN_MM = 0.1;

/** How much of the blade behind its bevel is looked at, mm. */
const bodyMm = (bevelMm: number, widthMm: number): number => 1.5 * bevelMm + 0.6 * widthMm;

/** A point on a circle about the blade’s middle, so many degrees from its bottom. */
const onArc = (radiusMm: number, deg: number, z: number): Space => ({
  x: radiusMm * sinDeg(deg),
  y: -radiusMm * cosDeg(deg),
  z,
});

function gouge(edge: GougeEdge, rodRadiusMm?: number): Turning | undefined {
  const roll = curveRolled(edge, rodRadiusMm);
  if (!roll) return undefined;
  const { radiusMm, arcDeg } = gougeArc(edge);
  const { thicknessMm, bevelDeg, cannel, widthMm } = edge;
  const [outer, inner] = [radiusMm, Math.max(radiusMm - thicknessMm, 0)];
  const bevelMm = thicknessMm / tanDeg(bevelDeg);
  const far = bodyMm(bevelMm, widthMm);
  const [tipMm, heelMm] = cannel === 'out' ? [inner, outer] : [outer, inner];
  const { patchMm } = rolled(roll);
  return {
    way: 'rolled',
    edgeMm: roll.arcMm,
    tiltDeg: cannel === 'out' ? bevelDeg : -bevelDeg,
    ...(cannel === 'in' && roll.rodRadiusMm !== undefined && { rodRadiusMm: roll.rodRadiusMm }),
    reach: roll.corners === 'eased' ? 1 : 1 - patchMm / roll.arcMm,
    patchAt: (at) => about(at, patchMm, roll.arcMm),
    ribAt: (at) => {
      const turnDeg = (at * arcDeg) / 2;
      const tip = onArc(tipMm, turnDeg, 0);
      const heel = onArc(heelMm, turnDeg, bevelMm);
      return {
        turnDeg,
        touch: [tip, heel],
        outline: [tip, heel, onArc(heelMm, turnDeg, far), onArc(tipMm, turnDeg, far)],
      };
    },
  };
}

function hook(edge: HookEdge, rodRadiusMm?: number): Turning {
  const { make, innerRadiusMm, thicknessMm, includedDeg } = edge;
  const arcMm = hookArcMm(edge);
  const outer = innerRadiusMm + thicknessMm;
  const outside = make === 'flat-inside';
  const rod = outside ? undefined : Math.min(rodRadiusMm ?? innerRadiusMm, innerRadiusMm);
  const both = make === 'bevelled-both-sides';
  const sideDeg = both ? includedDeg / 2 : includedDeg;
  const edgeRadiusMm = both ? innerRadiusMm + thicknessMm / 2 : innerRadiusMm;
  const bevelMm = (outer - edgeRadiusMm) / tanDeg(sideDeg);
  const far = bodyMm(bevelMm, innerRadiusMm);
  const bevelDeg = outside || both ? sideDeg : includedDeg;
  const { patchMm } = rolled({
    ...{ radiusMm: outside ? outer : innerRadiusMm, arcMm, bevelDeg },
    ...(rod !== undefined && { rodRadiusMm: rod }),
  });
  return {
    way: 'rolled',
    edgeMm: arcMm,
    tiltDeg: outside ? sideDeg : both ? -sideDeg : 0,
    ...(rod !== undefined && { rodRadiusMm: rod }),
    reach: 1 - patchMm / arcMm,
    patchAt: (at) => about(at, patchMm, arcMm),
    ribAt: (at) => {
      const turnDeg = toDeg((at * arcMm) / 2 / innerRadiusMm);
      const tip = onArc(edgeRadiusMm, turnDeg, 0);
      const inside = onArc(innerRadiusMm, turnDeg, bevelMm);
      const heel = onArc(outer, turnDeg, bevelMm);
      return {
        turnDeg,
        touch: [tip, outside ? heel : inside],
        outline: [
          ...[tip, heel, onArc(outer, turnDeg, far), onArc(innerRadiusMm, turnDeg, far)],
          ...(both ? [inside] : []),
        ],
      };
    },
  };
}

/**
 * Two flat wings and a keel. Where the wall is thicker than the keel’s radius the wings’ inner faces meet at an apex, and
 * the bevel under the keel is a cone about it: every plane that is rolled from wing to wing passes through that apex.
 */
function vTool({ wingMm, openingDeg, thicknessMm, bevelDeg, keelRadiusMm }: VEdge): Turning {
  const turnsDeg = 90 - openingDeg / 2;
  /** The apex over the keel’s middle, and the wall from there to the outside, so far turned. */
  const apexMm = Math.max(0, thicknessMm - keelRadiusMm) / sinDeg(openingDeg / 2);
  const throughMm = (deg: number): number => {
    if (keelRadiusMm >= thicknessMm) return thicknessMm;
    const toWing = thicknessMm / cosDeg(turnsDeg - deg);
    const onWing =
      toWing * sinDeg(deg) * cosDeg(turnsDeg) + (apexMm - toWing * cosDeg(deg)) * sinDeg(turnsDeg);
    if (onWing >= 0) return toWing;
    return apexMm * cosDeg(deg) + Math.sqrt(Math.max(0, keelRadiusMm ** 2 - (apexMm * sinDeg(deg)) ** 2));
  };
  const coneMm = Math.max(keelRadiusMm, throughMm(0));
  const keelMm = 2 * Math.max(keelRadiusMm, KEEL_SEEN_MM) * toRad(turnsDeg);
  const edgeMm = 2 * wingMm + keelMm;
  const far = bodyMm(throughMm(0) / tanDeg(bevelDeg), wingMm);
  const { patchMm } = rolled({ radiusMm: coneMm, arcMm: 2 * coneMm * toRad(turnsDeg), bevelDeg });
  const share = keelMm / edgeMm;
  /** What of the keel’s turn touches at once, as a share of the edge. */
  const patchShare = (share * patchMm) / (2 * coneMm * toRad(turnsDeg));
  return {
    way: 'rolled',
    edgeMm,
    tiltDeg: bevelDeg,
    reach: 1,
    patchAt: (at) =>
      Math.abs(at) > share
        ? at < 0
          ? [-1, -share]
          : [share, 1]
        : [Math.max(-share, at - patchShare), Math.min(share, at + patchShare)],
    ribAt: (at) => {
      const side = at < 0 ? -1 : 1;
      const turn = Math.min(1, Math.abs(at) / share) * turnsDeg;
      const along = Math.max(0, ((Math.abs(at) - share) * edgeMm) / 2);
      const [sin, cos] = [sinDeg(turn), cosDeg(turn)];
      const inside = Math.max(0, keelRadiusMm - thicknessMm);
      const tip = {
        x: side * (inside * sin + along * cos),
        y: apexMm - inside * cos + along * sin,
        z: 0,
      };
      const through = throughMm(turn);
      const outer = { x: tip.x + side * through * sin, y: tip.y - through * cos };
      const heel = { ...outer, z: through / tanDeg(bevelDeg) };
      return {
        turnDeg: side * turn,
        touch: [tip, heel],
        outline: [tip, heel, { ...outer, z: far }, { ...tip, z: far }],
      };
    },
  };
}

/** A place of a curve in the blade’s plane, and its inward normal, turned so far from the blade’s own length. */
interface InPlane {
  readonly x: number;
  readonly z: number;
  readonly turnDeg: number;
}

/** So far inward from a place of the curve, so high. */
const inward = ({ x, z, turnDeg }: InPlane, mm: number, y: number): Space => ({
  x: x - mm * sinDeg(turnDeg),
  y,
  z: z + mm * cosDeg(turnDeg),
});

function iron(edge: SingleBevelEdge): Turning | undefined {
  const roll = curveRolled(edge);
  if (!roll) return undefined;
  const { radiusMm, arcMm, bevelDeg } = roll;
  const { thicknessMm, widthMm } = edge;
  const bevelMm = thicknessMm / tanDeg(bevelDeg);
  const far = bodyMm(bevelMm, widthMm);
  const { patchMm } = rolled(roll);
  return {
    way: 'swung',
    edgeMm: arcMm,
    tiltDeg: bevelDeg,
    reach: 1 - patchMm / arcMm,
    patchAt: (at) => about(at, patchMm, arcMm),
    ribAt: (at) => {
      const turnDeg = toDeg((at * arcMm) / 2 / radiusMm);
      const place = { x: radiusMm * sinDeg(turnDeg), z: radiusMm * (1 - cosDeg(turnDeg)), turnDeg };
      const tip = inward(place, 0, 0);
      const heel = inward(place, bevelMm, -thicknessMm);
      return {
        turnDeg,
        touch: [tip, heel],
        outline: [tip, heel, { ...heel, z: far }, { x: tip.x, y: 0, z: far }],
      };
    },
  };
}

function skew(edge: DoubleBevelEdge): Turning | undefined {
  const { widthMm, thicknessMm, skewDeg, leftDeg, rightDeg, heelRadiusMm: r } = edge;
  if (r === undefined || skewDeg === 0) return undefined;
  const turnsDeg = 90 - skewDeg;
  const straightMm = widthMm / cosDeg(skewDeg) - r * tanDeg(turnsDeg / 2);
  if (straightMm <= 0) return undefined;
  const arcMm = r * toRad(turnsDeg);
  const edgeMm = straightMm + arcMm;
  const [down, up] = [leftDeg, rightDeg].map((deg) => thicknessMm / 2 / tanDeg(deg)) as [number, number];
  const far = widthMm * tanDeg(skewDeg) + bodyMm(down, widthMm);
  const { patchMm } = rolled({ radiusMm: r, arcMm, bevelDeg: leftDeg });
  const joint = (2 * straightMm) / edgeMm - 1;
  const start: InPlane = {
    x: straightMm * cosDeg(skewDeg) - widthMm / 2,
    z: straightMm * sinDeg(skewDeg),
    turnDeg: skewDeg,
  };
  const middle = inward(start, r, 0);
  const placeAt = (mm: number): InPlane => {
    if (mm <= straightMm)
      return { x: mm * cosDeg(skewDeg) - widthMm / 2, z: mm * sinDeg(skewDeg), turnDeg: skewDeg };
    const turnDeg = skewDeg + toDeg((mm - straightMm) / r);
    return { x: middle.x + r * sinDeg(turnDeg), z: middle.z - r * cosDeg(turnDeg), turnDeg };
  };
  return {
    way: 'swung',
    edgeMm,
    tiltDeg: leftDeg,
    reach: 1,
    patchAt: (at) => {
      if (at < joint) return [-1, joint];
      const [from, to] = about(at, patchMm, edgeMm);
      return [Math.max(joint, from), to];
    },
    ribAt: (at) => {
      const place = placeAt(((at + 1) / 2) * edgeMm);
      const tip = inward(place, 0, 0);
      // Round its heel a bevel runs to the round’s middle and no further.
      const most = place.turnDeg > skewDeg ? r : Infinity;
      const lower = inward(place, Math.min(down, most), -Math.min(thicknessMm / 2, most * tanDeg(leftDeg)));
      const upper = inward(place, Math.min(up, most), Math.min(thicknessMm / 2, most * tanDeg(rightDeg)));
      return {
        turnDeg: place.turnDeg,
        touch: [tip, lower],
        outline: [
          ...[tip, lower, { ...lower, y: -thicknessMm / 2, z: far }],
          ...[{ ...upper, y: thicknessMm / 2, z: far }, upper],
        ],
      };
    },
  };
}
