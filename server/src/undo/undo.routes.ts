import { Router } from 'express';
import { Joi } from '@mellow-anvil/contract';
import { checked } from '../shared/resource.routes.js';
import type { Commands } from './commands.js';

const which = Joi.object<{ id: number }>({
  id: Joi.number().integer().min(1).required().messages({ '*': 'Name the change by its id.' }),
}).required();

/** What was changed lately, and taking it back or doing it again. */
export function undoRoutes(commands: Commands): Router {
  return Router()
    .get('/', async (_request, response) => {
      response.json(await commands.list());
    })
    .post('/undo', async (request, response) => {
      response.json(await commands.undo(checked(which, request.body).id));
    })
    .post('/redo', async (request, response) => {
      response.json(await commands.redo(checked(which, request.body).id));
    });
}
