import type { Session } from '@mellow-anvil/core/record';
import { defineTable } from '../../storage/table.js';

export const sessionTable = defineTable<Session>({
  name: 'sessions',
  columns: {
    toolId: 'text',
    kind: 'text',
    startedAt: 'text',
    minutes: 'real',
    who: 'text',
    conditionBefore: 'json',
    landMm: 'real',
    camber: 'json',
    landLeftMm: 'real',
    hollowedBack: 'json',
    setting: 'json',
    steps: 'json',
    use: 'json',
    chips: 'json',
    outcome: 'json',
    notes: 'text',
  },
});
