import type { ObjectSchema } from './joi.js';

/** One calculation's HTTP face: what goes in, what comes out, and the core function between. */
export interface Calculation {
  readonly title: string;
  readonly input: ObjectSchema;
  readonly output: ObjectSchema;
  readonly run: (input: never) => object;
}
