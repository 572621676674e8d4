import { Router } from 'express';
import { Joi } from '@mellow-anvil/contract';
import { checked } from '../shared/resource.routes.js';
import type { Database } from '../storage/database.js';
import type { LongWork } from '../workers/long-work.js';
import { laboured } from '../workers/workers.js';
import type { CommandSummary, Commands } from './commands.js';

const which = Joi.object<{ id: number }>({
  id: Joi.number().integer().min(1).required().messages({ '*': 'Name the change by its id.' }),
}).required();

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
): Router {
  const turn = async (way: 'undo' | 'redo', body: unknown): Promise<CommandSummary> => {
    const { id } = checked(which, body);
    if ((await commands.bytesOfNext(way)) <= MUCH) return commands[way](id);
    const turned = await works.during(way === 'undo' ? 'Undoing' : 'Doing again', () =>
      database
        .writeElsewhere((writes) => laboured('turnCommand', { database: database.file, writes, way, id }))
        .finally(replaced),
    );
    return turned;
  };
  return Router()
    .get('/', async (_request, response) => {
      response.json(await commands.list());
    })
    .post('/undo', async (request, response) => {
      response.json(await turn('undo', request.body));
    })
    .post('/redo', async (request, response) => {
      response.json(await turn('redo', request.body));
    });
}
