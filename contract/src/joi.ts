import base, {
  type AlternativesSchema,
  type AnySchema,
  type ArraySchema,
  type BooleanSchema,
  type CustomHelpers,
  type NumberSchema,
  type ObjectSchema,
  type Schema,
  type SchemaMap,
  type State,
  type StrictSchemaMap,
  type StringSchema,
} from 'joi';

export type {
  AlternativesSchema,
  AnySchema,
  ArraySchema,
  BooleanSchema,
  NumberSchema,
  ObjectSchema,
  Schema,
  SchemaMap,
  State,
  StrictSchemaMap,
  StringSchema,
};

/**
 * Joi that refuses a list or a text over its limit before it looks into it: Joi itself asks every rule of
 * every entry first, a million of them if so many are sent, and runs patterns over any length.
 */
export const Joi = base.extend(
  { type: 'array', base: base.array(), validate: lengthFirst('array.max') },
  { type: 'string', base: base.string(), validate: lengthFirst('string.max') },
) as typeof base;

function lengthFirst(code: string) {
  return (value: unknown, helpers: CustomHelpers): { value: unknown; errors: unknown } | undefined => {
    // The types leave out what Joi's own rules use to read their neighbours.
    const { schema } = helpers as unknown as {
      schema: { $_getRule(name: string): { args?: { limit?: unknown } } | undefined };
    };
    const limit = schema.$_getRule('max')?.args?.limit;
    const { length } = value as string | readonly unknown[];
    return typeof limit === 'number' && length > limit
      ? { value, errors: helpers.error(code, { limit, value, encoding: undefined }) }
      : undefined;
  };
}
