import { defineTask } from '../../platform/task.js';
import type { StoredThing } from '../../storage/commands.js';

/** What was stored since the last question, so far as what is kept rests on it; or it may be anything. */
export type StoredSince = readonly StoredThing[] | 'everything';

/** What can be asked of the reckoning process. */
export type Question =
  | { readonly of: 'rack'; readonly toolIds: readonly string[]; readonly readyOnly?: boolean }
  | { readonly of: 'life' | 'record' | 'stone'; readonly id: string }
  | { readonly of: 'stones' | 'stones-record' | 'nothing-more' };

export interface Reckonable {
  readonly database: string;
  readonly stored: StoredSince;
  readonly question: Question;
}

/** A question of a database's record, answered as JSON text. @throws HttpProblem 404 */
export const reckonTask = defineTask<Reckonable, string>('reckoning', 'reckon');
