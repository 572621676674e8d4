import joiToJson from 'joi-to-json';
import { Joi, type ObjectSchema, type Schema } from '@mellow-anvil/contract';
import {
  backupNameSchema,
  calculations,
  changeSchema,
  honingPlanAnswer,
  honingPlanAsk,
  boardDraftSchema,
  patternQueries,
  planDraftSchema,
  printQuerySchema,
  removalSchema,
  runEventsSchema,
  storedSchema,
  workshopSchema,
} from '@mellow-anvil/contract';
import { setImportSchema } from '../abrasives/sets.routes.js';
import { settings } from '../settings/settings.js';
import { KINDS } from '../shared/kinds.js';
import type { Kind, KindName } from '../shared/kind.js';
import { VERSION } from '../shared/version.js';

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

/** `GET /api/openapi.json`: every route, described by the schemas that check it. */
export function openApi(): Json {
  const paths: Record<string, Json> = {};
  for (const kind of KINDS.filter(({ name }) => name !== 'settings'))
    Object.assign(paths, resourcePaths(kind));
  for (const [name, { title, input, output }] of Object.entries(calculations)) {
    paths[`/api/calc/${name}`] = { post: operation(title, { body: input, answer: output }) };
  }
  paths['/api/calc/honing-plan'] = {
    post: operation('The plan the page would show for a tool, from what is stored', {
      body: honingPlanAsk,
      answer: honingPlanAnswer,
    }),
  };
  paths['/api/settings'] = {
    get: operation('Settings of the workshop', {}),
    put: operation('Change the settings', { body: changeSchema(settings.schema, 0) }),
  };
  paths['/api/workshop'] = {
    get: operation('The whole workshop as one file', { answer: workshopSchema }),
    put: operation('Put a workshop file in place of what is stored', { body: workshopSchema }),
  };
  paths['/api/undo'] = { get: operation('What can be undone and redone', {}) };
  const which = Joi.object({ id: Joi.number().integer().min(1).required() });
  paths['/api/undo/undo'] = { post: operation('Take back the newest change', { body: which }) };
  paths['/api/undo/redo'] = { post: operation('Do the last undone change again', { body: which }) };
  const run = { name: 'id', in: 'path', required: true, schema: { type: 'string' } };
  paths['/api/runs'] = { get: operation('Runs at the bench still open', {}) };
  paths['/api/runs/{id}'] = { parameters: [run], get: operation('A run with its events', {}) };
  paths['/api/runs/{id}/run.json'] = { parameters: [run], get: operation('A run as a file', {}) };
  paths['/api/runs/{id}/run.csv'] = {
    parameters: [run],
    get: operation('A run as a table, an event a line', {}),
  };
  paths['/api/runs/{id}/events'] = {
    parameters: [run],
    post: operation('Add events to a run, in order; those stored before are passed over', {
      body: runEventsSchema,
    }),
  };
  paths['/api/records'] = { get: operation('What each tool’s record comes to, by tool id', {}) };
  paths['/api/records/{toolId}'] = {
    parameters: [{ ...run, name: 'toolId' }],
    get: operation('One tool’s record, each entry and what it changed', {}),
  };
  paths['/api/bench'] = { get: operation('How every abrasive stands: care due, rates learned', {}) };
  paths['/api/bench/{id}'] = {
    parameters: [run],
    get: operation('One abrasive’s record: its readings and its care', {}),
  };
  const ofSet = { query: Joi.object({ set: Joi.string().max(40) }) };
  paths['/api/sets/set.json'] = { get: operation('A set of the bench as one open file', ofSet) };
  paths['/api/sets/set.csv'] = { get: operation('A set of the bench as a table', ofSet) };
  paths['/api/sets/import'] = {
    post: operation('Take a set in, from a file or a table: all of it or nothing', { body: setImportSchema }),
  };
  paths['/api/backups'] = {
    get: operation('The backups there are', {}),
    post: operation('Make a backup now', { status: 201 }),
  };
  paths['/api/backups/restore'] = {
    post: operation('Put a backup in place of everything stored', { body: backupNameSchema }),
  };
  paths['/api/backups/open-as-it-is'] = {
    post: operation('Open a damaged workshop that can be read as it is', { status: 204 }),
  };
  paths['/api/backups/begin-anew'] = {
    post: operation('Set a damaged workshop aside and begin an empty one', {}),
  };
  const form = { name: 'form', in: 'path', required: true, schema: { enum: ['pdf', 'svg', 'dxf', 'stl'] } };
  for (const [name, query] of Object.entries(patternQueries)) {
    paths[`/api/patterns/${name}.{form}`] = {
      parameters: [form],
      get: operation('A pattern worked out on the spot, at true size', { query }),
    };
  }
  paths['/api/boards/{id}/board.{form}'] = {
    parameters: [run, form],
    get: operation('A setting board at true size', { query: printQuerySchema }),
  };
  paths['/api/tools/{id}/card.pdf'] = {
    parameters: [run],
    get: operation('A tool’s card', { query: printQuerySchema }),
  };
  paths['/api/health'] = { get: operation('Whether the server and its database answer', {}) };
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

/** What is sent of the kinds the server completes. */
const DRAFTS: Partial<Record<KindName, ObjectSchema>> = {
  plans: planDraftSchema,
  boards: boardDraftSchema,
};

function resourcePaths(kind: Kind<object>): Record<string, Json> {
  const draft = (DRAFTS[kind.name] ?? kind.schema) as ObjectSchema<object>;
  const stored = storedSchema(kind.schema);
  const page = Joi.object({
    items: Joi.array().items(stored).required(),
    page: Joi.number().required(),
    pageSize: Joi.number().required(),
    total: Joi.number().required(),
  });
  const id = { name: 'id', in: 'path', required: true, schema: { type: 'string' } };
  return {
    [`/api/${kind.name}`]: {
      get: operation(`List ${kind.name}`, { query: kind.list, answer: page }),
      post: operation(`Add a ${kind.one}`, { body: draft, answer: stored, status: 201 }),
    },
    [`/api/${kind.name}/{id}`]: {
      parameters: [id],
      get: operation(`Read a ${kind.one}`, { answer: stored }),
      put: operation(`Change a ${kind.one}`, { body: changeSchema(draft), answer: stored }),
      delete: operation(`Remove a ${kind.one}`, { query: removalSchema, status: 204 }),
    },
  };
}

interface Shape {
  readonly query?: ObjectSchema;
  readonly body?: ObjectSchema;
  readonly answer?: ObjectSchema;
  readonly status?: number;
}

function operation(summary: string, { query, body, answer, status = 200 }: Shape): Json {
  const json = (schema: unknown): Json => ({ 'application/json': { schema } });
  return {
    summary,
    ...(query && { parameters: queryParameters(query) }),
    ...(body && { requestBody: { required: true, content: json(schemaOf(body)) } }),
    responses: {
      [status]: { description: 'Done', ...(answer && { content: json(schemaOf(answer)) }) },
      default: {
        description: 'Refused, in words',
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

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
  return toJson(schema as never, mode) as Json;
}
