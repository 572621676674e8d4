import { familyFacts, type Family } from '../blade/families.js';
import type { Job } from './angle-advice.js';

interface FinishAdviceInput {
  readonly family: Family;
  readonly job: Job;
  readonly sideHardnessLbf: number;
  readonly figured?: boolean;
}

interface FinishAdvice {
  /** Grain of the last abrasive, µm: fine enough for this work. */
  readonly finishUm: number;
  readonly reasons: readonly string[];
}

/** Grain that serves a job in a medium hardwood, µm (estimates after common practice). */
const JOB_UM: Readonly<Record<Job, number>> = {
  roughing: 12,
  chopping: 9,
  paring: 3,
  jointing: 3,
  carving: 2,
  smoothing: 2,
};
const JOB_WHY: Readonly<Record<Job, string>> = {
  roughing: 'The next tool takes this surface off again: a coarse edge is enough.',
  chopping: 'A fine oil stone’s edge serves most joinery (common practice).',
  paring: 'Pared surfaces are seen and glued: finer than a chopping edge.',
  jointing: 'A glue joint wants a clean edge, not a mirror.',
  carving: 'The tool leaves the finished surface: fine, and then stropped.',
  smoothing: 'The plane leaves the finished surface (common practice: go finer).',
};
/** Softer than this the fibres bend before they are cut (estimate). */
const SOFT_LBF = 600;
const FINER = 0.6;

/** Families whose edge is finished as their kind wants, whatever the work. */
const OWN_FINISH: Partial<Readonly<Record<Family, string>>> = {
  'planer-knives':
    'Machine knives: never finer than about P600 (25.8 µm); a finer edge is too brittle there (common practice).',
  'hooked-blade': 'Hooked blades are usually left at about 400 grit and stropped (common practice).',
  'scraping-knife':
    'The burr does the work here, and a finer stone would only take it off (common practice).',
};

/** How fine is fine enough: grain of the last abrasive, for the family, the job and the wood. */
export function finishAdvice({
  family,
  job,
  sideHardnessLbf,
  figured = false,
}: FinishAdviceInput): FinishAdvice {
  const own = OWN_FINISH[family];
  if (own !== undefined) return { finishUm: familyFacts(family).finishUm, reasons: [own] };
  const soft = sideHardnessLbf < SOFT_LBF;
  return {
    finishUm: JOB_UM[job] * (soft ? FINER : 1) * (figured ? FINER : 1),
    reasons: [
      JOB_WHY[job],
      ...(soft ? ['Soft wood bends before it is cut: finer than in hard wood (common practice).'] : []),
      ...(figured ? ['Figured wood tears unless the edge is finer (common practice).'] : []),
    ],
  };
}
