import { Joi, type NumberSchema, type ObjectSchema } from './joi.js';
import { shape, withFields } from './shape.js';
import { ABRASIVE_KIND_NAMES, CARE_KINDS } from '@mellow-anvil/core/abrasive';
import { type Condition, CONDITIONS, type Fault, FAULTS } from '@mellow-anvil/core/blade';
import {
  ALONG,
  LAID,
  type BackStep,
  type BodyStep,
  type EveningStep,
  type CamberRequest,
  type CamberStep,
  type GrindingStep,
  type GrindRequest,
  type HoningJob,
  type Hollowing,
  type HoningPlan,
  type InsideStep,
  type NextReading,
  type OldBackRequest,
  type PlanCare,
  type PlanRequest,
  type PlanStep,
  type ProgressionStep,
  SCHOOLS,
  type ShapingStep,
  STROP_PURPOSES,
  type StropStep,
  type TooMuch,
  TREATMENTS,
  type Verdict,
  type WayOut,
  WAYS_OUT,
} from '@mellow-anvil/core/plan';
import { type TipsFound, WAYS } from '@mellow-anvil/core/work';
import type { Plan } from '@mellow-anvil/core/workshop';
import { id, line, number, oneOf, whole } from './fields.js';

/** Faults that reach so far, and the one that is an angle. */
const fault = shape<Fault>({
  kind: oneOf('Fault', FAULTS),
  mm: Joi.when('kind', {
    is: Joi.valid('wide-land', 'wrong-angle'),
    then: Joi.forbidden(),
    otherwise: number('faultMm').messages({ 'any.required': 'Say how far it reaches: measure it, in mm.' }),
  }) as unknown as NumberSchema<number>,
  foundDeg: Joi.when('kind', {
    is: 'wrong-angle',
    then: number('bevelDeg', 'The bevel as it is').messages({
      'any.required': 'Say what the bevel measures now, in degrees.',
    }),
    otherwise: Joi.forbidden(),
  }) as unknown as NumberSchema<number>,
});

export const conditionSchema = shape<Condition>({
  kind: oneOf('Condition', CONDITIONS),
  nickMm: Joi.when('kind', {
    is: 'nicked',
    then: number('nickMm').messages({
      'any.required': 'Say how deep the nick is: measure it with a lens and rule, in mm.',
    }),
    otherwise: Joi.forbidden(),
  }) as unknown as NumberSchema<number>,
  tipRadiusUm: number('tipRadiusUm').optional(),
  faults: Joi.array()
    .items(fault)
    .max(FAULTS.length)
    .unique('kind')
    .optional()
    .messages({ 'array.unique': 'The same fault stands here twice: give it once.' }),
}).required();

const grindRequest = shape<GrindRequest>({
  wheelId: id,
  stopShortMm: number('stopShortMm'),
  pushN: number('forceN', 'Push against the wheel'),
});

export const planRequestSchema = shape<PlanRequest>({
  condition: conditionSchema,
  landMm: number('landMm').optional(),
  finishUm: number('finishUm'),
  forceN: number('forceN'),
  strokesPerMin: number('strokesPerMin'),
  minStrokes: whole('minStrokes').optional(),
  maxRatio: number('maxRatio').optional(),
  mostStrokes: whole('mostStrokes').optional(),
  school: oneOf('School', SCHOOLS).optional(),
  order: Joi.array().items(id.optional()).max(60).unique().optional().messages({
    'array.unique': 'A stone stands in the order twice: name it once.',
  }),
  lighter: Joi.boolean().optional(),
  way: oneOf('Stroke', WAYS).optional(),
  strokesEach: whole('strokesEach').optional(),
  along: oneOf('Along the edge', ALONG).optional(),
  set: line('Set', 40).optional(),
  camber: shape<CamberRequest>({
    positions: Joi.number().valid(0, 3, 5).required().messages({ '*': 'Places: choose 0, 3 or 5.' }),
    nowMm: number('camberReadMm', 'Camber now'),
    leanMm: number('leanMm').optional(),
    factor: number('camberFactor').optional(),
  }).optional(),
  oldBack: shape<OldBackRequest>({
    pitsMm: number('pitsMm', 'Deepest pit'),
    wheelId: id.optional(),
  }).optional(),
  stropOnly: Joi.boolean().optional(),
  strop: Joi.boolean().optional(),
  thinBody: Joi.boolean().optional(),
  stropOnStone: Joi.boolean().optional(),
  grind: grindRequest.optional(),
  laidAside: Joi.array().items(id.optional()).max(500).required(),
}).required();

const asked = {
  name: line('Name'),
  toolId: id,
  guideId: id.optional(),
  seatName: line('Seat', 40).optional(),
  request: planRequestSchema,
};

/** What a person sends to keep a plan; the server works the result out. */
export type PlanDraft = Omit<Plan, 'result'>;
export const planDraftSchema = shape<PlanDraft>(asked);

const figure = Joi.number().min(0).max(1e9).required();

export const jobSchema = shape<HoningJob>({
  recessionMm: figure,
  removeMm3: figure,
  contactMm2: figure,
  landBeforeMm: figure,
  landAfterMm: figure,
  wholeBevel: Joi.boolean().required(),
}).required();

export const stepSchema = shape<ProgressionStep>({
  id,
  removeMm3: figure,
  strokes: figure.integer(),
  minutes: figure,
});

const verdict = shape<Verdict>({
  id,
  used: Joi.boolean().required(),
  minutes: figure.optional(),
  why: Joi.string().max(600).required(),
});

export const grindingSchema = shape<GrindingStep>({
  wheelId: id,
  stopShortMm: figure,
  pushN: figure,
  removeMm3: figure,
  minutes: figure,
  landBeforeMm: figure,
  backMm: figure.optional(),
});

