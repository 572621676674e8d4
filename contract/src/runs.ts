import { Joi, type AlternativesSchema, type SchemaMap } from './joi.js';
import { shape } from './shape.js';
import { CARE_KINDS } from '@mellow-anvil/core/abrasive';
import { COUNTS, MANNERS } from '@mellow-anvil/core/blade';
import {
  type BackHollow,
  type BenchStep,
  type Lift,
  type RunGrinding,
  type Station,
  type StationKind,
  STROP_PURPOSES,
} from '@mellow-anvil/core/plan';
import { BURRS, PROOFS } from '@mellow-anvil/core/record';
import {
  BURR_FEELS,
  BURR_PLACES,
  COLOUR_LEFT,
  HEATS,
  LIGHTS,
  SEEN_FROM_END,
  POLISHES,
  type PutIn,
  type RunEvent,
  type RunFactKind,
  type RunPlan,
  SHAKES,
  SKIPS,
} from '@mellow-anvil/core/run';
import { FACETS } from '@mellow-anvil/core/work';
import { id, instant, line, number, oneOf, whole } from './fields.js';
import { conditionSchema, laidSchema, roundsSchema } from './plans.js';
import { placesSchema, settingSchema } from './sessions.js';

/** Events one request may bring: what a tablet gathers in a long spell without the server. */
export const EVENTS_AT_ONCE = 500;

const flag = Joi.boolean().optional();

const side = Joi.number().valid(0, 1).optional();

const planStep = shape<BenchStep>({
  abrasiveId: id,
  strokes: whole('strokes'),
  forceN: number('forceN').optional(),
  bothWays: flag,
  count: oneOf('Count', COUNTS).optional(),
  facet: oneOf('Face', FACETS).optional(),
  back: flag,
  side,
  afterBurr: flag,
  lastN: number('forceN').optional(),
  purpose: oneOf('Purpose', STROP_PURPOSES).optional(),
  lowerDeg: number('layLowerDeg').optional(),
  places: placesSchema.optional(),
  curve: flag,
  evens: flag,
  rounds: roundsSchema.optional(),
  along: laidSchema.optional(),
});

const passes = {
  passes: whole('passes').optional(),
  passS: number('seconds', 'A pass').optional(),
  dipS: number('seconds', 'A dip').optional(),
};
const grinding = shape<RunGrinding>({ wheelId: id, stopShortMm: number('stopShortMm'), ...passes });

const stepAt = Joi.number().integer().min(0).max(1000).required();
const facet = oneOf('Face', FACETS).optional();
const stationAt = Joi.number().integer().min(0).max(2000).required();

/** What each kind of station carries. */
const STATIONS: Readonly<Record<StationKind, SchemaMap>> = {
  ready: {},
  isolate: {},
  care: { abrasiveId: id, care: oneOf('Care', CARE_KINDS), after: flag },
  look: {},
  template: {},
  joint: { nickMm: number('nickMm') },
  grind: { grinding: grinding.required(), pastColour: flag },
  hollow: {
    hollowing: shape<BackHollow>({
      wheelId: id,
      rimMm: number('edgeRimMm'),
      hollows: whole('backPasses'),
      chordMm: number('hollowMm'),
      depthMm: number('hollowDeepMm'),
      ...passes,
    }).required(),
  },
  heat: {},
  set: { setting: settingSchema.required(), facet },
  lift: {
    facet,
    lift: shape<Lift>({
      bevelDeg: number('angleDeg', 'Bevel'),
      liftMm: number('packingMm', 'Lift').optional(),
      rightDeg: number('angleDeg', 'Bevel on the right').optional(),
      rightMm: number('packingMm', 'Lift on the right').optional(),
      sides: Joi.number().valid(1, 2).required(),
    }).required(),
  },
  marker: { steeper: flag, wheel: flag, side },
  'colour-back': {},
  stone: { step: stepAt },
  polished: { step: stepAt },
  straight: { step: stepAt },
  burr: { wanted: flag, side, step: stepAt.optional() },
  wash: { oil: flag },
  even: { step: stepAt },
  scratch: { step: stepAt, sheet: Joi.boolean().optional() },
  'burr-off': { abrasiveId: id.optional(), strokes: whole('strokes').optional() },
  nail: {},
  proof: { before: flag },
  wipe: {},
  refit: {},
  away: {},
};

