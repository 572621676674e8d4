import { ABRASIVE_KIND_NAMES, CARE_KINDS, type Abrasive, type Care } from '@mellow-anvil/core/abrasive';
import { FAMILY_NAMES, STEEL_NAMES, type Tool } from '@mellow-anvil/core/blade';
import type { Guide, SettingBoard } from '@mellow-anvil/core/guide';
import { SESSION_KINDS, type Session } from '@mellow-anvil/core/record';
import type { Plan } from '@mellow-anvil/core/workshop';
import { abrasiveSchema } from './abrasives.js';
import { boardDraftSchema, boardSchema, type BoardDraft } from './boards.js';
import { careSchema } from './cares.js';
import { guideSchema } from './guides.js';
import { Joi, type ObjectSchema, type Schema } from './joi.js';
import { planDraftSchema, planSchema, type PlanDraft } from './plans.js';
import { sessionSchema } from './sessions.js';
import { toolSchema } from './tools.js';

/** A kind of stored thing as HTTP has it: listed, read, added, changed and removed one by one. */
export interface Resource<T extends object, D extends object = T> {
  readonly name: string;
  /** One of them, as the page says it: “tool”. */
  readonly one: string;
  readonly schema: ObjectSchema<T>;
  /** What is sent, where the server works part of the thing out. */
  readonly draft: ObjectSchema<D>;
  /** Fields a list can be ordered by. */
  readonly sorts: readonly string[];
  /** Fields it can be narrowed by. */
  readonly filters: Readonly<Record<string, Schema>>;
}

const plain = <T extends object>(of: Omit<Resource<T>, 'draft'>): Resource<T> => ({
  ...of,
  draft: of.schema,
});

const byId = Joi.string().max(64);
const oneOfThe = (what: string, words: readonly string[]): Schema =>
  Joi.string()
    .valid(...words)
    .messages({ '*': `Filter by one of the ${what}.` });

/** Everything that is stored one by one. */
export const RESOURCES = {
  tools: plain<Tool>({
    name: 'tools',
    one: 'tool',
    schema: toolSchema,
    sorts: ['name', 'family', 'updatedAt', 'createdAt'],
    filters: {
      family: oneOfThe('families', FAMILY_NAMES),
      steel: oneOfThe('steels', STEEL_NAMES),
      setName: Joi.string().max(80).messages({ '*': 'Filter by the name of a set.' }),
    },
  }),
  guides: plain<Guide>({
    name: 'guides',
    one: 'guide',
    schema: guideSchema,
    sorts: ['name', 'updatedAt', 'createdAt'],
    filters: {},
  }),
  boards: {
    name: 'boards',
    one: 'setting board',
    schema: boardSchema,
    draft: boardDraftSchema,
    sorts: ['name', 'updatedAt', 'createdAt'],
    filters: { guideId: byId },
  } satisfies Resource<SettingBoard, BoardDraft>,
  abrasives: plain<Abrasive>({
    name: 'abrasives',
    one: 'stone',
    schema: abrasiveSchema,
    sorts: ['sizeUm', 'name', 'updatedAt', 'createdAt'],
    filters: { kind: oneOfThe('kinds', ABRASIVE_KIND_NAMES) },
  }),
  cares: plain<Care>({
    name: 'cares',
    one: 'care of a stone',
    schema: careSchema,
    sorts: ['at', 'updatedAt', 'createdAt'],
    filters: { abrasiveId: byId, kind: oneOfThe('kinds', CARE_KINDS) },
  }),
  plans: {
    name: 'plans',
    one: 'plan',
    schema: planSchema,
    draft: planDraftSchema,
    sorts: ['updatedAt', 'createdAt', 'name'],
    filters: { toolId: byId },
  } satisfies Resource<Plan, PlanDraft>,
  sessions: plain<Session>({
    name: 'sessions',
    one: 'entry in the record',
    schema: sessionSchema,
    sorts: ['startedAt', 'updatedAt', 'createdAt'],
    filters: { toolId: byId, kind: oneOfThe('kinds', SESSION_KINDS) },
  }),
} as const;

export type ResourceName = keyof typeof RESOURCES;
