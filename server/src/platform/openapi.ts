import joiToJson from 'joi-to-json';
import {
  ALL_ROUTES,
  workshopSchema,
  type ObjectSchema,
  type Route,
  type Schema,
} from '@mellow-anvil/contract';
import { FILE_TYPES } from './file-types.js';
import { VERSION } from './version.js';
import { defineTask } from './task.js';

type Json = Record<string, unknown>;

/** The package is CommonJS with the function itself exported; its types say otherwise. */
const toJson = joiToJson as unknown as typeof joiToJson.parse;

/** The open workshop file's JSON Schema (2019-09), from the schema the server checks it with. */
export function workshopJsonSchema(): Json {
  return {
    $schema: 'https://json-schema.org/draft/2019-09/schema',
    title: 'Mellow Anvil workshop file',
    ...schemaOf(workshopSchema, 'json-draft-2019-09'),
  };
}

/** The server's own description, or the workshop file's, as text. */
export const describeTask = defineTask<'server' | 'file', string>('short', 'describe');

/** `GET /api/openapi.json`: every route of the one table, described by the schemas that check it. */
export function openApi(): Json {
  const paths: Record<string, Json> = {};
  for (const route of ALL_ROUTES) {
    const { path, method } = route;
    const parameters = pathParameters(route);
    paths[path] = {
      ...(parameters.length > 0 && { parameters }),
      ...paths[path],
      [method]: operation(route),
    };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Mellow Anvil',
      version: VERSION,
      description:
        'Units are in the names: Mm, Um, Deg, Mm2, Mm3, N, Min. Refusals are RFC 9457 problem details.',
    },
    paths,
    components: { schemas: { Problem: PROBLEM } },
  };
}

const PROBLEM: Json = {
  type: 'object',
  required: ['type', 'title', 'status', 'detail'],
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string' },
    errors: {
      type: 'array',
      items: {
        type: 'object',
        required: ['field', 'message'],
        properties: { field: { type: 'string' }, message: { type: 'string' } },
      },
    },
  },
};

function pathParameters({ path, words = {} }: Route): Json[] {
  return [...path.matchAll(/\{(\w+)\}/g)].map(([, name = '']) => ({
    name,
    in: 'path',
    required: true,
    schema: words[name] ? { enum: words[name] } : { type: 'string' },
  }));
}

function operation({ summary, query, body, answer, files, status = 200 }: Route): Json {
  const json = (schema: unknown): Json => ({ 'application/json': { schema } });
  const content = answer ? json(schemaOf(answer)) : files && filesOf(files);
  return {
    summary,
    ...(query && { parameters: queryParameters(query) }),
    ...(body && { requestBody: { required: true, content: json(schemaOf(body)) } }),
    responses: {
      [status]: { description: 'Done', ...(content && { content }) },
      default: {
        description: 'Refused, in words',
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

const filesOf = (files: readonly string[]): Json =>
  Object.fromEntries(files.map((file) => [FILE_TYPES[file] ?? 'application/octet-stream', {}]));

function queryParameters(schema: ObjectSchema): Json[] {
  const { properties = {}, required = [] } = schemaOf(schema) as { properties?: Json; required?: string[] };
  return Object.entries(properties).map(([name, shape]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema: shape,
  }));
}

function schemaOf(schema: Schema, mode: 'open-api-3.1' | 'json-draft-2019-09' = 'open-api-3.1'): Json {
  return toJson(schema as Parameters<typeof toJson>[0], mode) as Json;
}
