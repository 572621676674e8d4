import { removalPerStrokeMm3 } from '../abrasive/removal.js';
import { backBevelDeg, type Edge, type SingleBevelEdge } from '../blade/edge.js';
import { sinDeg, tanDeg } from '../base/trig.js';
import { apexShift } from './both-sides.js';
import { backLower, profileOf, type EdgeAtWork, type Standing } from './edge-at-work.js';
import type { Facet } from './facet.js';
import { goneBackByInsideMm, hasInside, insideMm2, type WithInside } from './inside.js';
import { curveAfter, type EdgeCurve } from './placed.js';
import { areaMm2, cutBy, edgeAtMm, faceMm, moved } from './profile.js';
import { sidesOf, type Side, type Sides } from './sides.js';

/** Work on an edge with one abrasive. */
export interface WorkItem {
  /** The facet worked; the one at the very edge unless said, both sides alike of an edge that has two. */
  readonly facet?: Facet;
  readonly strokes: number;
  /** How many of them at each place a finger pressed, left to right; evenly all along unless said. */
  readonly places?: readonly number[];
  readonly forceN: number;
  /** What of a stroke cuts, mm: to and fro twice its length. */
  readonly strokeMm: number;
  readonly removalMm3PerNm: number;
  /** The marks it leaves itself, µm. */
  readonly marksUm: number;
  readonly steelFactor: number;
  /** It polishes: what it takes of the edge is not counted. */
  readonly strop?: boolean;
}

/** How much of a back is polished where nobody said, mm: the first few (common practice, no source). */
export const POLISHED_MM = 3;

/** Steel an item takes, mm³, after Archard’s wear law. */
export const takenMm3 = (item: WorkItem): number => item.strokes * perStrokeMm3(item);

const perStrokeMm3 = ({ removalMm3PerNm, forceN, strokeMm, steelFactor }: WorkItem): number =>
  removalPerStrokeMm3(removalMm3PerNm, forceN, strokeMm, steelFactor);

/**
 * The edge after some work on it: the one place where strokes become steel, land, marks and tip. The facet in
 * contact goes down by the steel over its face as that grows; marks go down with it to the abrasive’s own; a
 * nick goes first, then the tip. Strokes by place bend the edge by where they pressed; what they take is counted over
 * its whole length.
 * @example worked(edge, unworked(edge), { strokes: 10, removalMm3PerNm: 0.0047849, forceN: 20, strokeMm: 150, … })
 */
export function worked(edge: Edge, state: EdgeAtWork, item: WorkItem): EdgeAtWork {
  const sides = sidesOf(edge);
  const steelMm3 = takenMm3(item);
  if (steelMm3 <= 0) return state;
  if (item.facet === 'back') return backWorked(edge, sides, state, item, steelMm3);
  if (item.facet === 'inside' && hasInside(edge)) return insideWorked(edge, state, item, steelMm3);
  const { one, other } = sides;
  const places = placesOf(one, other, item.facet);
  const wholeMm2 = steelMm3 / places.length / sides.lengthMm;
  // What a primary was found too steep by goes first.
  const steepMm2 = item.facet === 'primary' ? Math.min(state.steepMm2 ?? 0, wholeMm2) : 0;
  const sectionMm2 = wholeMm2 - steepMm2;
  const atMm = { ...state.atMm };
  const marksUm = { ...state.marksUm };
  let [leftMm, rightMm] = [0, 0];
  for (const place of places) {
    const { facet, deg, side } = place;
    const cut = cutInto(place, state, sectionMm2);
    const downMm = cut.byMm * sinDeg(deg);
    marksUm[facet] = marksAfter(marksThere(place, state), downMm, item.marksUm);
    atMm[facet] = cut.atMm;
    if (side === one) leftMm += downMm;
    else rightMm += downMm;
  }
  if (item.strop) return { ...state, marksUm };
  const left = (state.steepMm2 ?? 0) - steepMm2;
  const { steepMm2: _, ...rest } = state;
  const curve = bent(edge, state, item);
  const next = { ...rest, ...(left > 0 && { steepMm2: left }), ...(curve && { curve }), atMm, marksUm };
  if (!other) {
    const backMm = edgeOf(one, next) - edgeOf(one, state);
    return receded(next, { backMm, sidewaysMm: 0 }, backMm * sinDeg(sides.includedDeg), 0, steelMm3);
  }
  // A square end stands where it is until the faces meet at it: only what goes further moves the edge.
  const beyond = pastJoint(one, other, state, next);
  const [leftDownMm, rightDownMm] = [beyond * leftMm, beyond * rightMm];
  const shift = apexShift({ leftDownMm, rightDownMm, leftDeg: edgeDeg(one), rightDeg: edgeDeg(other) });
  return receded(next, shift, leftDownMm, rightDownMm, steelMm3);
}

