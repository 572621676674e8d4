import { Joi } from './joi.js';
import { shape } from './shape.js';

/** The header of an answer that holds what was known before, where it is being reckoned anew: ask again. */
export const STILL_RECKONING = 'X-Still-Reckoning';

/** Work of seconds that is under way on the server. */
export interface LongWorkNow {
  readonly what: string;
  /** How much of it is done, out of how much; nothing of nothing before it has begun. */
  readonly done: number;
  readonly of: number;
}

export const longWorkSchema = Joi.array().items(
  shape<LongWorkNow>({
    what: Joi.string().required(),
    done: Joi.number().required(),
    of: Joi.number().required(),
  }),
);
