/** A point of the blade's section, mm: x back along the blade from the edge, y up. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A facet's place in the chain from the edge up: which surface it is. */
export type FacetName =
  | 'micro'
  | 'secondary'
  | 'primary'
  | 'left'
  | 'right'
  | 'polished'
  | 'back-bevel'
  | 'counter';

/** One surface of the section, from the edge's end to the far one. */
export interface ChainFacet {
  readonly name: FacetName;
  /** Above the blade's axis (the bevel), or below it (the back, the right-hand side). */
  readonly side: 'upper' | 'lower';
  /** To the blade's axis; a ground facet's chord where it is hollow or convex. */
  readonly angleDeg: number;
  /** Its length along the face, mm. */
  readonly lengthMm: number;
  /** Two points where it is straight, more along an arc. */
  readonly points: readonly Point[];
  /** The fields of the edge that its angle and its length are kept in, where they are its own. */
  readonly angleField?: string;
  readonly lengthField?: string;
}

/** A blade's section as its facets, mm: the edge at the origin, x back along the blade, y up. */
export interface EdgeChain {
  /** From the edge up the bevel, and from the edge along the other side. */
  readonly upper: readonly ChainFacet[];
  readonly lower: readonly ChainFacet[];
  /** Closed outline of the stretch of blade, anticlockwise from the edge. */
  readonly outline: readonly Point[];
  /** Steel ground or honed away ahead of the edge since the primary met the back. */
  readonly gone: readonly Point[];
  /** Furthest point of any bevel back from the edge, and the thickness of the blade behind it. */
  readonly heelMm: number;
  readonly thicknessMm: number;
}

/** Taken where nobody measured it, mm (estimates). */
export const ASSUMED = {
  microLandMm: 0.15,
  backBevelMm: 0.5,
  rimMm: 2,
  counterMm: 1,
  hollowRadiusMm: 75,
  convexRadiusMm: 40,
} as const;