const places = Joi.array().items(figure.integer().optional()).max(5);
/** The knives of a set in the jig, round by round. */
export const roundsSchema = Joi.array()
  .items(Joi.array().items(whole('pieces').optional()).min(1).max(12))
  .min(1)
  .max(100);
/** How strokes are laid along an edge longer than its stone. */
export const laidSchema: ObjectSchema = shape<NonNullable<PlanStep['along']>>({
  way: oneOf('Along the edge', LAID),
  visits: whole('visits'),
  tipFirst: Joi.boolean().optional(),
  shares: Joi.array().items(figure.optional()).max(10).optional(),
  turnDeg: figure.optional(),
  patchMm: figure.optional(),
});
const planStep = withFields<ProgressionStep, Omit<PlanStep, keyof ProgressionStep>>(stepSchema, {
  low: figure.integer().optional(),
  high: figure.integer().optional(),
  forceN: figure.optional(),
  places: places.optional(),
  rounds: roundsSchema.optional(),
  along: laidSchema.optional(),
  facet: oneOf('Face', ['secondary', 'micro'] as const).optional(),
});

const camberStep = shape<CamberStep>({
  id,
  places: places.required(),
  strokes: figure.integer(),
  minutes: figure,
  forceN: number('forceN').optional(),
  before: Joi.boolean().required(),
  deviationMm: figure,
  furthestMm: figure,
  middleLossMm: figure,
  steelMm3: figure,
  wantedMm: figure,
  comesToMm: Joi.number().min(-1e3).max(1e3).required(),
  nearest: Joi.object({
    places: places.required(),
    furthestMm: figure,
    middleLossMm: figure,
  }).optional(),
});

const stropStep = shape<StropStep>({
  id,
  strokes: figure.integer(),
  minutes: figure,
  purpose: oneOf('Purpose', STROP_PURPOSES).optional(),
  firstN: figure.optional(),
  lastN: figure.optional(),
  lowerDeg: figure.optional(),
});

export const wayOutSchema = shape<WayOut>({
  way: oneOf('Way out', WAYS_OUT),
  minutes: figure.optional(),
  ask: Joi.object({
    grind: grindRequest.optional(),
    condition: conditionSchema.optional(),
  }).optional(),
  stone: Joi.object({ kind: oneOf('Kind', ABRASIVE_KIND_NAMES), sizeUm: figure }).optional(),
  microDeg: figure.optional(),
  nickMm: figure.optional(),
  honingsAfter: figure.integer().optional(),
  removeMm3: figure.optional(),
});

const tooMuch = shape<TooMuch>({
  id,
  strokes: figure.integer(),
  rubbingMin: figure,
  ofEach: Joi.boolean().optional(),
  ways: Joi.array().items(wayOutSchema).max(10).required(),
});

const result = shape<HoningPlan>({
  treatment: oneOf('Treatment', TREATMENTS).optional(),
  care: Joi.array()
    .items(shape<PlanCare>({ id, kind: oneOf('Care', CARE_KINDS), minutes: figure }))
    .max(500)
    .optional(),
  back: Joi.array()
    .items(
      shape<BackStep>({
        id,
        strokes: figure.integer(),
        minutes: figure,
        low: figure.integer().optional(),
        high: figure.integer().optional(),
        forceN: number('forceN').optional(),
        prepares: Joi.boolean().required(),
        rounds: roundsSchema.optional(),
        along: laidSchema.optional(),
      }),
    )
    .max(500)
    .optional(),
  wholeBackMin: figure.optional(),
  shaping: shape<ShapingStep>({
    id,
    strokes: figure.integer(),
    low: figure.integer().optional(),
    high: figure.integer().optional(),
    minutes: figure,
    forceN: number('forceN').optional(),
  }).optional(),
  evening: shape<EveningStep>({
    id,
    places: places.required(),
    strokes: figure.integer(),
    minutes: figure,
    forceN: figure.optional(),
  }).optional(),
  inside: shape<InsideStep>({
    id,
    strokes: figure.integer(),
    minutes: figure,
    forceN: figure,
  }).optional(),
  body: shape<BodyStep>({
    id,
    strokes: figure.integer(),
    minutes: figure,
    forceN: figure.optional(),
  }).optional(),
  stoneStrop: stropStep.optional(),
  strop: stropStep.optional(),
  bareStrop: stropStep.optional(),
  camber: camberStep.optional(),
  curveToGrind: Joi.object({
    wantedMm: figure,
    nowMm: Joi.number().min(-1e3).max(1e3).required(),
  }).optional(),
  grinding: grindingSchema.optional(),
  hollowing: shape<Hollowing>({
    wheelId: id,
    rimMm: figure,
    hollows: figure.integer(),
    chordMm: figure,
    depthMm: figure,
    removeMm3: figure,
    minutes: figure,
  }).optional(),
  job: jobSchema,
  tips: shape<TipsFound>({ times: figure, sd: figure, from: figure.integer(), on: id }).optional(),
  steps: Joi.array().items(planStep).max(500).required(),
  settingMin: figure.optional(),
  totalMin: figure,
  lowMin: figure.optional(),
  highMin: figure.optional(),
  reading: shape<NextReading>({
    what: oneOf('Reading', ['land', 'rate'] as const),
    id: id.optional(),
    costMin: figure,
    savesMin: figure,
  }).optional(),
  verdicts: Joi.array().items(verdict).max(500).required(),
  tooMuch: tooMuch.optional(),
}).required();

/** A kept plan whole, as it stands in the open file. */
export const planSchema = shape<Plan>({ ...asked, result });
