import Joi from 'joi';
import {
  BURRS,
  PROOFS,
  type RunEvent,
  type RunFactKind,
  type RunGrinding,
  type RunPlan,
  type RunPlanStep,
} from '@mellow-anvil/core';
import { id, instant, line, number, oneOf, whole } from './fields.js';
import { conditionSchema } from './plans.js';
import { placesSchema, settingSchema } from './sessions.js';

/** Events one request may bring: what a tablet gathers in a long spell without the server. */
export const EVENTS_AT_ONCE = 500;

const planStep = Joi.object<RunPlanStep, true>({
  abrasiveId: id,
  strokes: whole('strokes'),
  forceN: number('forceN').optional(),
  bothWays: Joi.boolean().optional(),
  afterBurr: Joi.boolean().optional(),
  places: placesSchema.optional() as never,
  curve: Joi.boolean().optional(),
});

const plan = Joi.object<RunPlan, true>({
  toolId: id,
  condition: conditionSchema as never,
  landMm: number('landMm').optional(),
  finishUm: number('finishUm'),
  forceN: number('forceN'),
  strokesPerMin: number('strokesPerMin'),
  setting: settingSchema.optional() as never,
  who: line('Who', 60).optional(),
  grinding: Joi.object<RunGrinding, true>({
    wheelId: id,
    stopShortMm: number('stopShortMm'),
    passes: whole('passes').optional(),
    passS: number('seconds', 'A pass').optional(),
    dipS: number('seconds', 'A dip').optional(),
  }).optional() as never,
  steps: Joi.array().items(planStep).min(1).max(100).required() as never,
}).required();

/** What each kind of event carries beside its identity, place and time. */
const FACTS: Readonly<Record<RunFactKind, Joi.SchemaMap>> = {
  begun: { plan },
  strokes: { count: whole('strokeCount') },
  done: {},
  'not-yet': {},
  burr: { burr: oneOf('Burr', BURRS) },
  back: {},
  proved: { test: oneOf('Test', PROOFS), passed: Joi.boolean().required() },
  finished: {},
  'thrown-away': {},
};
const KINDS = Object.keys(FACTS) as RunFactKind[];

const envelope = { id, seq: whole('eventSeq'), at: instant };

/** One event of a run at the bench. */
export const runEventSchema = Joi.alternatives<RunEvent>().conditional('.kind', {
  switch: KINDS.map((kind) => ({
    is: kind,
    then: Joi.object({ ...envelope, kind: Joi.valid(kind).required(), ...FACTS[kind] }),
  })),
  otherwise: Joi.object({ kind: oneOf('Kind', KINDS) }).unknown(),
});

/** Events to be added to a run, in order. */
export const runEventsSchema = Joi.object<{ events: readonly RunEvent[] }, true>({
  events: Joi.array().items(runEventSchema).min(1).max(EVENTS_AT_ONCE).required() as never,
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
