import { planDraftSchema, type PlanDraft } from '@mellow-anvil/contract';
import { planHoning, type Abrasive, type Guide, type Plan, type Tool } from '@mellow-anvil/core';
import { HttpProblem, invalid } from '../shared/problem.js';
import type { Drafted } from '../shared/resource.routes.js';
import type { Store } from '../shared/store.js';

/**
 * A plan is asked for and worked out here, on the bench set as it stands, so that what is kept is
 * what the bench maths says.
 */
export function planDrafts(
  tools: Store<Tool>,
  guides: Store<Guide>,
  abrasives: Store<Abrasive>,
): Drafted<Plan, PlanDraft> {
  return {
    draft: planDraftSchema,
    async complete(draft) {
      const tool = await orInvalid('toolId', tools.read(draft.toolId));
      const guide = draft.guideId && (await orInvalid('guideId', guides.read(draft.guideId)));
      if (draft.seatName && !(guide && guide.seats.some((seat) => seat.name === draft.seatName))) {
        throw invalid([
          { field: 'seatName', message: `The guide has no seat “${draft.seatName}”; choose one of its own.` },
        ]);
      }
      const { items } = await abrasives.list({ sort: '-sizeUm', page: 1, pageSize: 500 });
      return { ...draft, result: planHoning(tool, items, draft.request) };
    },
  };
}

async function orInvalid<T>(field: string, reading: Promise<T>): Promise<T> {
  try {
    return await reading;
  } catch (reason) {
    if (reason instanceof HttpProblem && reason.status === 404) {
      throw invalid([{ field, message: reason.message }]);
    }
    throw reason;
  }
}
