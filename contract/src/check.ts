import type { Schema } from './joi.js';

/** What is wrong with one field, and what to change. */
export interface FieldProblem {
  /** Dotted path, such as `edge.secondaryDeg`; empty for the whole body. */
  readonly field: string;
  readonly message: string;
}

/** A refusal as it crosses HTTP: RFC 9457 problem details, with each field's own sentence. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly errors?: readonly FieldProblem[];
}

export type Checked<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly errors: readonly FieldProblem[] };

const SENTENCES = {
  'object.unknown': '“{#key}” is not a field here: leave it out.',
  'object.base': 'This has to be an object with named fields.',
  'array.base': 'This has to be a list.',
  'array.max': 'The list is too long: keep it to {#limit}.',
  'array.min': 'The list is too short: give at least {#limit}.',
  'array.unique': 'The same entry stands here twice: give each its own.',
  'any.required': '“{#key}” is missing.',
  'any.unknown': '“{#key}” has no place here: leave it out.',
  'boolean.base': 'Answer true or false.',
  'string.base': 'Write text.',
  'string.empty': 'This is empty.',
  'number.base': 'Write a number.',
} as const;

/**
 * Checks a value against a schema of this contract, as the page and the server both do. Nothing is
 * converted: "12" is not 12. At most twenty problems are told.
 * @param convert whether to read numbers from text, for query strings only
 */
export function check<T>(schema: Schema<T>, value: unknown, convert = false): Checked<T> {
  // What is right is told apart first: Joi puts our sentences together anew at every field it comes to.
  const quick = schema.validate(value, { convert });
  if (!quick.error) return { ok: true, value: quick.value as T };
  const { error } = schema.validate(value, {
    abortEarly: false,
    convert,
    messages: SENTENCES,
    errors: { label: false },
  });
  const errors = (error ?? quick.error).details.slice(0, 20).map(({ path, message }) => ({
    field: path.join('.').slice(0, 200),
    message: message.slice(0, 400),
  }));
  return { ok: false, errors };
}
