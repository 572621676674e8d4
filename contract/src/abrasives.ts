import Joi from 'joi';
import {
  ABRASIVE_KIND_NAMES,
  GRIT_STANDARDS,
  LUBRICANTS,
  Refusal,
  grit,
  type Abrasive,
  type Grade,
  attempt,
} from '@mellow-anvil/core';
import { line, notes, number, oneOf, related } from './fields.js';

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
  notes: notes.optional(),
});
