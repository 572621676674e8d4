import type { Tool } from '@mellow-anvil/core/blade';
import { defineTable } from '../../storage/table.js';

export const toolTable = defineTable<Tool>({
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
});
