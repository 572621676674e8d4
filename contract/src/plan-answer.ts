import { Joi } from './joi.js';
import { shape } from './shape.js';
import type { Condition } from '@mellow-anvil/core/blade';
import {
  type AnsweredStep,
  type PlanAnswer,
  type School,
  SCHOOLS,
  STROP_PURPOSES,
} from '@mellow-anvil/core/plan';
import { FACETS } from '@mellow-anvil/core/work';
import { id, line, number, oneOf } from './fields.js';
import { conditionSchema, grindingSchema, planRequestSchema, roundsSchema, wayOutSchema } from './plans.js';

/** What is asked of `POST /api/calc/honing-plan`; the rest is as the page would ask it. */
export interface HoningPlanAsk {
  readonly toolId: string;
  readonly condition: Condition;
  readonly school?: School;
  /** The stones of an exact order, coarse to fine. */
  readonly order?: readonly string[];
  /** The set of stones; the tool’s own unless said, the whole bench where empty. */
  readonly set?: string;
  readonly finishUm?: number;
}

export const honingPlanAsk = shape<HoningPlanAsk>({
  toolId: id,
  condition: conditionSchema,
  school: oneOf('School', SCHOOLS).optional(),
  order: Joi.array().items(id.optional()).max(60).unique().optional().messages({
    'array.unique': 'A stone stands in the order twice: name it once.',
  }),
  set: line('Set', 40).allow('').optional(),
  finishUm: number('finishUm').optional(),
}).required();

const figure = Joi.number().min(0).required();
const step = shape<AnsweredStep>({
  abrasiveId: id,
  facet: oneOf('Face', FACETS),
  strokes: figure.integer(),
  low: figure.integer(),
  high: figure.integer(),
  minutes: figure,
  forceN: figure.optional(),
  purpose: oneOf('Purpose', STROP_PURPOSES).optional(),
  bothWays: Joi.boolean().optional(),
  places: Joi.array().items(figure.integer().optional()).max(5).optional(),
  curve: Joi.boolean().optional(),
  rounds: roundsSchema.optional(),
});

export const honingPlanAnswer = shape<PlanAnswer>({
  request: planRequestSchema,
  grinding: grindingSchema.optional(),
  steps: Joi.array().items(step).required(),
  totalMin: figure,
  low: figure,
  high: figure,
  recessionMm: figure,
  landAfterMm: figure.optional(),
  tooMuch: Joi.object({
    why: Joi.string().required(),
    ways: Joi.array().items(wayOutSchema).required(),
  }).optional(),
}).required();
