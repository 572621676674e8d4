import { Router } from 'express';
import type { BenchService } from './bench.service.js';
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

/** How the stones stand, and what they were read to cut. */
export function benchRoutes(bench: BenchService): Router {
  return Router()
    .get('/', async (_request, response) => {
      response.json(await bench.all());
    })
    .get('/:id', async (request, response) => {
      response.json(await bench.one(request.params.id));
    });
}
