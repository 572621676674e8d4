import { type Abrasive, type Care, grit } from '@mellow-anvil/core/abrasive';
import { defineTable } from '../../storage/table.js';

export const abrasiveTable = defineTable<Abrasive>({
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
});

export const careTable = defineTable<Care>({
  name: 'cares',
  columns: {
    abrasiveId: 'text',
    kind: 'text',
    at: 'text',
    who: 'text',
    minutes: 'real',
    hollowUm: 'real',
    notes: 'text',
  },
});
