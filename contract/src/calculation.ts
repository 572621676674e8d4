import type Joi from 'joi';

/** One calculation's HTTP face: what goes in, what comes out, and the core function between. */
export interface Calculation {
  readonly title: string;
  readonly input: Joi.ObjectSchema;
  readonly output: Joi.ObjectSchema;
  readonly run: (input: never) => object;
}
