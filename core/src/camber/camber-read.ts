/** How a curve was read: from a shaving, from light under a straightedge, with a caliper. */
export const CAMBER_READ_BY = ['shaving', 'light', 'caliper'] as const;
type CamberReadBy = (typeof CAMBER_READ_BY)[number];

/** The curve of an edge as it was read once, for the record. */
export interface CamberRead {
  readonly by: CamberReadBy;
  /** Sagitta over the whole width; below 0 the edge is hollow. */
  readonly camberMm: number;
  /** It lies this much to either side (95 %). */
  readonly pmMm: number;
  /** How much further back the right corner stands than the left, where that was told. */
  readonly leanMm?: number;
  /** It has this camber at most: the shaving was as wide as the iron. */
  readonly atMost?: boolean;
}