/** The share of two faces’ way that lay behind a square end; all of it where there is none. */
function pastJoint(one: Side, other: Side, from: Standing, to: Standing): number {
  const { jointMm } = from;
  if (jointMm === undefined) return 1;
  const [before, after] = [from, to].map((state) => apexMm(one, other, state)) as [number, number];
  return after > before ? Math.max(0, after - Math.max(before, jointMm)) / (after - before) : 1;
}

/** Where the two faces at the edge meet, mm behind where `atMm` counts from. */
function apexMm(one: Side, other: Side, { atMm }: Standing): number {
  const [left, right] = [one, other].map((side) => {
    const { facet, deg } = atTheEdge(side);
    return { at: atMm[facet] ?? 0, tan: tanDeg(deg) };
  }) as [{ at: number; tan: number }, { at: number; tan: number }];
  return (left.at * left.tan + right.at * right.tan) / (left.tan + right.tan);
}

/** How strokes by place leave the curve of an edge that has one. */
function bent(edge: Edge, state: EdgeAtWork, item: WorkItem): EdgeCurve | undefined {
  const { curve } = state;
  if (!curve || !item.places || edge.form !== 'single-bevel') return curve;
  return curveAfter(edge, curve, item.places, faceAtEdgeMm(edge, state), perStrokeMm3(item));
}

/** A back goes down evenly as far as it is polished; over a shim, as a wedge that grows with the square. */
function backWorked(
  edge: Edge,
  sides: Sides,
  state: EdgeAtWork,
  item: WorkItem,
  steelMm3: number,
): EdgeAtWork {
  const before = state.atMm.back ?? 0;
  const areaMm2 = steelMm3 / sides.lengthMm;
  const byMm = isShimmed(edge)
    ? Math.sqrt(before * before + 2 * areaMm2 * tanDeg(backBevelDeg(edge))) - before
    : areaMm2 / polishedMm(edge);
  const own = marksAfter(state.marksUm.back, byMm, item.marksUm);
  const marked = { ...state, marksUm: { ...state.marksUm, back: own } };
  if (item.strop || sides.other) return marked;
  const lower = backLower(sides.one, state.atMm, byMm);
  const backMm = edgeOf(sides.one, { ...state, atMm: lower }) - edgeOf(sides.one, state);
  // A hollow keeps its own place: the little that it would shift is left out.
  const atMm = { ...(sides.one.hollow ? state.atMm : lower), back: before + byMm };
  return receded({ ...marked, atMm }, { backMm, sidewaysMm: 0 }, 0, byMm, steelMm3);
}

/** The small bevel inside a gouge goes down over its own face, and the edge with it. */
function insideWorked(edge: WithInside, state: EdgeAtWork, item: WorkItem, steelMm3: number): EdgeAtWork {
  const downMm = steelMm3 / insideMm2(edge);
  const inside = marksAfter(state.marksUm.inside, downMm, item.marksUm);
  const marked = { ...state, marksUm: { ...state.marksUm, inside } };
  if (item.strop) return marked;
  const backMm = goneBackByInsideMm(edge, downMm);
  const atMm = { ...state.atMm, bevel: (state.atMm.bevel ?? 0) + backMm };
  return receded({ ...marked, atMm }, { backMm, sidewaysMm: 0 }, 0, downMm, steelMm3);
}

