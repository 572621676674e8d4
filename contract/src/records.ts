import {
  type Care,
  CARE_KINDS,
  type CareKind,
  type DueCare,
  type LearnedRate,
  type StoneCare,
  type StoneRecord,
  type StonesRecord,
} from '@mellow-anvil/core/abrasive';
import { USE_MEASURES } from '@mellow-anvil/core/blade';
import { type NextSides, PAST_USUAL, STEERS } from '@mellow-anvil/core/record';
import type {
  CamberState,
  ChipRecord,
  Creep,
  NextAngle,
  EdgeLife,
  EdgeChips,
  EdgeState,
  LastSetting,
  LastUse,
  LifeEntry,
  RateReading,
  Session,
  StropRhythm,
  ToolRecord,
  Wear,
  TipSeen,
} from '@mellow-anvil/core/record';
import {
  type EdgeAtWork,
  type EdgeCurve,
  type FacetNow,
  FACETS,
  type WornTip,
} from '@mellow-anvil/core/work';
import { careSchema } from './cares.js';
import { day, id, instant, oneOf } from './fields.js';
import { Joi, type AnySchema, type ArraySchema, type ObjectSchema } from './joi.js';
import { chipsSchema, sessionSchema, settingSchema, useSchema } from './sessions.js';
import { shape, withFields } from './shape.js';
import type { SessionSetting } from '@mellow-anvil/core/guide';
import { storedSchema, type Stored } from './stored.js';

/** What the tools' records come to, by tool id. */
export type RecordsAnswer = Readonly<Record<string, ToolRecord>>;

/** What a tool's record comes to, with each entry and what it changed. */
export interface ToolLife {
  readonly record: ToolRecord;
  readonly entries: readonly LifeEntry<Stored<Session>>[];
}

/** How every abrasive stands by its own record, and the names of what is off the bench. */
export interface StonesAnswer {
  readonly stones: StonesRecord;
  /** Abrasives since removed that the record may name. */
  readonly gone: readonly { readonly id: string; readonly name: string }[];
}

/** One stone’s record whole. */
export interface StoneAnswer extends StoneRecord {
  readonly readings: readonly RateReading[];
  readonly cares: readonly Stored<Care>[];
}

const figure = Joi.number().required();
const text = Joi.string().required();
/** An object that holds the same sort of thing under names nobody knows beforehand. */
const mapOf = <T extends object>(of: ObjectSchema<T>): ObjectSchema => Joi.object().pattern(Joi.string(), of);
const perFacet = Joi.object(Object.fromEntries(FACETS.map((facet) => [facet, Joi.number()]))).required();

const curve = shape<EdgeCurve>({ camberMm: figure, leanMm: figure });

const tip = shape<WornTip>({
  formedUm: figure,
  leftUm: figure,
  rightUm: figure,
  backMm: figure.optional(),
  nickMm: figure.optional(),
});

const edgeAtWork = shape<EdgeAtWork>({
  atMm: perFacet,
  marksUm: perFacet,
  hollowAtMm: figure.optional(),
  jointMm: figure.optional(),
  steepMm2: figure.optional(),
  curve: curve.optional(),
  tip: tip.required(),
  nickMm: figure,
  recessionMm: figure,
  groundAtMm: figure,
  sidewaysMm: figure,
  steelMm3: figure,
});

const facetNow = shape<FacetNow>({
  facet: oneOf('Face', FACETS),
  angleDeg: figure,
  lengthMm: figure,
  marksUm: figure.optional(),
});

const wear = shape<Wear>({
  spells: figure,
  minutes: figure,
  metresPlaned: figure,
  mortises: figure,
  chips: figure,
  deepestMm: figure,
  stillCutting: Joi.boolean().optional(),
});

const camberState = shape<CamberState>({
  camberMm: figure,
  leanMm: figure,
  pmMm: figure,
  from: oneOf('From', ['entered', 'read', 'made'] as const),
  at: instant.optional(),
  readings: figure,
  factor: figure,
  ratios: Joi.array().items(Joi.number()).required(),
  since: curve.required(),
  against: Joi.object({ camberMm: figure, pmMm: figure }).optional(),
  lastReadMm: figure.optional(),
});

const lastSetting: ObjectSchema<LastSetting> = withFields<SessionSetting, { readonly at: string }>(
  settingSchema,
  { at: instant },
);

const edgeState = shape<EdgeState>({
  work: edgeAtWork.required(),
  facets: Joi.array().items(facetNow).required(),
  tipUm: figure,
  recessionMm: figure,
  landMm: figure.optional(),
  landFrom: oneOf('From', ['entered', 'assumed', 'measured', 'ground'] as const),
  landThenMm: figure.optional(),
  landThenPmMm: figure.optional(),
  honingsSinceThen: figure,
  landAgainst: Joi.object({ landMm: figure, pmMm: figure }).optional(),
  honings: figure,
  backMm: figure,
  steelMm3: figure,
  lastSetting: lastSetting.optional(),
  honedAt: instant.optional(),
  groundAt: instant.optional(),
  tipsSeen: Joi.array()
    .items(shape<TipSeen>({ on: id, low: figure, high: figure.optional() }))
    .optional(),
  camber: camberState.optional(),
  backRim: Joi.object({ mm: figure, backMm: figure }).optional(),
  sharpenedAt: instant.optional(),
  stropsSinceHoned: figure,
  sinceHoned: wear.required(),
  sinceSharpened: wear.required(),
});

