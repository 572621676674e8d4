import Joi from 'joi';
import {
  BURRS,
  PROOFS,
  SESSION_KINDS,
  type Chips,
  type Outcome,
  type Session,
  type SessionSetting,
  type SessionStep,
  type StopUsed,
  type Use,
} from '@mellow-anvil/core';
import { atField, id, instant, line, notes, number, oneOf, whole } from './fields.js';
import { conditionSchema } from './plans.js';

export const settingSchema = Joi.object<SessionSetting, true>({
  guideId: id.optional(),
  seatName: line('Seat', 40).optional(),
  angleDeg: number('angleDeg'),
  projectionMm: number('projectionMm').optional(),
  stop: Joi.object<StopUsed, true>({
    boardId: id,
    board: line('Board'),
    label: line('Stop', 6),
  }).optional() as never,
});

const step = Joi.object<SessionStep, true>({
  abrasiveId: id,
  strokes: whole('strokes'),
  minutes: number('minutes'),
  forceN: number('forceN').optional(),
  bothWays: Joi.boolean().optional(),
  recessionMm: number('recessionMm').optional(),
});

const use = Joi.object<Use, true>({
  minutes: number('minutes').optional(),
  metresPlaned: number('metresPlaned').optional(),
  mortises: whole('mortises').optional(),
  wood: line('Wood', 60).optional(),
  stillCutting: Joi.boolean().optional(),
});

const chips = Joi.object<Chips, true>({
  count: whole('chips'),
  deepestMm: number('nickMm').optional(),
});

const outcome = Joi.object<Outcome, true>({
  burr: oneOf('Burr', BURRS).optional(),
  proof: Joi.array()
    .items(
      Joi.object({
        test: oneOf('Test', PROOFS),
        passed: Joi.boolean().required(),
      }),
    )
    .max(20)
    .optional() as never,
  word: line('Word', 200).optional(),
});

export const sessionSchema = Joi.object<Session, true>({
  toolId: id,
  kind: oneOf('Kind', SESSION_KINDS),
  startedAt: instant,
  minutes: number('minutes').optional(),
  who: line('Who', 60).optional(),
  conditionBefore: conditionSchema.optional() as never,
  landMm: number('landMm').optional(),
  landLeftMm: number('landMm', 'Land left').optional(),
  setting: settingSchema.optional() as never,
  steps: Joi.array().items(step).max(100).optional() as never,
  use: use.optional() as never,
  chips: chips.optional() as never,
  outcome: outcome.optional() as never,
  notes: notes.optional(),
})
  .custom((session: Session, helpers) =>
    session.kind === 'measuring' && session.landMm === undefined
      ? helpers.error('land.needed', {}, atField(helpers.state, 'landMm', session))
      : session,
  )
  .messages({ 'land.needed': 'Say how wide the land measures, in mm.' });