/** One of several objects told apart by their `kind`, each with fields of its own. */
function byKind<T>(
  fields: Readonly<Record<string, SchemaMap>>,
  beside: SchemaMap = {},
): AlternativesSchema<T> {
  const kinds = Object.keys(fields);
  return Joi.alternatives<T>().conditional('.kind', {
    switch: kinds.map((kind) => ({
      is: kind,
      then: Joi.object({ ...beside, kind: Joi.valid(kind).required(), ...fields[kind] }),
    })),
    otherwise: Joi.object({ kind: oneOf('Kind', kinds) }).unknown(),
  });
}

const station = byKind<Station>(STATIONS);

const plan = shape<RunPlan>({
  toolId: id,
  condition: conditionSchema,
  landMm: number('landMm').optional(),
  finishUm: number('finishUm'),
  forceN: number('forceN'),
  strokesPerMin: number('strokesPerMin'),
  setting: settingSchema.optional(),
  who: line('Who', 60).optional(),
  grinding: grinding.optional(),
  manner: oneOf('Manner', MANNERS).optional(),
  steps: Joi.array().items(planStep).min(1).max(100).required(),
  order: Joi.array().items(station).min(1).max(300).optional(),
})
  .custom((value: RunPlan, helpers) => {
    const lost = (value.order ?? []).find((each) => 'step' in each && (each.step ?? 0) >= value.steps.length);
    return lost ? helpers.error('order.step') : value;
  })
  .messages({ 'order.step': 'The order of work names a step the plan does not have.' })
  .required();

const feels = Joi.array()
  .items(oneOf('Burr', BURR_FEELS).optional())
  .length(BURR_PLACES)
  .messages({ 'array.length': `A burr is felt at ${BURR_PLACES} places, left to right.` });

const noted = ['look', 'marker', 'burr', 'wash', 'burr-off', 'nail', 'proof', 'wipe'];
const work = byKind<PutIn>({
  strokes: { abrasiveId: id, strokes: whole('strokeCount').min(1) },
  ...Object.fromEntries(noted.map((kind) => [kind, {}])),
}).required();

/** What each kind of event carries beside its identity, place and time. */
const FACTS: Readonly<Record<RunFactKind, SchemaMap>> = {
  begun: { plan },
  strokes: { count: whole('strokeCount') },
  'counted-by': { by: oneOf('Count', COUNTS) },
  done: {},
  'not-yet': {},
  burr: { burr: oneOf('Burr', BURRS), places: feels.optional(), other: feels.optional() },
  marked: {
    left: Joi.array()
      .items(oneOf('Colour left', COLOUR_LEFT).optional())
      .unique()
      .max(COLOUR_LEFT.length)
      .required(),
  },
  scratched: { gone: Joi.boolean().required() },
  heated: { heat: oneOf('Heat', HEATS) },
  polished: { polish: oneOf('Polished', POLISHES) },
  lit: { light: oneOf('Light', LIGHTS) },
  evened: { seen: oneOf('Seen from its end', SEEN_FROM_END) },
  shook: {
    places: Joi.array().items(oneOf('Shaking', SHAKES).optional()).unique().max(SHAKES.length).required(),
  },
  back: {},
  go: { station: stationAt },
  skipped: { why: oneOf('Why', SKIPS) },
  again: { station: stationAt },
  'put-in': { work },
  confirmed: { what: oneOf('What', ['eyes', 'isolated'] as const) },
  proved: {
    test: oneOf('Test', PROOFS),
    passed: Joi.boolean().required(),
    thickMm: number('shavingMm').optional(),
    wideMm: number('shavingWidthMm').optional(),
    newtons: number('newtons').optional(),
    grams: number('grams').optional(),
  },
  finished: {},
  'thrown-away': {},
};

/** One event of a run at the bench. */
export const runEventSchema = byKind<RunEvent>(FACTS, { id, seq: whole('eventSeq'), at: instant });

/** Events to be added to a run, in order. */
export const runEventsSchema = shape<{ events: readonly RunEvent[] }>({
  events: Joi.array().items(runEventSchema).min(1).max(EVENTS_AT_ONCE).required(),
});

/** A run as the server lists it. */
export interface RunSummary {
  readonly id: string;
  readonly toolId: string;
  readonly state: 'open' | 'finished' | 'thrown-away';
  readonly startedAt: string;
  /** `seq` of the event that comes next: everything before it is stored. */
  readonly next: number;
}

/** A run with all its events. */
export interface StoredRun extends RunSummary {
  readonly events: readonly RunEvent[];
}

const summary = {
  id,
  toolId: id,
  state: oneOf('State', ['open', 'finished', 'thrown-away'] as const),
  startedAt: instant,
  next: Joi.number().integer().required(),
};
export const runSummarySchema = shape<RunSummary>(summary);
export const storedRunSchema = shape<StoredRun>({
  ...summary,
  events: Joi.array().items(runEventSchema).required(),
});
