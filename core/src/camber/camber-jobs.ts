import type { CamberJob } from '../blade/camber-design.js';
import type { FrontLine, SingleBevelEdge } from '../blade/edge.js';
import type { Family } from '../blade/families.js';
import { sagittaMm } from '../base/arc.js';
import { camber } from './camber.js';

/** Tools whose edge is curved on purpose across its width: irons that lie in a plane or a shave. */
export const CURVED_FAMILIES: readonly Family[] = [
  'plane-iron',
  'low-angle-iron',
  'scrub-iron',
  'spokeshave-iron',
];

/** Whether the edge of a family is curved so. */
export const isCurved = (family: Family | undefined): boolean =>
  family !== undefined && CURVED_FAMILIES.includes(family);

interface CamberJobFacts {
  readonly label: string;
  readonly says: string;
  /** A usual shaving, mm. */
  readonly shavingMm: number;
  /** A usual radius, where the curve goes by it. */
  readonly radiusMm?: number;
}

/**
 * The jobs, shavings and radii are common practice without a source; the trying and jack radii are estimates
 * within what people use.
 */
export const CAMBER_JOB_FACTS: Readonly<Record<CamberJob, CamberJobFacts>> = {
  jointing: {
    label: 'Jointing',
    says: 'Straight: two edges that are to meet are planed with a straight one.',
    shavingMm: 0.05,
  },
  smoothing: {
    label: 'Smoothing',
    says: 'An arc for one fine shaving: the corners just at the surface while the middle takes it.',
    shavingMm: 0.05,
  },
  eased: {
    label: 'Corners eased',
    says: 'Straight, with the two corners just relieved: no tracks from them, and nearly all of the width cuts.',
    shavingMm: 0.05,
  },
  trying: {
    label: 'Trying',
    says: 'A slight arc for a thicker shaving, so that a board can be brought flat without tracks.',
    shavingMm: 0.15,
    radiusMm: 1500,
  },
  jack: {
    label: 'Jack',
    says: 'A plain curve: narrow, thick shavings that take wood off fast and leave shallow hollows.',
    shavingMm: 0.3,
    radiusMm: 250,
  },
  scrub: {
    label: 'Scrub',
    says: 'A strong curve, ground to shape and then rolled on the stones.',
    shavingMm: 1,
    radiusMm: 75,
  },
  texture: {
    label: 'Texture',
    says: 'A curve that is meant to be seen and felt: its hollows are the finish.',
    shavingMm: 0.3,
    radiusMm: 120,
  },
};

/** How wide and deep corners are eased where nobody said, mm (estimates). */
const EASED_MM = { widthMm: 3, depthMm: 0.1 } as const;

/** The edge for a job: straight, corners eased, an arc for the shaving, or one of a usual radius. */
export function frontForJob(
  job: CamberJob,
  widthMm: number,
  bedDeg: number,
  shaving: { readonly shavingMm: number; readonly shavingWidthMm?: number },
): FrontLine {
  if (job === 'jointing') return { shape: 'straight' };
  if (job === 'eased')
    return { shape: 'corners-relieved', ...EASED_MM, widthMm: Math.min(EASED_MM.widthMm, widthMm / 4) };
  const { radiusMm } = CAMBER_JOB_FACTS[job];
  const asked = radiusMm ?? camber({ widthMm, bedDeg, ...shaving }).radiusMm;
  return { shape: 'arc', radiusMm: Number(Math.max(asked, widthMm / 2).toPrecision(4)) };
}

/** How far the corners of an edge stand back from its middle, mm. */
export function cornerBackMm(front: FrontLine, widthMm: number): number {
  switch (front.shape) {
    case 'straight':
      return 0;
    case 'arc':
      return sagittaMm(front.radiusMm, widthMm);
    case 'corners-relieved':
      return front.depthMm;
  }
}

/** The job an edge looks made for, before anybody said. */
export function likelyJob(
  { front, widthMm }: Pick<SingleBevelEdge, 'front' | 'widthMm'>,
  scrub: boolean,
): CamberJob {
  if (scrub) return 'scrub';
  if (front.shape === 'straight') return 'jointing';
  if (front.shape === 'corners-relieved') return 'eased';
  const mm = cornerBackMm(front, widthMm);
  return mm < 0.35 ? 'smoothing' : mm < 0.9 ? 'trying' : 'jack';
}
