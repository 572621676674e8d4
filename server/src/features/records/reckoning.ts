import type { SizedAbrasive, StoneAtWork } from '@mellow-anvil/core/abrasive';
import type { ToolRecord } from '@mellow-anvil/core/record';
import { attachDatabase } from '../../storage/attach.js';
import type { StoredThing } from '../../storage/commands.js';
import type { Question, Reckonable } from './tasks.js';
import { lastReckoned, type LastReckoned } from './kept-by-tool.js';
import { StonesService, type ToolsPart } from './stones.service.js';
import { Entries } from './entries.js';
import { RecordsService } from './records.service.js';

/** What may be found unchanged in another file put in this one's place: a backup, a change of everything undone. */
interface Before {
  readonly records: LastReckoned<StoneAtWork, ToolRecord>;
  readonly parts: LastReckoned<SizedAbrasive, ToolsPart>;
}

interface Reckoning {
  readonly records: RecordsService;
  readonly bench: StonesService;
  readonly before: Before;
  tell(stored: readonly StoredThing[]): void;
  close(): Promise<void>;
}

/** By the database's path: what was reckoned stays until something it rests on is stored. */
const reckonings = new Map<string, Reckoning>();

/** Answers a question of a database as JSON text. @throws HttpProblem 404 */
export async function reckon({ database, stored, question }: Reckonable): Promise<string> {
  const known = reckonings.get(database);
  if (stored === 'everything' || question.of === 'nothing-more') {
    await known?.close();
    reckonings.delete(database);
  }
  if (question.of === 'nothing-more') return 'null';
  const reckoning = reckonings.get(database) ?? opened(database, known?.before);
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

function opened(
  path: string,
  before: Before = { records: lastReckoned(), parts: lastReckoned() },
): Reckoning {
  const database = attachDatabase(path, 0);
  const listeners: ((stored: readonly StoredThing[]) => void)[] = [];
  const changes = {
    onStored: (listener: (stored: readonly StoredThing[]) => void) => void listeners.push(listener),
  };
  const entries = new Entries(database, changes);
  const bench = new StonesService(database, entries, changes, before.parts);
  return {
    bench,
    before,
    records: new RecordsService(database, entries, changes, bench, before.records),
    tell: (stored) => listeners.forEach((listener) => listener(stored)),
    close: () => database.close(),
  };
}
