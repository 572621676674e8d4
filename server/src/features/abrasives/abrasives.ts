import { RESOURCES } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { defineKind } from '../../storage/kind.js';
import { abrasiveTable } from './tables.js';

export const abrasives = defineKind<Abrasive>({
  ...RESOURCES.abrasives,
  ...abrasiveTable,
  searches: ['name', 'notes'],
});
