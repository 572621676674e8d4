import { RESOURCES } from '@mellow-anvil/contract';
import type { Tool } from '@mellow-anvil/core/blade';
import { defineKind } from '../../storage/kind.js';

export const tools = defineKind<Tool>({
  ...RESOURCES.tools,
  name: 'tools',
  columns: {
    name: 'text',
    family: 'text',
    steel: 'text',
    edge: 'json',
    host: 'json',
    camber: 'json',
    setName: 'text',
    stoneSet: 'text',
    manner: 'text',
    counts: 'json',
    handles: 'json',
    held: 'text',
    bought: 'json',
    overruling: 'json',
    notes: 'text',
  },
  searches: ['name', 'setName', 'notes'],
});
