import Joi from 'joi';
import { WORKSHOP_FORMAT, type Workshop } from '@mellow-anvil/core';
import { abrasiveSchema } from './abrasives.js';
import { boardSchema } from './boards.js';
import { careSchema } from './cares.js';
import { id, line } from './fields.js';
import { guideSchema } from './guides.js';
import { planSchema } from './plans.js';
import { packingSchema } from './settings.js';
import { sessionSchema } from './sessions.js';
import { toolSchema } from './tools.js';

const collection = (schema: Joi.ObjectSchema, most: number, needed = true): never =>
  Joi.array()
    .items(schema.keys({ id }))
    .max(most)
    .unique('id')
    .presence(needed ? 'required' : 'optional')
    .messages({ 'array.unique': 'Two entries share an id: give each its own.' }) as never;

/** The open workshop file: everything a person carries away, in one JSON. */
export const workshopSchema = Joi.object<Workshop, true>({
  format: Joi.string<'mellow-anvil-workshop'>()
    .valid('mellow-anvil-workshop')
    .required()
    .messages({ '*': 'This is not a workshop file: its “format” is not “mellow-anvil-workshop”.' }),
  version: Joi.number<typeof WORKSHOP_FORMAT>()
    .valid(WORKSHOP_FORMAT)
    .required()
    .messages({
      '*': `This release reads workshop files of version ${WORKSHOP_FORMAT}; save the file with a matching release.`,
    }),
  name: line('Name of the workshop'),
  tools: collection(toolSchema, 2000),
  guides: collection(guideSchema, 200),
  abrasives: collection(abrasiveSchema, 500),
  plans: collection(planSchema, 20000),
  sessions: collection(sessionSchema, 100000),
  boards: collection(boardSchema, 200, false),
  cares: collection(careSchema, 100000, false),
  removedAbrasives: collection(abrasiveSchema, 500, false),
  packing: packingSchema.optional() as never,
});
