import { RESOURCES } from '@mellow-anvil/contract';
import type { Session } from '@mellow-anvil/core/record';
import { SESSION_COUNT } from '../../storage/migrations.js';
import { defineKind } from '../../storage/kind.js';

export const sessions = defineKind<Session>({
  ...RESOURCES.sessions,
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
  searches: ['who', 'notes'],
  countedIn: SESSION_COUNT,
  references: [{ column: 'toolId', to: 'tools' }],
});
