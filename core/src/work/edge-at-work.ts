import type { Edge } from '../blade/edge.js';
import type { Tool } from '../blade/tool.js';
import { ASSUMED_LAND_MM, recessionForLand } from '../blade/land-growth.js';
import { sinDeg, tanDeg } from '../base/trig.js';
import type { Facet } from './facet.js';
import type { EdgeCurve } from './placed.js';
import { edgeAtMm, faceMm, withFace, type Profile } from './profile.js';
import { sidesOf, type Side } from './sides.js';
import { tipLeftUm } from './tip.js';

/** An edge as work finds and leaves it. What its form does not have is empty. */
export interface EdgeAtWork {
  /**
   * Where each facet’s plane meets the back or the centre plane, mm behind where the ground bevel does; of the
   * back, how far it went down.
   */
  readonly atMm: Readonly<Partial<Record<Facet, number>>>;
  /** Depth of the deepest marks on a facet, at the edge, µm; of facets nobody worked, unknown. */
  readonly marksUm: Readonly<Partial<Record<Facet, number>>>;
  /** Where the hollow’s chord meets the back since it was ground, counted as `atMm` is; 0 unless said. */
  readonly hollowAtMm?: number;
  /** Where the end was jointed square and stands so, mm behind where `atMm` counts from. */
  readonly jointMm?: number;
  /** Cross-section still ahead of a primary that was found steeper than it should be, mm²; none unless said. */
  readonly steepMm2?: number;
  /** How it is curved, seen from the front; unless said, nobody follows it. */
  readonly curve?: EdgeCurve;
  /** The worn tip, and how far the faces went down since it wore so. */
  readonly tip: WornTip;
  /** Depth of a nick, pit or lost temper still in the edge, mm. */
  readonly nickMm: number;
  /** How far the edge went back in all, along the back or the centre plane, mm, and to the right of that. */
  readonly recessionMm: number;
  /** How far that was when it was last ground. */
  readonly groundAtMm: number;
  readonly sidewaysMm: number;
  /** Steel given up in all, mm³. */
  readonly steelMm3: number;
}

/** How much rounder a tool’s edges are found than the word for them says. */
export interface TipsFound {
  readonly times: number;
  /** Standard deviation of the logarithm of the next one’s. */
  readonly sd: number;
  /** Burrs it rests on, and the stone that raised the last of them. */
  readonly from: number;
  readonly on: string;
}

/** A tool with its edge as work left it; without, it is as it was measured. */
export type ToolAtWork = Tool & { readonly work?: EdgeAtWork; readonly tips?: TipsFound };

/** A worn tip’s radius, and how far down square to the left face (or the bevel) and the right (or the back), µm. */
export interface WornTip {
  readonly formedUm: number;
  readonly leftUm: number;
  readonly rightUm: number;
  /** How far the edge went back since, mm, and how much of that was a nick: it goes before the tip counts. */
  readonly backMm?: number;
  readonly nickMm?: number;
}

/** A facet as it stands. */
export interface FacetNow {
  readonly facet: Facet;
  readonly angleDeg: number;
  /** Along its own face, square to the edge; of a hollow, both rims together. */
  readonly lengthMm: number;
  readonly marksUm?: number;
}

const NOTHING: EdgeAtWork = {
  atMm: {},
  marksUm: {},
  tip: { formedUm: 0, leftUm: 0, rightUm: 0 },
  nickMm: 0,
  recessionMm: 0,
  groundAtMm: 0,
  sidewaysMm: 0,
  steelMm3: 0,
};

/**
 * An edge before any work: its facets as they were measured, else assumed.
 * @param landMm the secondary’s length, or each rim of a hollow, in place of the edge’s own figure
 */
export function unworked(edge: Edge, landMm?: number): EdgeAtWork {
  return withLand(edge, NOTHING, landMm ?? (edge.form === 'single-bevel' ? edge.landMm : undefined));
}

/** The same edge with its land, or each rim of a hollow, known; none where the form shows none. */
export function withLand(edge: Edge, before: EdgeAtWork, landMm = ASSUMED_LAND_MM): EdgeAtWork {
  const { one, other } = sidesOf(edge);
  const { jointMm: _joint, hollowAtMm: _hollow, ...state } = before;
  const atMm = { ...state.atMm, ...landed(edge, one, landMm), ...(other && landed(edge, other, landMm)) };
  return { ...state, atMm };
}

function landed(edge: Edge, side: Side, landMm: number): EdgeAtWork['atMm'] {
  const [ground, honed, micro] = side.facets;
  if (!ground || side.faceMm !== undefined) return {};
  if (!honed) {
    if (!side.hollow) return {};
    const rims = withFace(profileOf(side, { atMm: {} }), 0, 2 * landMm);
    return { [ground.facet]: rims.planes[0]?.atMm ?? 0 };
  }
  // What stands before the secondary’s edge was honed off it for the micro-bevel.
  const microLandMm = (edge.form === 'single-bevel' ? edge.microLandMm : undefined) ?? 0;
  const ahead = micro ? recessionForLand(honed.deg, micro.deg, microLandMm) : 0;
  const hidden = micro ? (microLandMm * sinDeg(micro.deg)) / sinDeg(honed.deg) : 0;
  const ownMm = Math.max(0, landMm - (micro ? microLandMm : 0));
  const fullMm = Math.min(ownMm + hidden, side.thicknessMm / sinDeg(honed.deg));
  const at = side.hollow
    ? (withFace(profileOf({ ...side, facets: [ground, honed] }, { atMm: {} }), 1, fullMm).planes[1]?.atMm ??
      0)
    : recessionForLand(ground.deg, honed.deg, fullMm);
  return { [ground.facet]: 0, [honed.facet]: at, ...(micro && { [micro.facet]: at + ahead }) };
}

