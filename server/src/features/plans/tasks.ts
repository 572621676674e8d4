import type { StonesRecord, OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import type { AskedOf, HoningPlan, PlanAnswer, PlanRequest } from '@mellow-anvil/core/plan';
import { defineTask } from '../../platform/task.js';

interface PlanAsked {
  readonly tool: Tool;
  readonly abrasives: readonly OwnedAbrasive[];
  readonly request: PlanRequest;
  readonly bench: StonesRecord;
}

/** A plan on given stones. */
export const planTask = defineTask<PlanAsked, HoningPlan>('short', 'plan');

/** The plan the page would show, from what is stored. */
export const answerPlanTask = defineTask<
  { readonly of: AskedOf; readonly request: Partial<PlanRequest> },
  PlanAnswer
>('short', 'answerPlan');
