import {
  Joi,
  type AlternativesSchema,
  type ArraySchema,
  type BooleanSchema,
  type NumberSchema,
  type ObjectSchema,
  type StringSchema,
} from './joi.js';

/** The schemas that may stand for a field, by the type of what it holds; one of several serves for any. */
type SchemaOf<V> =
  | AlternativesSchema
  | ([V] extends [number]
      ? NumberSchema
      : [V] extends [boolean]
        ? BooleanSchema
        : [V] extends [string]
          ? StringSchema
          : [V] extends [readonly unknown[]]
            ? ArraySchema
            : ObjectSchema);

/** A schema for every field of `T`, those that may be left out among them. */
export type Fields<T> = { readonly [K in keyof T]-?: SchemaOf<NonNullable<T[K]>> };

/**
 * The schema of an object of `T`: the compiler sees to it that every field of the type is asked for, that none is
 * asked for which it has not, and that each is of its kind.
 * @example
 * shape<Chips>({ count: whole('chips'), deepestMm: number('nickMm').optional() })
 */
export const shape = <T extends object>(fields: Fields<T>): ObjectSchema<T> => Joi.object<T>({ ...fields });

/** A schema with more fields. */
export const withFields = <T extends object, More extends object>(
  schema: ObjectSchema<T>,
  fields: Fields<More>,
): ObjectSchema<T & More> => (schema as ObjectSchema<object>).keys({ ...fields }) as ObjectSchema<T & More>;
