import type { Tell } from '../base/tell.js';
import { kindFacts, type AbrasiveKind } from '../abrasive/abrasive.js';
import type { StonesRecord } from '../abrasive/at-work.js';
import { estimatedRemovalMm3PerNm } from '../abrasive/removal.js';
import { unlessRefused } from '../base/refusal.js';
import type { ToolAtWork } from '../work/edge-at-work.js';
import { solverOf, unmixed } from './plan-problem.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { PlanRequest } from './plan-request.js';
import { cuttingMm, pushN } from '../work/pace.js';
import type { ProgressionAbrasive } from './progression.js';

interface StoneSweepInput {
  readonly tool: ToolAtWork;
  readonly bench: readonly OwnedAbrasive[];
  readonly request: PlanRequest;
  readonly record?: StonesRecord;
  /** The kind of stone one thinks of buying. */
  readonly kind: AbrasiveKind;
  /** How many sizes to try, coarse to fine in equal ratios. */
  readonly sizes: number;
}

interface SweptSize {
  readonly sizeUm: number;
  /** Minutes this job would take less with such a stone on the bench; 0 where the plan leaves it out. */
  readonly savedMin: number;
}

export interface StoneSweep {
  /** The job on the bench as it is, stones only. */
  readonly totalMin: number;
  readonly swept: readonly SweptSize[];
}

/** Sizes worth a thought, µm. */
const SWEEP_UM = [120, 0.5] as const;
/** The stone imagined: a usual face and change-over (estimates). */
const IMAGINED = { id: '?', strokeMm: 150, overheadMin: 0.5 } as const;

/**
 * What one more stone would save this job, for every size: the same job solved anew with each stone added
 * at its estimated rate. Under an exact order no further stone is used, so nothing is saved.
 * @param tell told the share that is done
 * @throws Refusal where there is no plan to begin with
 */
export function stoneSweep(
  { tool, bench, request, record = {}, kind, sizes }: StoneSweepInput,
  tell: Tell = () => undefined,
): StoneSweep {
  const problem = solverOf(tool, bench, request, record);
  const { chosen } = unmixed(problem.input, problem.atHand, problem.solve);
  const lubricant = kind === 'oil-stone' ? 'oil' : 'water';
  const stones = [...problem.atHand, { id: IMAGINED.id, lubricant } as const];
  const [coarse, fine] = SWEEP_UM;
  const swept = Array.from({ length: sizes }, (_, i): SweptSize => {
    tell(i / sizes);
    const sizeUm = coarse * Math.pow(fine / coarse, i / (sizes - 1));
    const added = imagined(kind, sizeUm, request);
    const withIt = unlessRefused(() =>
      unmixed({ ...problem.input, abrasives: [...problem.input.abrasives, added] }, stones, problem.solve),
    );
    const totalMin = Math.min(chosen.totalMin, withIt?.chosen.totalMin ?? Infinity);
    return { sizeUm, savedMin: chosen.totalMin - totalMin };
  });
  return { totalMin: chosen.totalMin, swept };
}

/** The size that saves most, where any saves a second or more. */
export function bestOf({ swept }: StoneSweep): SweptSize | undefined {
  const best = swept.reduce((most, each) => (each.savedMin > most.savedMin ? each : most));
  return best.savedMin * 60 >= 1 ? best : undefined;
}

function imagined(kind: AbrasiveKind, sizeUm: number, request: PlanRequest): ProgressionAbrasive {
  return {
    ...IMAGINED,
    kind,
    sizeUm,
    removalMm3PerNm: estimatedRemovalMm3PerNm(sizeUm, kind),
    strokeMm: cuttingMm(IMAGINED.strokeMm, request.way ?? 'pull'),
    forceN: pushN(request.forceN, sizeUm, request.lighter ?? false),
  };
}

/** Kinds one might buy for a bench. */
export const BUYABLE_KINDS = (['water-stone', 'diamond-plate', 'oil-stone', 'ceramic', 'film'] as const).map(
  (value) => ({ value, label: kindFacts(value).label }),
);
