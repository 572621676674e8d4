import { cosDeg, tanDeg, toRad } from '../base/trig.js';
import type { EdgeShape } from './edge-shape.js';
import { backBevel, USUAL_SHIM } from './back-bevel.js';

/** How a bevel was ground: on a flat stone, on a wheel's rim, or rounded towards the edge. */
export const GRINDS = ['flat', 'hollow', 'convex'] as const;
export type Grind = (typeof GRINDS)[number];

/** What was done to a flat back: polished whole, only the last millimetres, hollowed behind a rim, or over a shim. */
export const BACKS = ['flat', 'rim', 'hollowed', 'shim'] as const;
export type Back = (typeof BACKS)[number];

/** The edge seen from the front. */
export type FrontLine =
  | { readonly shape: 'straight' }
  | { readonly shape: 'corners-relieved'; readonly widthMm: number; readonly depthMm: number }
  | { readonly shape: 'arc'; readonly radiusMm: number };

/** A flat back and one bevel: chisels, plane irons, spokeshave irons, drawknives. */
export interface SingleBevelEdge {
  readonly form: 'single-bevel';
  readonly widthMm: number;
  readonly thicknessMm: number;
  /** The ground bevel. */
  readonly primaryDeg: number;
  /** The honed bevel, steeper than the primary; absent where one bevel is honed whole. */
  readonly secondaryDeg?: number;
  /** A few strokes steeper again. */
  readonly microDeg?: number;
  /** The secondary's length along its own face as last measured. */
  readonly landMm?: number;
  /** The micro-bevel's length along its own face, ahead of the secondary's. */
  readonly microLandMm?: number;
  readonly grind: Grind;
  /** Radius of the wheel behind a hollow grind, or of a convex one's rounding. */
  readonly grindRadiusMm?: number;
  readonly back: Back;
  /** How far from the edge the back is polished: a rim's width, a back bevel's length. */
  readonly polishedMm?: number;
  /**
   * What is hollowed of the back behind that rim, in how many hollows side by side, how deep each is, and the rim beyond
   * them; only with `hollowed`.
   */
  readonly hollowMm?: number;
  readonly hollows?: number;
  readonly hollowDeepMm?: number;
  readonly farRimMm?: number;
  /** The shim under the back and how far its near edge lies from the blade's; only with `shim`. */
  readonly shimMm?: number;
  readonly shimAtMm?: number;
  readonly front: FrontLine;
}

/** Bevels on both sides of a straight or skewed edge: carving chisels, skews. */
export interface DoubleBevelEdge {
  readonly form: 'double-bevel';
  readonly widthMm: number;
  readonly thicknessMm: number;
  /** Per side, from the blade's centre plane. */
  readonly leftDeg: number;
  readonly rightDeg: number;
  /** 0 where the edge is square to the blade. */
  readonly skewDeg: number;
  readonly grind: Grind;
  readonly grindRadiusMm?: number;
  /** Of a skew whose heel is rounded into a second, running edge: its radius. */
  readonly heelRadiusMm?: number;
}

/** What becomes of the corners of a curved edge: kept as they are, or eased so that they do not catch. */
export const CORNERS = ['kept', 'eased'] as const;

/** A curved edge, bevelled outside (out-cannel) or inside (in-cannel). */
export interface GougeEdge {
  readonly form: 'gouge';
  /** Chord between the corners. */
  readonly widthMm: number;
  /** Depth of the curve below that chord. */
  readonly depthMm: number;
  /** Thickness of the wall. */
  readonly thicknessMm: number;
  readonly cannel: 'out' | 'in';
  readonly bevelDeg: number;
  /** The small bevel on the other face, if any. */
  readonly counterBevelDeg?: number;
  /** Its corners kept sharp unless said. */
  readonly corners?: (typeof CORNERS)[number];
}

/** Two flat wings meeting in a keel. */
export interface VEdge {
  readonly form: 'v';
  /** Length of each wing's edge. */
  readonly wingMm: number;
  /** Angle between the wings. */
  readonly openingDeg: number;
  readonly thicknessMm: number;
  readonly bevelDeg: number;
  readonly keelRadiusMm: number;
}

/** How a knife’s edge runs to its tip: straight, or swept up. */
export const SWEEPS = ['straight', 'up'] as const;
/** At which end the strokes of a knife begin: its tip first, where that matters most. */
export const BEGINS = ['heel', 'tip'] as const;

