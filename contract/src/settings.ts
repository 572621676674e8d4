import Joi from 'joi';
import type { Settings } from '@mellow-anvil/core';
import { line, oneOf } from './fields.js';

export const settingsSchema = Joi.object<Settings, true>({
  name: line('Name of the workshop'),
  units: oneOf('Units', ['mm', 'inch'] as const),
  decimalMark: oneOf('Decimal mark', ['point', 'comma'] as const),
});
