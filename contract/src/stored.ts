import { Joi, type NumberSchema, type ObjectSchema, type Schema } from './joi.js';
import { shape, withFields } from './shape.js';
import { id } from './fields.js';

/** What the server keeps beside a thing. */
interface Kept {
  readonly id: string;
  /** Rises by one with every change; a change must name the version it was made from. */
  readonly version: number;
  readonly createdAt: string;
  readonly updatedAt: string;
}

/** A thing as the server keeps it. */
export type Stored<T> = T & Kept;

/** A changed thing, with the version it was changed from. */
export type Change<T> = T & { readonly version: number };

const version = (least: number): NumberSchema =>
  Joi.number()
    .integer()
    .min(least)
    .required()
    .messages({ '*': 'Give the version this change was made from.' });

/**
 * The schema of a change: the whole thing, and the version it was made from.
 * @param least 0 for a thing that has defaults before it is first stored
 */
export function changeSchema<T extends object>(schema: ObjectSchema<T>, least = 1): ObjectSchema<Change<T>> {
  return withFields<T, { readonly version: number }>(schema, { version: version(least) });
}

/** The query of a removal: `?version=3`. */
export const removalSchema = Joi.object<{ version: number }>({ version: version(1) });

/**
 * The schema of a thing as the server answers it.
 * @param least 0 for a thing that has defaults before it is first stored
 */
export function storedSchema<T extends object>(schema: ObjectSchema<T>, least = 1): ObjectSchema<Stored<T>> {
  const when = Joi.string().isoDate().required();
  return withFields<T, Kept>(schema, {
    id,
    version: version(least),
    createdAt: when,
    updatedAt: when,
  });
}

/** One page of a list. */
export interface Page<T> {
  readonly items: readonly T[];
  readonly page: number;
  readonly pageSize: number;
  readonly total: number;
}

export interface ListQuery {
  readonly q?: string;
  readonly sort: string;
  readonly page: number;
  readonly pageSize: number;
  readonly [filter: string]: unknown;
}

/**
 * The query of a list: text, filters, order and page.
 * @param sorts fields it can be ordered by; `-name` turns the order round
 * @param filters further fields it can be narrowed by
 */
export function listSchema(
  sorts: readonly string[],
  filters: Readonly<Record<string, Schema>> = {},
): ObjectSchema<ListQuery> {
  const orders = sorts.flatMap((field) => [field, `-${field}`]);
  const counted = { '*': 'Pages are counted from 1, with 1 to 500 entries each.' };
  return Joi.object<ListQuery>({
    q: Joi.string().max(100).messages({ '*': 'Search for 1 to 100 characters.' }),
    sort: Joi.string()
      .valid(...orders)
      .default(sorts[0])
      .messages({
        'any.only': `Sort by ${sorts.join(', ')}, with a minus before it to turn the order round.`,
      }),
    page: Joi.number().integer().min(1).max(1e6).default(1).messages(counted),
    pageSize: Joi.number().integer().min(1).max(500).default(100).messages(counted),
    ...filters,
  });
}

/** The schema of one page of a list. */
export const pageSchema = <T extends object>(item: ObjectSchema<T>): ObjectSchema<Page<T>> =>
  shape<Page<T>>({
    items: Joi.array().items(item).required(),
    page: Joi.number().required(),
    pageSize: Joi.number().required(),
    total: Joi.number().required(),
  });
