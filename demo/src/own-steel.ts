import type { SizedAbrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { afterSession, type EdgeState, type RecordedSession } from '@mellow-anvil/core/record';

/**
 * The shed's own steel after an entry: what was read of a land is what it is, whatever a record makes of the reading.
 */
export function ownSteelAfter(
  tool: Tool,
  state: EdgeState,
  session: RecordedSession,
  bench: ReadonlyMap<string, SizedAbrasive>,
): EdgeState {
  const before = session.landMm === undefined ? state : { ...state, landFrom: 'assumed' as const };
  return afterSession(tool, before, session, bench);
}
