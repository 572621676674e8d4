import Joi from 'joi';
import {
  ABRASIVE_KIND_NAMES,
  GRIT_STANDARDS,
  LUBRICANTS,
  Refusal,
  grit,
  type Abrasive,
  type Grade,
  type Wheel,
  type WheelReading,
  attempt,
  isWheel,
} from '@mellow-anvil/core';
import { atField, day, line, notes, number, oneOf, related } from './fields.js';

/** A grade that its standard knows. */
export const gradeSchema = Joi.object<Grade, true>({
  standard: oneOf('Grading', GRIT_STANDARDS),
  grade: related(line('Grade', 20), (grade: string, { standard }) => {
    if (!GRIT_STANDARDS.includes(standard as Grade['standard'])) return undefined;
    const result = attempt(() => {
      grit({ standard: standard as Grade['standard'], grade });
      return undefined;
    });
    return result instanceof Refusal ? result.message : result;
  }),
}).required();

const lubricant = Joi.alternatives().conditional('kind', {
  switch: [
    {
      is: 'water-stone',
      then: oneOf('Lubricant', ['water', 'dry'] as const).messages({
        'any.only': 'Oil ruins a water stone for good, and it takes no compound: choose water.',
      }),
    },
  ],
  otherwise: oneOf('Lubricant', LUBRICANTS),
});

const reading = Joi.object<WheelReading, true>({
  on: day,
  diameterMm: number('wheelDiameterMm'),
  dressed: Joi.boolean().optional(),
});

const wheel = Joi.object<Wheel, true>({
  widthMm: number('wheelWidthMm').optional(),
  rpm: number('rpm').optional(),
  readings: Joi.array().items(reading).max(1000).required() as never,
});

export const abrasiveSchema = Joi.object<Abrasive, true>({
  name: line('Name'),
  kind: oneOf('Kind', ABRASIVE_KIND_NAMES),
  grade: gradeSchema as never,
  lubricant: lubricant as never,
  strokeMm: number('strokeMm'),
  overheadMin: number('overheadMin'),
  forceN: number('forceN').optional(),
  removalMm3PerNm: number('removalMm3PerNm').optional(),
  scratchUm: number('scratchUm').optional(),
  wheel: wheel.optional() as never,
  notes: notes.optional(),
})
  .custom((abrasive: Abrasive, helpers) =>
    abrasive.wheel !== undefined && !isWheel(abrasive)
      ? helpers.error('wheel.foreign', {}, atField(helpers.state, 'wheel', abrasive))
      : abrasive,
  )
  .messages({ 'wheel.foreign': 'Only a grinding wheel has these figures: leave them out.' });
