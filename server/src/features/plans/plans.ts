import { RESOURCES } from '@mellow-anvil/contract';
import type { Plan } from '@mellow-anvil/core/workshop';
import { defineKind } from '../../storage/kind.js';
import { defineTable } from '../../storage/table.js';

export const plans = defineKind<Plan>({
  ...RESOURCES.plans,
  ...defineTable<Plan>({
    name: 'plans',
    columns: {
      name: 'text',
      toolId: 'text',
      guideId: 'text',
      seatName: 'text',
      request: 'json',
      result: 'json',
    },
  }),
  searches: ['name'],
  references: [{ column: 'toolId', to: 'tools' }],
});
