import { RESOURCES } from '@mellow-anvil/contract';
import { type Abrasive, grit } from '@mellow-anvil/core/abrasive';
import { defineKind } from '../../storage/kind.js';

export const abrasives = defineKind<Abrasive>({
  ...RESOURCES.abrasives,
  name: 'abrasives',
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
  searches: ['name', 'notes'],
});
