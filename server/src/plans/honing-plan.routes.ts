import { Router } from 'express';
import { honingPlanAsk } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import type { Reckoner } from '../records/reckoner.js';
import { orInvalid } from '../shared/drafts.js';
import { checked } from '../shared/resource.routes.js';
import { stopsWith } from '../shared/stop.js';
import type { Store } from '../shared/store.js';
import { figured } from '../workers/workers.js';

/** `POST /api/calc/honing-plan`: the plan the page would show for a tool, from what is stored. */
export function honingPlanRoutes(tools: Store<Tool>, abrasives: Store<Abrasive>, reckoner: Reckoner): Router {
  return Router().post('/', async (request, response) => {
    const { toolId, set, ...asked } = checked(honingPlanAsk, request.body);
    const tool = await orInvalid('toolId', tools.read(toolId));
    const of = {
      tool,
      bench: await abrasives.all('-sizeUm'),
      record: await reckoner.record(toolId),
      stones: await reckoner.stonesRecord(),
    };
    const plan = { ...asked, ...(set !== undefined && { set: set || undefined }) };
    response.json(await figured('answerPlan', { of, request: plan }, { signal: stopsWith(response) }));
  });
}
