import { Router } from 'express';
import type { Reckoner } from './reckoner.js';

/** What the tools' records come to. */
export function recordsRoutes(reckoner: Reckoner): Router {
  return Router()
    .get('/', async (_request, response) => {
      response.type('json').send(await reckoner.rack());
    })
    .get('/:toolId', async (request, response) => {
      response.type('json').send(await reckoner.life(request.params.toolId));
    });
}

/** How the stones stand, and what they were read to cut. */
export function benchRoutes(reckoner: Reckoner): Router {
  return Router()
    .get('/', async (_request, response) => {
      response.type('json').send(await reckoner.stones());
    })
    .get('/:id', async (request, response) => {
      response.type('json').send(await reckoner.stone(request.params.id));
    });
}
