import Joi from 'joi';
import {
  CONDITIONS,
  type Condition,
  type GrindRequest,
  type GrindingStep,
  type HoningJob,
  type HoningPlan,
  type Plan,
  type PlanRequest,
  type ProgressionStep,
  type Verdict,
} from '@mellow-anvil/core';
import { id, line, number, oneOf, whole } from './fields.js';

export const conditionSchema = Joi.object<Condition, true>({
  kind: oneOf('Condition', CONDITIONS),
  nickMm: Joi.when('kind', {
    is: 'nicked',
    then: number('nickMm').messages({
      'any.required': 'Say how deep the nick is: measure it with a lens and rule, in mm.',
    }),
    otherwise: Joi.forbidden(),
  }) as unknown as Joi.NumberSchema<number>,
  tipRadiusUm: number('tipRadiusUm').optional(),
}).required();

export const planRequestSchema = Joi.object<PlanRequest, true>({
  condition: conditionSchema as never,
  landMm: number('landMm').optional(),
  finishUm: number('finishUm'),
  forceN: number('forceN'),
  strokesPerMin: number('strokesPerMin'),
  minStrokes: whole('minStrokes').optional(),
  maxRatio: number('maxRatio').optional(),
  grind: Joi.object<GrindRequest, true>({
    wheelId: id,
    stopShortMm: number('stopShortMm'),
    pushN: number('forceN', 'Push against the wheel'),
  }).optional() as never,
  laidAside: Joi.array().items(id.optional()).max(500).required() as never,
}).required();

const asked = {
  name: line('Name'),
  toolId: id,
  guideId: id.optional(),
  seatName: line('Seat', 40).optional(),
  request: planRequestSchema as never,
};

/** What a person sends to keep a plan; the server works the result out. */
export type PlanDraft = Omit<Plan, 'result'>;
export const planDraftSchema = Joi.object<PlanDraft, true>(asked);

const figure = Joi.number().min(0).max(1e9).required();

const job = Joi.object<HoningJob, true>({
  recessionMm: figure,
  removeMm3: figure,
  contactMm2: figure,
  landBeforeMm: figure,
  landAfterMm: figure,
  wholeBevel: Joi.boolean().required(),
}).required();

export const stepSchema = Joi.object<ProgressionStep, true>({
  id,
  removeMm3: figure,
  strokes: figure.integer(),
  minutes: figure,
});

const verdict = Joi.object<Verdict, true>({
  id,
  used: Joi.boolean().required(),
  minutes: figure.optional(),
  why: Joi.string().max(600).required(),
});

const grinding = Joi.object<GrindingStep, true>({
  wheelId: id,
  stopShortMm: figure,
  pushN: figure,
  removeMm3: figure,
  minutes: figure,
  landBeforeMm: figure,
});

const result = Joi.object<HoningPlan, true>({
  grinding: grinding.optional() as never,
  job: job as never,
  steps: Joi.array().items(stepSchema).max(500).required() as never,
  totalMin: figure,
  verdicts: Joi.array().items(verdict).max(500).required() as never,
}).required();

/** A kept plan whole, as it stands in the open file. */
export const planSchema = Joi.object<Plan, true>({ ...asked, result: result as never });
