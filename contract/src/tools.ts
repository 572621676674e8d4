import Joi from 'joi';
import { FAMILY_NAMES, STEEL_NAMES, type HostPlane, type Tool } from '@mellow-anvil/core';
import { edge } from './edges.js';
import { line, notes, number, oneOf } from './fields.js';

const host = Joi.object<HostPlane, true>({
  bedDeg: number('bedDeg'),
  orientation: oneOf('Orientation', ['bevel-down', 'bevel-up'] as const),
});

export const toolSchema = Joi.object<Tool, true>({
  name: line('Name'),
  family: oneOf('Family', FAMILY_NAMES),
  steel: oneOf('Steel', STEEL_NAMES),
  edge: edge as never,
  host: host.optional(),
  setName: line('Set').optional(),
  notes: notes.optional(),
});
