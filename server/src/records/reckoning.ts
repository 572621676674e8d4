import { attachDatabase } from '../storage/attach.js';
import type { StoredThing } from '../undo/commands.js';
import { BenchService } from './bench.service.js';
import { Entries } from './entries.js';
import { RecordsService } from './records.service.js';

/** What was stored since the last question, so far as what is kept rests on it; or it may be anything. */
export type StoredSince = readonly StoredThing[] | 'everything';

/** What can be asked of the reckoning process. */
export type Question =
  | { readonly of: 'rack'; readonly toolIds: readonly string[]; readonly readyOnly?: boolean }
  | { readonly of: 'life' | 'record' | 'stone'; readonly id: string }
  | { readonly of: 'stones' | 'stones-record' | 'nothing-more' };

interface Reckoning {
  readonly records: RecordsService;
  readonly bench: BenchService;
  tell(stored: readonly StoredThing[]): void;
  close(): Promise<void>;
}

/** By the database's path: what was reckoned stays until something it rests on is stored. */
const reckonings = new Map<string, Reckoning>();

/** Answers a question of a database as JSON text. @throws HttpProblem 404 */
export async function reckon(asked: {
  readonly database: string;
  readonly stored: StoredSince;
  readonly question: Question;
}): Promise<string> {
  const { database, stored, question } = asked;
  if (stored === 'everything' || question.of === 'nothing-more') {
    await reckonings.get(database)?.close();
    reckonings.delete(database);
  }
  if (question.of === 'nothing-more') return 'null';
  const reckoning = reckonings.get(database) ?? opened(database);
  reckonings.set(database, reckoning);
  if (stored !== 'everything' && stored.length > 0) reckoning.tell(stored);
  return JSON.stringify((await answer(reckoning, question)) ?? null);
}

function answer({ records, bench }: Reckoning, question: Question): Promise<unknown> {
  switch (question.of) {
    case 'rack':
      return question.readyOnly ? bench.makeReady(question.toolIds) : records.all(question.toolIds);
    case 'life':
      return records.lifeOf(question.id);
    case 'record':
      return records.of(question.id);
    case 'stone':
      return bench.one(question.id);
    case 'stones':
      return bench.all();
    case 'stones-record':
      return bench.record();
    case 'nothing-more':
      return Promise.resolve();
  }
}

function opened(path: string): Reckoning {
  const database = attachDatabase(path, 0);
  const listeners: ((stored: readonly StoredThing[]) => void)[] = [];
  const changes = {
    onStored: (listener: (stored: readonly StoredThing[]) => void) => void listeners.push(listener),
  };
  const entries = new Entries(database, changes);
  const bench = new BenchService(database, entries, changes);
  return {
    bench,
    records: new RecordsService(database, entries, changes, bench),
    tell: (stored) => listeners.forEach((listener) => listener(stored)),
    close: () => database.close(),
  };
}