/** Where the planes of an edge stand. */
export type Standing = Pick<EdgeAtWork, 'atMm' | 'jointMm' | 'hollowAtMm'>;

/** A side in section as its facets stand, and the square end of one that was jointed. */
export const profileOf = (side: Side, { atMm, jointMm, hollowAtMm = 0 }: Standing): Profile => ({
  thicknessMm: side.thicknessMm,
  hollow: side.hollow && { ...side.hollow, atMm: hollowAtMm },
  planes: [
    ...side.facets.map(({ facet, deg }) => ({ deg, atMm: atMm[facet] ?? 0 })),
    ...(jointMm === undefined ? [] : [{ deg: 90, atMm: jointMm }]),
  ],
});

/** Every facet as it stands, flattest first. */
export function facetsNow(edge: Edge, state: EdgeAtWork): readonly FacetNow[] {
  const { one, other } = sidesOf(edge);
  return [one, ...(other ? [other] : [])].flatMap((side) =>
    side.facets.map(({ facet, deg }, i): FacetNow => {
      const marksUm = state.marksUm[facet];
      return {
        facet,
        angleDeg: deg,
        lengthMm: side.faceMm ?? faceMm(profileOf(side, state), i),
        ...(marksUm !== undefined && { marksUm }),
      };
    }),
  );
}

/** How far the edge lies behind where its ground bevel would meet the back, mm; without a land, since it was ground. */
export function behindGroundMm(edge: Edge, state: EdgeAtWork): number {
  const { one, other } = sidesOf(edge);
  const [ground, honed] = one.facets;
  if (!ground || !honed || other) return state.recessionMm - state.groundAtMm;
  return edgeAtMm(profileOf(one, state)) - (state.atMm[ground.facet] ?? 0);
}

/** The back h lower, every plane of the side meets it h·cot θ further behind. */
export const backLower = (side: Side, atMm: EdgeAtWork['atMm'], byMm: number): EdgeAtWork['atMm'] => ({
  ...atMm,
  ...Object.fromEntries(
    side.facets.map(({ facet, deg }) => [facet, (atMm[facet] ?? 0) + byMm / tanDeg(deg)]),
  ),
});

/** Radius of the tip that marks leave of an edge, as a share of their depth (estimate). */
const TIP_OF_MARKS = 0.25;

/** The worn tip’s radius that is still to go, µm; 0 where a burr will stand. */
export function tipUmOf(edge: Edge, { tip, nickMm: left }: EdgeAtWork): number {
  const { formedUm, leftUm, rightUm, backMm = 0, nickMm = 0 } = tip;
  if (left > 0) return formedUm;
  const share = backMm > 0 ? 1 - nickMm / backMm : 1;
  return tipLeftUm({
    tipUm: formedUm,
    leftUm: leftUm * share,
    rightUm: rightUm * share,
    includedDeg: sidesOf(edge).includedDeg,
  });
}

/** How sharp an edge is, as its tip’s radius: what is worn still, or what the marks of its faces leave, µm. */
export const sharpnessUm = (edge: Edge, state: EdgeAtWork): number =>
  Math.max(tipUmOf(edge, state), TIP_OF_MARKS * Math.max(0, ...Object.values(state.marksUm)));

/** The same edge with its tip worn to a radius, µm. */
export const withTip = (state: EdgeAtWork, formedUm: number): EdgeAtWork => ({
  ...state,
  tip: { formedUm, leftUm: 0, rightUm: 0 },
});

/**
 * What people measure of an edge, mm: all that was honed of a ground bevel, its micro-bevel with it; a hollow’s rim;
 * else the faces worked, all together.
 */
export function landMmOf(edge: Edge, state: EdgeAtWork): number {
  const worked = facetsNow(edge, state).filter(({ facet }) => !['primary', 'body'].includes(facet));
  const lengthMm = worked.reduce((sum, facet) => sum + facet.lengthMm, 0);
  const { hollow, facets } = sidesOf(edge).one;
  return hollow && !facets.some(({ facet }) => facet === 'secondary') ? lengthMm / 2 : lengthMm;
}

/** The longest that could be, mm. */
export function wholeLandMm(edge: Edge): number {
  const { one, other } = sidesOf(edge);
  const whole = [one, ...(other ? [other] : [])].reduce((sum, { facets, thicknessMm, faceMm: kept }) => {
    const { deg } =
      facets.find(({ facet }) => facet === 'secondary') ?? (facets.at(-1) as (typeof facets)[0]);
    return sum + (kept ?? thicknessMm / sinDeg(deg));
  }, 0);
  return one.hollow && !one.facets.some(({ facet }) => facet === 'secondary') ? whole / 2 : whole;
}
