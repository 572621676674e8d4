/** What an iron is to do, and so how it is curved. */
export const CAMBER_JOBS = ['jointing', 'smoothing', 'eased', 'trying', 'jack', 'scrub', 'texture'] as const;
export type CamberJob = (typeof CAMBER_JOBS)[number];

/** What a person wants of an edge's curve, and what the iron had when it was designed. */
export interface CamberDesign {
  readonly job: CamberJob;
  /** The shaving in its middle, and how wide it is to be. */
  readonly shavingMm: number;
  readonly shavingWidthMm?: number;
  readonly passStepMm?: number;
  /** Sagitta of the iron as it was before anything was made or read. */
  readonly hadMm: number;
}
