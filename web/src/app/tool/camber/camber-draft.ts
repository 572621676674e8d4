import type { CamberDesign, CamberJob, FrontLine, SingleBevelEdge, Tool } from '@mellow-anvil/core/blade';
import {
  CAMBER_JOB_FACTS,
  cornerBackMm,
  CURVED_FAMILIES,
  frontForJob,
  likelyJob,
} from '@mellow-anvil/core/camber';
import type { CamberState } from '@mellow-anvil/core/record';

/** A curve as it is being designed: half a figure typed is undefined or NaN. */
export interface CamberDraft {
  readonly job: CamberJob;
  readonly shavingMm?: number | undefined;
  readonly shavingWidthMm?: number | undefined;
  readonly passStepMm?: number | undefined;
  readonly front: FrontDraft;
}

export interface FrontDraft {
  readonly shape: FrontLine['shape'];
  readonly radiusMm?: number | undefined;
  readonly widthMm?: number | undefined;
  readonly depthMm?: number | undefined;
}

/** An iron: the tools this side of the vise is for. */
export type Iron = Tool & { readonly edge: SingleBevelEdge };

export const asIron = <T extends Tool>(tool: T): (T & { readonly edge: SingleBevelEdge }) | undefined =>
  tool.edge.form === 'single-bevel' && CURVED_FAMILIES.includes(tool.family)
    ? (tool as T & { readonly edge: SingleBevelEdge })
    : undefined;

/** A bed nobody gave: the usual bench plane's. */
const USUAL_BED_DEG = 45;
export const bedOf = ({ host }: Pick<Tool, 'host'>): number => host?.bedDeg ?? USUAL_BED_DEG;

export function draftOf({ camber, edge, family }: Iron): CamberDraft {
  const job = camber?.job ?? likelyJob(edge, family === 'scrub-iron');
  return {
    job,
    shavingMm: camber?.shavingMm ?? CAMBER_JOB_FACTS[job].shavingMm,
    ...(camber?.shavingWidthMm !== undefined && { shavingWidthMm: camber.shavingWidthMm }),
    passStepMm: camber?.passStepMm ?? Math.round(0.8 * edge.widthMm),
    front: edge.front,
  };
}

/** The edge a job begins with, at its usual shaving. */
export function forJob(job: CamberJob, iron: Iron): CamberDraft {
  const { shavingMm } = CAMBER_JOB_FACTS[job];
  const { shavingWidthMm: _, ...draft } = draftOf(iron);
  return {
    ...draft,
    job,
    shavingMm,
    front: frontForJob(job, iron.edge.widthMm, bedOf(iron), { shavingMm }),
  };
}

/** A curve that goes by its shaving follows it; one that goes by radius stays. */
export const byShaving = (job: CamberJob): boolean => job === 'smoothing';

/** The front as core takes it, once every figure of it can be read. */
export function frontOf({ front }: CamberDraft): FrontLine | undefined {
  const whole = (...figures: readonly (number | undefined)[]): boolean =>
    figures.every((mm) => mm !== undefined && mm > 0);
  switch (front.shape) {
    case 'straight':
      return { shape: 'straight' };
    case 'arc':
      return whole(front.radiusMm) ? { shape: 'arc', radiusMm: front.radiusMm as number } : undefined;
    case 'corners-relieved':
      return whole(front.widthMm, front.depthMm)
        ? {
            shape: 'corners-relieved',
            widthMm: front.widthMm as number,
            depthMm: front.depthMm as number,
          }
        : undefined;
  }
}

/** The tool with its curve as drafted; what the iron had when it was first designed stays known. */
export function designed(iron: Iron, draft: CamberDraft): Tool {
  const { job, shavingMm = NaN, shavingWidthMm, passStepMm, front } = draft;
  const camber: CamberDesign = {
    job,
    shavingMm,
    ...(shavingWidthMm !== undefined && { shavingWidthMm }),
    ...(passStepMm !== undefined && { passStepMm }),
    hadMm: iron.camber?.hadMm ?? cornerBackMm(iron.edge.front, iron.edge.widthMm),
  };
  return { ...iron, edge: { ...iron.edge, front: front as FrontLine }, camber };
}

/** What the curve of an edge rests on, in words. */
export const CAMBER_FROM: Readonly<Record<CamberState['from'], string>> = {
  entered: 'as it was entered; nobody has read it yet',
  read: 'as it was last read',
  made: 'as reckoned from the strokes by place since it was read',
};
