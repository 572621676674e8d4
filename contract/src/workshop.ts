import { Joi, type ArraySchema, type ObjectSchema } from './joi.js';
import { INSTANT_PATTERN, readInstant } from '@mellow-anvil/core/base';
import { type Workshop, WORKSHOP_FORMAT } from '@mellow-anvil/core/workshop';
import { abrasiveSchema } from './abrasives.js';
import { boardSchema } from './boards.js';
import { careSchema } from './cares.js';
import { check, type Checked, type FieldProblem } from './check.js';
import { id, line } from './fields.js';
import { FILE_SLACK, MOST } from './limits.js';
import { guideSchema } from './guides.js';
import { planSchema } from './plans.js';
import type { ResourceName } from './resources.js';
import { shape } from './shape.js';
import { packingSchema } from './settings.js';
import { sessionSchema } from './sessions.js';
import { toolSchema } from './tools.js';

/** What each collection of the file holds, how many at most, and whether a file has to have it. */
const COLLECTIONS = {
  tools: { item: toolSchema, like: 'tools', needed: true },
  guides: { item: guideSchema, like: 'guides', needed: true },
  abrasives: { item: abrasiveSchema, like: 'abrasives', needed: true },
  plans: { item: planSchema, like: 'plans', needed: true },
  sessions: { item: sessionSchema, like: 'sessions', needed: true },
  boards: { item: boardSchema, like: 'boards', needed: false },
  cares: { item: careSchema, like: 'cares', needed: false },
  removedAbrasives: { item: abrasiveSchema, like: 'cares', needed: false },
} as const satisfies Record<string, { item: ObjectSchema; like: keyof typeof MOST; needed: boolean }>;
type Collection = keyof typeof COLLECTIONS;
const NAMES = Object.keys(COLLECTIONS) as Collection[];

/** Everything but what the collections hold. */
const list = (name: Collection): ArraySchema =>
  Joi.array()
    .max(MOST[COLLECTIONS[name].like] * FILE_SLACK)
    .presence(COLLECTIONS[name].needed ? 'required' : 'optional');

const around = {
  format: Joi.string<'mellow-anvil-workshop'>()
    .valid('mellow-anvil-workshop')
    .required()
    .messages({ '*': 'This is not a workshop file: its “format” is not “mellow-anvil-workshop”.' }),
  version: Joi.number<typeof WORKSHOP_FORMAT>()
    .valid(WORKSHOP_FORMAT)
    .required()
    .messages({
      '*': `This release reads workshop files of version ${WORKSHOP_FORMAT}; save the file with a matching release.`,
    }),
  name: line('Name of the workshop'),
  packing: packingSchema.optional(),
};

const everyList = <S>(schemaOf: (name: Collection) => S): Record<Collection, S> =>
  Object.fromEntries(NAMES.map((name) => [name, schemaOf(name)])) as Record<Collection, S>;

const shell = Joi.object<Workshop>({ ...around, ...everyList(list) });
const items = everyList((name) => (COLLECTIONS[name].item as ObjectSchema).keys({ id }));

/**
 * The open workshop file, described whole: everything a person carries away, in one JSON. What reads a file
 * is {@link readWorkshop}, which asks the same of it entry by entry.
 */
export const workshopSchema = Joi.object<Workshop>({
  ...around,
  ...everyList((name) => list(name).items(items[name]).unique('id')),
});

/** Faults told of one file: enough to see what is wrong with it. */
const MOST_FAULTS = 20;

/**
 * Reads a workshop file of this release or an older one. Lists that are too long are refused before their
 * entries are looked at, and the first faults end the looking.
 * @param progress told of every entry looked at
 */
export function readWorkshop(
  body: unknown,
  progress: (done: number, of: number) => void = () => undefined,
): Checked<Workshop> {
  const outside = check(shell, body);
  if (!outside.ok) return outside;
  const file = outside.value;
  const faults: FieldProblem[] = [];
  const entriesOfAll = NAMES.reduce(
    (sum, name) => sum + ((file[name] as readonly unknown[] | undefined)?.length ?? 0),
    0,
  );
  let looked = 0;
  const read = NAMES.map((name): [Collection, readonly unknown[] | undefined] => {
    const entries = file[name] as readonly unknown[] | undefined;
    if (entries === undefined) return [name, undefined];
    const seen = new Set<string>();
    const good: unknown[] = [];
    for (const [i, entry] of entries.entries()) {
      if (faults.length >= MOST_FAULTS) break;
      progress((looked += 1), entriesOfAll);
      const result = check<{ id: string }>(items[name], withTodaysInstants(name, entry));
      if (!result.ok) {
        faults.push(...result.errors.map(({ field, message }) => ({ field: at(name, i, field), message })));
        continue;
      }
      if (seen.has(result.value.id)) {
        faults.push({ field: at(name, i, 'id'), message: 'Two entries share an id: give each its own.' });
      }
      seen.add(result.value.id);
      good.push(result.value);
    }
    return [name, good];
  });
  if (faults.length > 0) return { ok: false, errors: faults.slice(0, MOST_FAULTS) };
  const lists = Object.fromEntries(read.filter(([, entries]) => entries !== undefined));
  return { ok: true, value: { ...file, ...lists } };
}

const at = (name: Collection, i: number, field: string): string =>
  `${name}.${i}${field === '' ? '' : `.${field}`}`;

/** Where entries keep an instant. */
const INSTANTS: Partial<Record<Collection, string>> = {
  sessions: 'startedAt',
  cares: 'at',
  abrasives: 'learnFrom',
  removedAbrasives: 'learnFrom',
};

/** An entry with its instants as they are written today: files of releases up to 0.7.0 took any form of ISO 8601. */
function withTodaysInstants(name: Collection, entry: unknown): unknown {
  if (typeof entry !== 'object' || entry === null) return entry;
  const field = INSTANTS[name];
  const thing = field === undefined ? entry : inTodaysForm(entry, field);
  const { overruling } = thing as { overruling?: unknown };
  return name === 'tools' && typeof overruling === 'object' && overruling !== null
    ? { ...thing, overruling: inTodaysForm(overruling, 'at') }
    : thing;
}

function inTodaysForm(thing: object, field: string): object {
  const text = (thing as Readonly<Record<string, unknown>>)[field];
  if (typeof text !== 'string' || text.length > 40 || INSTANT_PATTERN.test(text)) return thing;
  const now = readInstant(text);
  return now === undefined ? thing : { ...thing, [field]: now };
}

/** What a workshop file brought: the workshop’s name, and how many of each kind. */
export interface Opened {
  readonly name: string;
  readonly counts: Readonly<Record<ResourceName, number>>;
}

export const openedSchema = shape<Opened>({
  name: Joi.string().required(),
  counts: Joi.object().pattern(Joi.string(), Joi.number()).required(),
});
