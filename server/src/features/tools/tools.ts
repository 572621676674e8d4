import { RESOURCES } from '@mellow-anvil/contract';
import type { Tool } from '@mellow-anvil/core/blade';
import { defineKind } from '../../storage/kind.js';
import { toolTable } from './tables.js';

export const tools = defineKind<Tool>({
  ...RESOURCES.tools,
  ...toolTable,
  searches: ['name', 'setName', 'notes'],
});
