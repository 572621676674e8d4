import type { Settings } from '@mellow-anvil/core/workshop';
import {
  backupListSchema,
  backupNameSchema,
  backupSchema,
  restoredSchema,
  type Backup,
  type BackupList,
  type Restored,
} from './backups.js';
import { beginningSchema, begunSchema } from './beginning.js';
import { calculations } from './calculations.js';
import { Joi, type ObjectSchema, type Schema } from './joi.js';
import {
  PATTERN_FORMS,
  patternQueries,
  printQuerySchema,
  type PatternName,
  type PrintQuery,
} from './patterns.js';
import { honingPlanAnswer, honingPlanAsk } from './plan-answer.js';
import { recordsAnswerSchema, stoneAnswerSchema, stonesAnswerSchema, toolLifeSchema } from './records.js';
import { RESOURCES, type Resource } from './resources.js';
import { runEventsSchema, runSummarySchema, storedRunSchema } from './runs.js';
import { setFileSchema, setImportSchema, setTakenSchema, whichSetSchema } from './set-file.js';
import { settingsSchema } from './settings.js';
import {
  changeSchema,
  listSchema,
  pageSchema,
  removalSchema,
  storedSchema,
  type Change,
  type ListQuery,
  type Page,
  type Stored,
} from './stored.js';
import { commandListSchema, commandSummarySchema, whichCommandSchema } from './undo.js';
import { longWorkSchema } from './work.js';
import { openedSchema, workshopSchema } from './workshop.js';

/** One way to ask the server: what is sent, what comes back. */
export interface Route<Q = unknown, B = unknown, A = unknown> {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** From the server's root, parameters in braces: `/api/runs/{id}/events`. */
  readonly path: string;
  /** What it does, in a line. */
  readonly summary: string;
  readonly query?: ObjectSchema<Q>;
  readonly body?: ObjectSchema<B>;
  /** What comes back as JSON. */
  readonly answer?: Schema<A>;
  /** What else comes back: the kinds of file. */
  readonly files?: readonly string[];
  readonly status?: 200 | 201 | 204;
  /** The values a parameter of the path may have, where they are few. */
  readonly words?: Readonly<Record<string, readonly string[]>>;
}

const route = <Q = unknown, B = unknown, A = unknown>(of: Route<Q, B, A>): Route<Q, B, A> => of;

/** The five ways to ask for a stored kind. */
export interface ResourceRoutes<T extends object, D extends object> {
  readonly list: Route<ListQuery, unknown, Page<Stored<T>>>;
  readonly add: Route<unknown, D, Stored<T>>;
  readonly read: Route<unknown, unknown, Stored<T>>;
  readonly change: Route<unknown, Change<D>, Stored<T>>;
  readonly remove: Route<{ readonly version: number }, unknown, undefined>;
}

function resource<T extends object, D extends object>({
  name,
  one,
  schema,
  draft,
  sorts,
  filters,
}: Resource<T, D>): ResourceRoutes<T, D> {
  const stored = storedSchema(schema);
  const [all, each] = [`/api/${name}`, `/api/${name}/{id}`];
  return {
    list: {
      method: 'get',
      path: all,
      summary: `List ${name}`,
      query: listSchema(sorts, filters),
      answer: pageSchema(stored),
    },
    add: { method: 'post', path: all, summary: `Add a ${one}`, body: draft, answer: stored, status: 201 },
    read: { method: 'get', path: each, summary: `Read a ${one}`, answer: stored },
    change: {
      method: 'put',
      path: each,
      summary: `Change a ${one}`,
      body: changeSchema(draft),
      answer: stored,
    },
    remove: { method: 'delete', path: each, summary: `Remove a ${one}`, query: removalSchema, status: 204 },
  };
}

const settings = Joi.object<Settings & { readonly version: number }>().concat(
  storedSchema(settingsSchema, 0).fork(['id', 'createdAt', 'updatedAt'], (field) => field.optional()),
);

const pattern = (name: PatternName): Route<PrintQuery> =>
  route<PrintQuery>({
    method: 'get',
    path: `/api/patterns/${name}.{form}`,
    summary: 'A pattern worked out on the spot, at true size',
    query: patternQueries[name] as ObjectSchema<PrintQuery>,
    files: PATTERN_FORMS,
    words: { form: PATTERN_FORMS },
  });

