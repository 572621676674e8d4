import type { Abrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import type { Guide } from '@mellow-anvil/core/guide';
import { Joi } from './joi.js';
import { RESOURCES } from './resources.js';
import { shape } from './shape.js';

/** What a new workshop begins with. */
export interface Beginning {
  readonly tools: readonly Tool[];
  readonly guides: readonly Guide[];
  readonly abrasives: readonly Abrasive[];
}

/** The tools it put in place, in their order. */
export interface Begun {
  readonly toolIds: readonly string[];
}

/** More is a file’s matter. */
const MOST = 20;

export const beginningSchema = shape<Beginning>({
  tools: Joi.array().items(RESOURCES.tools.schema).max(MOST).required(),
  guides: Joi.array().items(RESOURCES.guides.schema).max(MOST).required(),
  abrasives: Joi.array().items(RESOURCES.abrasives.schema).max(MOST).required(),
});

export const begunSchema = shape<Begun>({ toolIds: Joi.array().items(Joi.string()).required() });