/** A knife: two bevels along a blade, each measured from its centre plane. */
export interface KnifeEdge {
  readonly form: 'knife';
  readonly lengthMm: number;
  /** Edge to spine. */
  readonly widthMm: number;
  readonly spineMm: number;
  readonly leftDeg: number;
  readonly rightDeg: number;
  readonly grind: Grind;
  readonly grindRadiusMm?: number;
  /** Straight unless said. */
  readonly sweep?: (typeof SWEEPS)[number];
  /** The heel unless said. */
  readonly begins?: (typeof BEGINS)[number];
}

/** A blade curved in plan, in one of three makes. */
export interface HookEdge {
  readonly form: 'hook';
  readonly make: 'hollow-inside' | 'flat-inside' | 'bevelled-both-sides';
  readonly lengthMm: number;
  readonly innerRadiusMm: number;
  readonly thicknessMm: number;
  readonly includedDeg: number;
}

/** A numbered set of machine knives that must all get the same strokes. */
export interface KnifeSetEdge {
  readonly form: 'knife-set';
  readonly count: number;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly bevelDeg: number;
  /** Length of the jig they are honed in; a pair is thought to fit where it was not measured. */
  readonly jigMm?: number;
}

/** A hollow-ground scraping knife, where the burr is wanted. */
export interface ScrapingEdge {
  readonly form: 'scraping';
  readonly lengthMm: number;
  readonly thicknessMm: number;
  readonly bevelDeg: number;
  /** Radius of the wheel that hollowed it. */
  readonly grindRadiusMm?: number;
  /** The side that scrapes, by the user's hand. */
  readonly burrSide: 'left' | 'right';
}

/** Every form of edge the trade sharpens, told apart by `form`. */
export type Edge =
  | SingleBevelEdge
  | DoubleBevelEdge
  | GougeEdge
  | VEdge
  | KnifeEdge
  | HookEdge
  | KnifeSetEdge
  | ScrapingEdge;

export type EdgeForm = Edge['form'];

/** The steepest honed facet of a flat-backed edge: the one that meets the back. */
export const honedDeg = (edge: SingleBevelEdge): number =>
  edge.microDeg ?? edge.secondaryDeg ?? edge.primaryDeg;

/** The back bevel of a flat-backed edge, degrees: what its shim gives, 0 without one. */
export function backBevelDeg(edge: SingleBevelEdge): number {
  if (edge.back !== 'shim') return 0;
  const { shimMm = USUAL_SHIM.shimMm, shimAtMm = USUAL_SHIM.distanceMm } = edge;
  return backBevel({ shimMm, distanceMm: shimAtMm }).angleDeg;
}

/**
 * The angle between the two faces that meet at the very edge, in degrees: the steepest honed facet
 * and the back bevel of a flat-backed edge, the two sides together of a double bevel.
 */
export function includedDeg(edge: Edge): number {
  switch (edge.form) {
    case 'single-bevel':
      return honedDeg(edge) + backBevelDeg(edge);
    case 'double-bevel':
    case 'knife':
      return edge.leftDeg + edge.rightDeg;
    case 'gouge':
      return edge.bevelDeg + (edge.counterBevelDeg ?? 0);
    case 'hook':
      return edge.includedDeg;
    case 'v':
    case 'knife-set':
    case 'scraping':
      return edge.bevelDeg;
  }
}

/** How long the edge is, in mm, measured straight (the arc of a curve is a figure of its own). */
export function edgeLengthMm(edge: Edge): number {
  switch (edge.form) {
    case 'single-bevel':
    case 'gouge':
      return edge.widthMm;
    case 'double-bevel': {
      // Its round takes a tangent of the edge and gives it an arc.
      const { widthMm, skewDeg, heelRadiusMm: r = 0 } = edge;
      return widthMm / cosDeg(skewDeg) + r * (toRad(90 - skewDeg) - tanDeg((90 - skewDeg) / 2));
    }
    case 'v':
      return 2 * edge.wingMm;
    default:
      return edge.lengthMm;
  }
}

/** Which shape of edge a stone has to follow. */
export function shapeOfEdge(edge: Edge): EdgeShape {
  if (edge.form === 'gouge') return edge.cannel === 'in' ? 'inside-curve' : 'outside-curve';
  return edge.form === 'hook' ? 'hook' : 'straight';
}
