import { RESOURCES } from '@mellow-anvil/contract';
import type { Care } from '@mellow-anvil/core/abrasive';
import { defineKind } from '../../storage/kind.js';

export const cares = defineKind<Care>({
  ...RESOURCES.cares,
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
  searches: ['who', 'notes'],
  references: [{ column: 'abrasiveId', to: 'abrasives' }],
});