const isShimmed = (edge: Edge): edge is SingleBevelEdge =>
  edge.form === 'single-bevel' && edge.back === 'shim';

/** What of a back lies polished on a stone, along the blade, mm: of a hollowed one both its rims. */
export function polishedMm(edge: Edge): number {
  if (edge.form !== 'single-bevel') return POLISHED_MM;
  const { back, polishedMm: rimMm = POLISHED_MM, farRimMm = POLISHED_MM } = edge;
  return back === 'hollowed' ? rimMm + farRimMm : rimMm;
}

/** Steel that lowers a back by so much at the edge, mm³: all that is polished of it, or the wedge over a shim. */
export function steelToLowerBackMm3(edge: Edge, spentMm3: number, downMm: number): number {
  const { lengthMm } = sidesOf(edge);
  if (!isShimmed(edge)) return downMm * polishedMm(edge) * lengthMm;
  const slope = 2 * tanDeg(backBevelDeg(edge));
  const from = Math.sqrt((spentMm3 / lengthMm) * slope);
  return (lengthMm * ((from + downMm) ** 2 - from ** 2)) / slope;
}

interface Place {
  readonly side: Side;
  readonly index: number;
  readonly facet: Facet;
  readonly deg: number;
}

/** The facets an item is done on: the one it names where the edge has it, else what lies at the edge. */
function placesOf(one: Side, other: Side | undefined, facet: Facet | undefined): readonly Place[] {
  const sides = [one, ...(other ? [other] : [])];
  const named = sides.flatMap((side) =>
    side.facets.flatMap((each, index) => (each.facet === facet ? [{ side, index, ...each }] : [])),
  );
  return named.length > 0 ? named : sides.map(atTheEdge);
}

function atTheEdge(side: Side): Place {
  const index = side.facets.length - 1;
  return { side, index, ...(side.facets[index] as Side['facets'][number]) };
}

/** The deepest marks on what lies at the edge, µm; unknown where nobody worked or saw it. */
export function marksAtEdgeUm(edge: Edge, { marksUm }: EdgeAtWork): number | undefined {
  const { one, other } = sidesOf(edge);
  const seen = placesOf(one, other, undefined).flatMap(({ facet }) => marksUm[facet] ?? []);
  return seen.length > 0 ? Math.max(...seen) : undefined;
}

/** The marks where a facet is worked: its own, or, where it is not there yet, those of the flatter one it is cut into. */
function marksThere({ side, index, facet }: Place, state: EdgeAtWork): number | undefined {
  const own = state.marksUm[facet];
  const flatter = side.facets[index - 1]?.facet;
  if (facet !== 'micro' || flatter === undefined || faceMm(profileOf(side, state), index) > 0) return own;
  return state.marksUm[flatter] ?? own;
}

/** Where a facet’s plane comes to by a cross-section, and how far that is. */
function cutInto(
  { side, index, facet, deg }: Place,
  state: EdgeAtWork,
  steelMm2: number,
): { readonly atMm: number; readonly byMm: number } {
  const before = state.atMm[facet] ?? 0;
  if (side.faceMm !== undefined) {
    const byMm = steelMm2 / side.faceMm / sinDeg(deg);
    return { atMm: before + byMm, byMm };
  }
  const after = cutBy(profileOf(side, state), index, steelMm2).planes[index]?.atMm ?? before;
  return { atMm: after, byMm: after - before };
}

const edgeDeg = ({ facets }: Side): number => facets.at(-1)?.deg ?? NaN;

const edgeOf = (side: Side, state: Standing): number =>
  side.faceMm === undefined
    ? edgeAtMm(profileOf(side, state))
    : (state.atMm[side.facets.at(-1)?.facet ?? 'bevel'] ?? 0);

const marksAfter = (before: number | undefined, downMm: number, own: number): number =>
  Math.max(own, (before ?? own) - 1000 * downMm);

