import type { PlanDraft } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { type Guide, isRoller } from '@mellow-anvil/core/guide';
import { asItStands } from '@mellow-anvil/core/record';
import type { Plan } from '@mellow-anvil/core/workshop';
import { invalid } from '../../platform/problem.js';
import { beside } from '../../platform/workers.js';
import { orInvalid } from '../../storage/or-invalid.js';
import type { Complete } from '../../storage/resource.routes.js';
import type { Store } from '../../storage/store.js';
import type { Reckoner } from '../records/index.js';
import { planTask } from './tasks.js';

/**
 * A plan is asked for and worked out here, on the bench set as it stands, so that what is kept is
 * what the bench maths says. The land is as the tool's record has it, unless it was measured.
 */
export function planDrafts(
  tools: Store<Tool>,
  guides: Store<Guide>,
  abrasives: Store<Abrasive>,
  reckoner: Reckoner,
): Complete<Plan, PlanDraft> {
  return async (draft) => {
    const tool = await orInvalid('toolId', tools.read(draft.toolId));
    const guide = draft.guideId && (await orInvalid('guideId', guides.read(draft.guideId)));
    if (
      draft.seatName &&
      !(guide && isRoller(guide) && guide.seats.some((seat) => seat.name === draft.seatName))
    ) {
      throw invalid([
        { field: 'seatName', message: `The guide has no seat “${draft.seatName}”; choose one of its own.` },
      ]);
    }
    const items = await abrasives.all('-sizeUm');
    const { state } = await reckoner.record(draft.toolId);
    return {
      ...draft,
      result: await beside(planTask, {
        tool: asItStands(tool, state),
        abrasives: items,
        request: draft.request,
        bench: await reckoner.stonesRecord(),
      }),
    };
  };
}
