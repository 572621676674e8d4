import { RESOURCES } from '@mellow-anvil/contract';
import type { Session } from '@mellow-anvil/core/record';
import { SESSION_COUNT } from '../../storage/migrations.js';
import { defineKind } from '../../storage/kind.js';
import { sessionTable } from './tables.js';

export const sessions = defineKind<Session>({
  ...RESOURCES.sessions,
  ...sessionTable,
  searches: ['who', 'notes'],
  countedIn: SESSION_COUNT,
  references: [{ column: 'toolId', to: 'tools' }],
});