const chipRecord = shape<ChipRecord>({ edges: figure, chipped: figure });

const usual = { amount: figure, low: figure, high: figure };
const usualOf = (of: AnySchema): ArraySchema =>
  Joi.array()
    .items(
      Joi.object({ of: of.required(), ...usual, blunt: figure, edges: figure, honingMin: figure.optional() }),
    )
    .required();

const toolRecordSchema = shape<ToolRecord>({
  state: edgeState.required(),
  entries: figure,
  life: shape<EdgeLife>({
    measure: oneOf('Measure', USE_MEASURES),
    shape: figure,
    scale: figure,
    worth: figure,
    shapeDoubt: figure.optional(),
    ...usual,
    blunt: figure,
    unended: figure,
    spell: figure.optional(),
    yearly: figure.optional(),
    inWood: usualOf(Joi.string()),
    atDeg: usualOf(Joi.number()),
    atSides: usualOf(Joi.string()).optional(),
    byHand: usualOf(Joi.string()),
    lent: Joi.object({ tools: figure, blunt: figure }).optional(),
  }).optional(),
  lateCosts: figure.optional(),
  lastUse: shape<LastUse>({
    sessionId: id,
    at: instant,
    who: Joi.string().optional(),
    use: useSchema.required(),
    chips: chipsSchema.optional(),
  }).optional(),
  chips: shape<EdgeChips>({
    edges: figure,
    chipped: figure,
    settingDeg: figure.optional(),
    inWood: mapOf(chipRecord).required(),
  }).required(),
  creep: shape<Creep>({
    setDeg: figure,
    nowDeg: figure,
    steps: figure,
    since: instant,
    keepRatio: figure,
  }).optional(),
  nextAngle: shape<NextAngle>({
    sides: shape<NextSides>({
      leftDeg: figure,
      rightDeg: figure,
      nowLeftDeg: figure,
      nowRightDeg: figure,
      steers: oneOf('Steers', STEERS).optional(),
    }).optional(),
    unusual: oneOf('Unusual', PAST_USUAL).optional(),
    deg: figure,
    nowDeg: figure,
    bestDeg: figure,
    lowDeg: figure,
    highDeg: figure,
    flatter: figure,
    here: figure,
    steeper: figure,
    edges: figure,
  }).optional(),
  stropped: Joi.boolean().required(),
  strop: shape<StropRhythm>({ everyMin: figure, from: figure, spent: Joi.boolean().required() }).optional(),
  honingsPerYear: figure.optional(),
});

export const recordsAnswerSchema = mapOf(toolRecordSchema);

export const toolLifeSchema = shape<ToolLife>({
  record: toolRecordSchema.required(),
  entries: Joi.array()
    .items(
      shape<LifeEntry<Stored<Session>>>({
        session: storedSchema(sessionSchema).required(),
        landBeforeMm: figure.optional(),
        landMm: figure.optional(),
        camberMm: figure.optional(),
        camberPmMm: figure.optional(),
        backMm: figure,
        steelMm3: figure,
        goneMm: figure,
        marksUm: figure.optional(),
      }),
    )
    .required(),
});

const stoneCare = shape<StoneCare>({
  strokes: figure,
  uses: figure,
  minutes: figure,
  // Of a wheel, the day it was dressed.
  lastAt: Joi.alternatives(instant, day).optional(),
  hollowUm: figure.optional(),
  acrossUm: Joi.array().items(Joi.number()).optional(),
  readings: figure,
  wearFactor: figure,
  recharges: figure,
  sheetsLeft: figure.optional(),
  aside: figure.optional(),
  due: shape<DueCare>({ kind: oneOf<CareKind>('Care', CARE_KINDS), minutes: figure }).optional(),
});

const stone = {
  care: stoneCare.required(),
  rate: shape<LearnedRate>({
    factor: figure,
    sd: figure,
    low: figure,
    high: figure,
    readings: figure,
  }).required(),
  slowedTo: figure.optional(),
};

export const stonesAnswerSchema = shape<StonesAnswer>({
  stones: mapOf(shape<StoneRecord>(stone)).required(),
  gone: Joi.array()
    .items(shape<StonesAnswer['gone'][number]>({ id, name: text }))
    .required(),
});

export const stoneAnswerSchema = shape<StoneAnswer>({
  ...stone,
  readings: Joi.array()
    .items(
      shape<RateReading>({
        abrasiveId: id,
        sessionId: id,
        toolId: id,
        at: instant,
        by: oneOf('By', ['measured', 'nick', 'land', 'burr'] as const),
        ratio: figure,
        sd: figure,
        honings: figure,
        looked: Joi.object({ upTo: figure.optional() }).optional(),
        beside: figure,
      }),
    )
    .required(),
  cares: Joi.array().items(storedSchema(careSchema)).required(),
});
