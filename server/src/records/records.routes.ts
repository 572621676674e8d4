import { Router } from 'express';
import type { RecordsService } from './records.service.js';

/** What the tools' records come to. */
export function recordsRoutes(records: RecordsService): Router {
  return Router()
    .get('/', async (_request, response) => {
      response.json(await records.all());
    })
    .get('/:toolId', async (request, response) => {
      response.json(await records.lifeOf(request.params.toolId));
    });
}