/** The patterns that are worked out on the spot. */
export const PATTERN_ROUTES = Object.fromEntries(
  (Object.keys(patternQueries) as PatternName[]).map((name) => [name, pattern(name)]),
) as Readonly<Record<PatternName, Route<PrintQuery>>>;

/** The calculations of the bench maths. */
export const CALCULATION_ROUTES: Readonly<Record<string, Route<unknown, object, object>>> =
  Object.fromEntries(
    Object.entries(calculations).map(([name, { title, input, output }]) => [
      name,
      route<unknown, object, object>({
        method: 'post',
        path: `/api/calc/${name}`,
        summary: title,
        body: input as ObjectSchema<object>,
        answer: output as ObjectSchema<object>,
      }),
    ]),
  );

/** The calculation that asks what is stored. */
export const HONING_PLAN_ROUTE = route({
  method: 'post',
  path: '/api/calc/honing-plan',
  summary: 'The plan the page would show for a tool, from what is stored',
  body: honingPlanAsk,
  answer: honingPlanAnswer,
});

const howLong = Joi.object<{ readonly withinMs?: number }>({
  withinMs: Joi.number()
    .integer()
    .min(1)
    .max(60_000)
    .messages({ '*': 'Say in 1 to 60,000 ms, or wait for all.' }),
});

/** The stored kinds over HTTP. */
export const RESOURCE_ROUTES = {
  tools: resource(RESOURCES.tools),
  guides: resource(RESOURCES.guides),
  boards: resource(RESOURCES.boards),
  abrasives: resource(RESOURCES.abrasives),
  cares: resource(RESOURCES.cares),
  plans: resource(RESOURCES.plans),
  sessions: resource(RESOURCES.sessions),
} as const;

