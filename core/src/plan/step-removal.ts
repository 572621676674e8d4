import type { StoneAtWork } from '../abrasive/at-work.js';
import { removalPerStrokeMm3 } from '../abrasive/removal.js';
import { STEELS, type Tool } from '../blade/tool.js';
import { cuttingMm } from '../work/pace.js';
import type { PlanRequest } from './plan-request.js';

/** Steel that one stroke of a plan’s step takes on its stone, mm³: the push is the step’s own, else the plan’s. */
export const strokeMm3 = (
  { steel }: Pick<Tool, 'steel'>,
  { removalMm3PerNm, strokeMm }: Pick<StoneAtWork, 'removalMm3PerNm' | 'strokeMm'>,
  step: { readonly forceN?: number },
  { forceN, way = 'pull' }: Pick<PlanRequest, 'forceN' | 'way'>,
): number =>
  removalPerStrokeMm3(removalMm3PerNm, step.forceN ?? forceN, cuttingMm(strokeMm, way), STEELS[steel].factor);
