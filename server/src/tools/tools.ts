import { Joi } from '@mellow-anvil/contract';
import { toolSchema } from '@mellow-anvil/contract';
import { FAMILY_NAMES, STEEL_NAMES, type Tool } from '@mellow-anvil/core/blade';
import { defineKind } from '../shared/kind.js';

export const tools = defineKind<Tool>({
  name: 'tools',
  one: 'tool',
  schema: toolSchema,
  columns: {
    name: 'text',
    family: 'text',
    steel: 'text',
    edge: 'json',
    host: 'json',
    camber: 'json',
    setName: 'text',
    stoneSet: 'text',
    manner: 'text',
    overruling: 'json',
    notes: 'text',
  },
  sorts: ['name', 'family', 'updatedAt', 'createdAt'],
  searches: ['name', 'setName', 'notes'],
  filters: {
    family: Joi.string()
      .valid(...FAMILY_NAMES)
      .messages({ '*': 'Filter by one of the families.' }),
    steel: Joi.string()
      .valid(...STEEL_NAMES)
      .messages({ '*': 'Filter by one of the steels.' }),
    setName: Joi.string().max(80).messages({ '*': 'Filter by the name of a set.' }),
  },
});
