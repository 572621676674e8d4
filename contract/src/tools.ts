import Joi from 'joi';
import {
  FAMILY_NAMES,
  RACK_STATES,
  STEEL_NAMES,
  type HostPlane,
  type Overruling,
  type Tool,
} from '@mellow-anvil/core';
import { edge } from './edges.js';
import { instant, line, notes, number, oneOf } from './fields.js';

const host = Joi.object<HostPlane, true>({
  bedDeg: number('bedDeg'),
  orientation: oneOf('Orientation', ['bevel-down', 'bevel-up'] as const),
});

const overruling = Joi.object<Overruling, true>({
  state: oneOf('State', RACK_STATES),
  at: instant,
  why: line('Why', 200).optional(),
});

export const toolSchema = Joi.object<Tool, true>({
  name: line('Name'),
  family: oneOf('Family', FAMILY_NAMES),
  steel: oneOf('Steel', STEEL_NAMES),
  edge: edge as never,
  host: host.optional(),
  setName: line('Set').optional(),
  overruling: overruling.optional() as never,
  notes: notes.optional(),
});
