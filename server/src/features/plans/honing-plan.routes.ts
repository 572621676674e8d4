import { HONING_PLAN_ROUTE } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { serving, type Served } from '../../platform/serve.js';
import { stopsWith } from '../../platform/stop.js';
import { beside } from '../../platform/workers.js';
import { orInvalid } from '../../storage/or-invalid.js';
import type { Store } from '../../storage/store.js';
import type { Reckoner } from '../records/index.js';
import { answerPlanTask } from './tasks.js';

/** `POST /api/calc/honing-plan`: the plan the page would show for a tool, from what is stored. */
export const honingPlanRoute = (tools: Store<Tool>, abrasives: Store<Abrasive>, reckoner: Reckoner): Served =>
  serving(HONING_PLAN_ROUTE, async ({ body: { toolId, set, ...asked }, response }) => {
    const tool = await orInvalid('toolId', tools.read(toolId));
    const of = {
      tool,
      bench: await abrasives.all('-sizeUm'),
      record: await reckoner.record(toolId),
      stones: await reckoner.stonesRecord(),
    };
    const request = { ...asked, ...(set !== undefined && { set: set || undefined }) };
    return beside(answerPlanTask, { of, request }, { signal: stopsWith(response) });
  });
