import { Joi } from '@mellow-anvil/contract';
import { sessionSchema } from '@mellow-anvil/contract';
import { type Session, SESSION_KINDS } from '@mellow-anvil/core/record';
import { defineKind } from '../shared/kind.js';

export const sessions = defineKind<Session>({
  name: 'sessions',
  one: 'entry in the record',
  schema: sessionSchema,
  columns: {
    toolId: 'text',
    kind: 'text',
    startedAt: 'text',
    minutes: 'real',
    who: 'text',
    conditionBefore: 'json',
    landMm: 'real',
    camber: 'json',
    landLeftMm: 'real',
    setting: 'json',
    steps: 'json',
    use: 'json',
    chips: 'json',
    outcome: 'json',
    notes: 'text',
  },
  sorts: ['startedAt', 'updatedAt', 'createdAt'],
  searches: ['who', 'notes'],
  references: [{ column: 'toolId', to: 'tools' }],
  filters: {
    toolId: Joi.string().max(64),
    kind: Joi.string()
      .valid(...SESSION_KINDS)
      .messages({ '*': 'Filter by one of the kinds.' }),
  },
});
