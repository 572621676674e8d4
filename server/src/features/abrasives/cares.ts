import { RESOURCES } from '@mellow-anvil/contract';
import type { Care } from '@mellow-anvil/core/abrasive';
import { defineKind } from '../../storage/kind.js';
import { careTable } from './tables.js';

export const cares = defineKind<Care>({
  ...RESOURCES.cares,
  ...careTable,
  searches: ['who', 'notes'],
  references: [{ column: 'abrasiveId', to: 'abrasives' }],
});
