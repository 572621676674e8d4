import type { Tool } from '@mellow-anvil/core/blade';
import type { Session } from '@mellow-anvil/core/record';
import { orInvalid } from '../../storage/or-invalid.js';
import type { Complete } from '../../storage/resource.routes.js';
import type { Store } from '../../storage/store.js';

/** A session is of a tool on the rack. */
export function sessionDrafts(tools: Store<Tool>): Complete<Session, Session> {
  return async (session) => {
    await orInvalid('toolId', tools.read(session.toolId));
    return session;
  };
}