/** The edge gone back: the nick first, then the tip. */
function receded(
  state: EdgeAtWork,
  { backMm, sidewaysMm }: { readonly backMm: number; readonly sidewaysMm: number },
  leftDownMm: number,
  rightDownMm: number,
  steelMm3: number,
): EdgeAtWork {
  const nickMm = Math.max(0, state.nickMm - backMm);
  const { tip } = state;
  return {
    ...state,
    nickMm,
    tip: {
      formedUm: tip.formedUm,
      leftUm: tip.leftUm + 1000 * leftDownMm,
      rightUm: tip.rightUm + 1000 * rightDownMm,
      backMm: (tip.backMm ?? 0) + backMm,
      nickMm: (tip.nickMm ?? 0) + state.nickMm - nickMm,
    },
    recessionMm: state.recessionMm + backMm,
    sidewaysMm: state.sidewaysMm + sidewaysMm,
    steelMm3: state.steelMm3 + steelMm3,
  };
}

/** Cross-section times length to be taken at the edge, mm³, for it to go back so far; both sides alike. */
export function steelToGoBackMm3(edge: Edge, state: EdgeAtWork, backMm: number): number {
  const { one, other, lengthMm } = sidesOf(edge);
  return [one, ...(other ? [other] : [])].reduce(
    (sum, side) => sum + lengthMm * sectionToGoBackMm2(side, state, backMm),
    0,
  );
}

function sectionToGoBackMm2(side: Side, state: EdgeAtWork, backMm: number): number {
  const { index, facet, deg } = atTheEdge(side);
  if (side.faceMm !== undefined) return backMm * sinDeg(deg) * side.faceMm;
  const before = profileOf(side, state);
  const byMm = edgeAtMm(before) + backMm - (state.atMm[facet] ?? 0);
  return areaMm2(moved(before, index, byMm)) - areaMm2(before);
}

/**
 * Steel to be taken at the edge, mm³, until its faces lie so much lower than they do once `spentMm3` are off it;
 * of two sides, which share every stroke, until the slower one does.
 */
export function steelToLowerMm3(edge: Edge, state: EdgeAtWork, spentMm3: number, downMm: number): number {
  const { one, other, lengthMm } = sidesOf(edge);
  const sides = [one, ...(other ? [other] : [])];
  const sections = sides.map((side) => {
    if (side.faceMm !== undefined) return downMm * side.faceMm;
    const { index, deg } = atTheEdge(side);
    const from = cutBy(profileOf(side, state), index, spentMm3 / sides.length / lengthMm);
    return areaMm2(moved(from, index, downMm / sinDeg(deg))) - areaMm2(from);
  });
  return sides.length * lengthMm * Math.max(...sections);
}

/** The edge set back so far by what was measured, whatever strokes say; both sides alike. */
export function setBack(edge: Edge, state: EdgeAtWork, backMm: number): EdgeAtWork {
  const { one, other } = sidesOf(edge);
  const atMm = { ...state.atMm };
  for (const side of [one, ...(other ? [other] : [])]) {
    const { facet } = atTheEdge(side);
    atMm[facet] = edgeOf(side, state) + backMm;
  }
  return {
    ...state,
    atMm,
    nickMm: Math.max(0, state.nickMm - backMm),
    recessionMm: state.recessionMm + backMm,
    steelMm3: state.steelMm3 + steelToGoBackMm3(edge, state, backMm),
  };
}

/** What lies on the abrasive at the very edge, both sides together, mm². */
export function contactMm2(edge: Edge, state: EdgeAtWork): number {
  const { one, other, lengthMm } = sidesOf(edge);
  return [one, ...(other ? [other] : [])].reduce(
    (sum, side) => sum + lengthMm * (side.faceMm ?? faceMm(profileOf(side, state), atTheEdge(side).index)),
    0,
  );
}

/** Length of what lies on the abrasive at the very edge, along its face, mm; of both sides where both are honed. */
export const faceAtEdgeMm = (edge: Edge, state: EdgeAtWork): number =>
  contactMm2(edge, state) / sidesOf(edge).lengthMm;