/** Everything else that can be asked of the server. */
export const ROUTES = {
  toolCard: route({
    method: 'get',
    path: '/api/tools/{id}/card.pdf',
    summary: 'A tool’s card',
    query: printQuerySchema,
    files: ['pdf'],
  }),
  boardPattern: route({
    method: 'get',
    path: '/api/boards/{id}/board.{form}',
    summary: 'A setting board at true size',
    query: printQuerySchema,
    files: PATTERN_FORMS,
    words: { form: PATTERN_FORMS },
  }),
  stones: route({
    method: 'get',
    path: '/api/stones',
    summary: 'How every abrasive stands: care due, rates learned',
    answer: stonesAnswerSchema,
  }),
  stone: route({
    method: 'get',
    path: '/api/stones/{id}',
    summary: 'One abrasive’s record: its readings and its care',
    answer: stoneAnswerSchema,
  }),
  setFile: route({
    method: 'get',
    path: '/api/sets/set.json',
    summary: 'A set of stones as one open file',
    query: whichSetSchema,
    answer: setFileSchema,
  }),
  setTable: route({
    method: 'get',
    path: '/api/sets/set.csv',
    summary: 'A set of stones as a table',
    query: whichSetSchema,
    files: ['csv'],
  }),
  takeSetIn: route({
    method: 'post',
    path: '/api/sets/import',
    summary: 'Take a set in, from a file or a table: all of it or nothing',
    body: setImportSchema,
    answer: setTakenSchema,
  }),
  records: route({
    method: 'get',
    path: '/api/records',
    summary: 'What each tool’s record comes to, by tool id',
    query: howLong,
    answer: recordsAnswerSchema,
  }),
  life: route({
    method: 'get',
    path: '/api/records/{toolId}',
    summary: 'One tool’s record, each entry and what it changed',
    answer: toolLifeSchema,
  }),
  runs: route({
    method: 'get',
    path: '/api/runs',
    summary: 'Runs at the bench still open',
    answer: Joi.array().items(runSummarySchema),
  }),
  run: route({
    method: 'get',
    path: '/api/runs/{id}',
    summary: 'A run with its events',
    answer: storedRunSchema,
  }),
  runFile: route({
    method: 'get',
    path: '/api/runs/{id}/run.json',
    summary: 'A run as a file',
    answer: storedRunSchema,
  }),
  runTable: route({
    method: 'get',
    path: '/api/runs/{id}/run.csv',
    summary: 'A run as a table, an event a line',
    files: ['csv'],
  }),
  runEvents: route({
    method: 'post',
    path: '/api/runs/{id}/events',
    summary: 'Add events to a run, in order; those stored before are passed over',
    body: runEventsSchema,
    answer: runSummarySchema,
  }),
  settings: route({
    method: 'get',
    path: '/api/settings',
    summary: 'Settings of the workshop',
    answer: settings,
  }),
  changeSettings: route({
    method: 'put',
    path: '/api/settings',
    summary: 'Change the settings',
    body: changeSchema(settingsSchema, 0),
    answer: settings,
  }),
  workshop: route({
    method: 'get',
    path: '/api/workshop',
    summary: 'The whole workshop as one file',
    answer: workshopSchema,
  }),
  openWorkshop: route({
    method: 'put',
    path: '/api/workshop',
    summary: 'Put a workshop file in place of what is stored',
    body: workshopSchema,
    answer: openedSchema,
  }),
  begin: route({
    method: 'post',
    path: '/api/beginnings',
    summary: 'Put tools, guides and abrasives in place in one change, as a new workshop begins',
    body: beginningSchema,
    answer: begunSchema,
    status: 201,
  }),
  work: route({
    method: 'get',
    path: '/api/work',
    summary: 'Work of seconds that is under way',
    answer: longWorkSchema,
  }),
  commands: route({
    method: 'get',
    path: '/api/undo',
    summary: 'What can be undone and redone',
    answer: commandListSchema,
  }),
  undo: route({
    method: 'post',
    path: '/api/undo/undo',
    summary: 'Take back the newest change',
    body: whichCommandSchema,
    answer: commandSummarySchema,
  }),
  redo: route({
    method: 'post',
    path: '/api/undo/redo',
    summary: 'Do the last undone change again',
    body: whichCommandSchema,
    answer: commandSummarySchema,
  }),
  backups: route<unknown, unknown, BackupList>({
    method: 'get',
    path: '/api/backups',
    summary: 'The backups there are',
    answer: backupListSchema,
  }),
  makeBackup: route<unknown, unknown, Backup>({
    method: 'post',
    path: '/api/backups',
    summary: 'Make a backup now',
    answer: backupSchema,
    status: 201,
  }),
  restore: route<unknown, { name: string }, Restored>({
    method: 'post',
    path: '/api/backups/restore',
    summary: 'Put a backup in place of everything stored',
    body: backupNameSchema,
    answer: restoredSchema,
  }),
  openAsItIs: route({
    method: 'post',
    path: '/api/backups/open-as-it-is',
    summary: 'Open a damaged workshop that can be read as it is',
    status: 204,
  }),
  beginAnew: route<unknown, unknown, Restored>({
    method: 'post',
    path: '/api/backups/begin-anew',
    summary: 'Set a damaged workshop aside and begin an empty one',
    answer: restoredSchema,
  }),
  openApi: route({
    method: 'get',
    path: '/api/openapi.json',
    summary: 'Everything that can be asked of the server, as OpenAPI 3.1',
    answer: Joi.object(),
  }),
  workshopSchema: route({
    method: 'get',
    path: '/api/workshop.schema.json',
    summary: 'The workshop file’s JSON Schema',
    answer: Joi.object(),
  }),
  health: route({
    method: 'get',
    path: '/api/health',
    summary: 'Whether the server and its database answer',
    answer: Joi.object<{ status: 'ok'; version: string; schema: string }>({
      status: Joi.valid('ok').required(),
      version: Joi.string().required(),
      schema: Joi.string().required(),
    }),
  }),
} as const;

/** Every route there is, as they are described. */
export const ALL_ROUTES: readonly Route[] = [
  ...Object.values(RESOURCE_ROUTES).flatMap((routes) => Object.values(routes) as Route[]),
  ...(Object.values(CALCULATION_ROUTES) as Route[]),
  HONING_PLAN_ROUTE as Route,
  ...(Object.values(ROUTES) as Route[]),
  ...(Object.values(PATTERN_ROUTES) as Route[]),
];
