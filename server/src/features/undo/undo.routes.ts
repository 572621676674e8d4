import { ROUTES, type CommandSummary } from '@mellow-anvil/contract';
import { serving, type Served } from '../../platform/serve.js';
import type { LongWork } from '../../platform/long-work.js';
import { beside } from '../../platform/workers.js';
import type { Commands } from '../../storage/commands.js';
import type { Database } from '../../storage/database.js';
import { turnCommandTask } from './tasks.js';

/** A command that holds more than this, bytes, is turned in another thread. */
const MUCH = 256 * 1024;

/**
 * What was changed lately, and taking it back or doing it again.
 * @param replaced told when everything stored may be something else
 */
export function undoRoutes(
  commands: Commands,
  database: Database,
  works: LongWork,
  replaced: () => void,
): readonly Served[] {
  const turn = async (way: 'undo' | 'redo', id: number): Promise<CommandSummary> => {
    if ((await commands.bytesOfNext(way)) <= MUCH) return commands[way](id);
    return works.during(way === 'undo' ? 'Undoing' : 'Doing again', () =>
      database
        .writeElsewhere((writes) => beside(turnCommandTask, { database: database.file, writes, way, id }))
        .finally(replaced),
    );
  };
  return [
    serving(ROUTES.commands, () => commands.list()),
    serving(ROUTES.undo, ({ body: { id } }) => turn('undo', id)),
    serving(ROUTES.redo, ({ body: { id } }) => turn('redo', id)),
  ];
}
