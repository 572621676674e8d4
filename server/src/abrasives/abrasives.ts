import { Joi } from '@mellow-anvil/contract';
import { abrasiveSchema } from '@mellow-anvil/contract';
import { type Abrasive, ABRASIVE_KIND_NAMES, grit } from '@mellow-anvil/core/abrasive';
import { defineKind } from '../shared/kind.js';

export const abrasives = defineKind<Abrasive>({
  name: 'abrasives',
  one: 'abrasive',
  schema: abrasiveSchema,
  columns: {
    name: 'text',
    kind: 'text',
    grade: 'json',
    lubricant: 'text',
    strokeMm: 'real',
    overheadMin: 'real',
    forceN: 'real',
    removalMm3PerNm: 'real',
    scratchUm: 'real',
    wheel: 'json',
    lengthMm: 'real',
    widthMm: 'real',
    radiusMm: 'real',
    serves: 'json',
    sets: 'json',
    between: 'json',
    sheets: 'json',
    strop: 'json',
    learnFrom: 'text',
    notes: 'text',
  },
  derived: { sizeUm: ({ grade }) => grit(grade).sizeUm },
  sorts: ['sizeUm', 'name', 'updatedAt', 'createdAt'],
  searches: ['name', 'notes'],
  filters: {
    kind: Joi.string()
      .valid(...ABRASIVE_KIND_NAMES)
      .messages({ '*': 'Filter by one of the kinds.' }),
  },
});
