import { Joi } from '@mellow-anvil/contract';
import { planSchema } from '@mellow-anvil/contract';
import type { Plan } from '@mellow-anvil/core/workshop';
import { defineKind } from '../shared/kind.js';

export const plans = defineKind<Plan>({
  name: 'plans',
  one: 'plan',
  schema: planSchema,
  columns: {
    name: 'text',
    toolId: 'text',
    guideId: 'text',
    seatName: 'text',
    request: 'json',
    result: 'json',
  },
  sorts: ['updatedAt', 'createdAt', 'name'],
  searches: ['name'],
  references: [{ column: 'toolId', to: 'tools' }],
  filters: { toolId: Joi.string().max(64) },
});
