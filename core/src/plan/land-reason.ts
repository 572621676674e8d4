import { honingJob } from './honing-job.js';
import type { HoningPlan } from './honing-plan.js';
import type { PlanRequest } from './plan-request.js';
import type { Tool } from '../blade/tool.js';
import { PLAIN_HAND, type Hand } from '../record/readiness.js';
import type { EdgeState } from '../record/edge-state.js';
import { asRound } from '../work/found.js';

/**
 * Why this honing is more work than the first one after the land was last known: the steel a
 * honing takes grows with the land. A sentence, or nothing where the record has nothing to say.
 */
export function landReason(
  tool: Tool,
  state: EdgeState,
  plan: HoningPlan,
  request: Pick<PlanRequest, 'condition' | 'landMm'>,
  hand: Hand = PLAIN_HAND,
): string | undefined {
  const { landMm, landThenMm, honingsSinceThen, landFrom } = state;
  if (request.landMm !== undefined || landMm === undefined || landThenMm === undefined) return undefined;
  if (landFrom === 'ground' && honingsSinceThen === 0) {
    return 'The primary is freshly ground, so there is no land yet and the first honing is short.';
  }
  if (honingsSinceThen === 0) return undefined;
  const then = honingJob(tool.edge, asRound(request.condition, plan.tips), landThenMm);
  const times = plan.job.removeMm3 / then.removeMm3;
  const from =
    landFrom === 'ground'
      ? `since it was ground`
      : `since it was ${landFrom === 'assumed' ? `taken as ${hand.length(landThenMm)}` : `${hand.length(landThenMm)}, as ${landFrom}`}`;
  return (
    `The land has grown to ${hand.length(landMm)} over ${honingsSinceThen} honing${honingsSinceThen === 1 ? '' : 's'} ${from}. ` +
    `The wider it is, the more steel each honing takes, and the more strokes: now ${hand.number(times)} times what the same wear took then.`
  );
}
