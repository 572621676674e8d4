import { Joi } from '@mellow-anvil/contract';
import { careSchema } from '@mellow-anvil/contract';
import { type Care, CARE_KINDS } from '@mellow-anvil/core/abrasive';
import { defineKind } from '../shared/kind.js';

export const cares = defineKind<Care>({
  name: 'cares',
  one: 'care of a stone',
  schema: careSchema,
  columns: {
    abrasiveId: 'text',
    kind: 'text',
    at: 'text',
    who: 'text',
    minutes: 'real',
    hollowUm: 'real',
    notes: 'text',
  },
  sorts: ['at', 'updatedAt', 'createdAt'],
  searches: ['who', 'notes'],
  references: [{ column: 'abrasiveId', to: 'abrasives' }],
  filters: {
    abrasiveId: Joi.string().max(64),
    kind: Joi.string()
      .valid(...CARE_KINDS)
      .messages({ '*': 'Filter by one of the kinds.' }),
  },
});
