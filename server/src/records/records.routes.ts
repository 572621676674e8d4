import { Router } from 'express';
import { Joi, STILL_RECKONING } from '@mellow-anvil/contract';
import { checked } from '../shared/resource.routes.js';
import type { Reckoner } from './reckoner.js';

const howLong = Joi.object<{ withinMs?: number }>({
  withinMs: Joi.number()
    .integer()
    .min(1)
    .max(60_000)
    .messages({ '*': 'Say in 1 to 60,000 ms, or wait for all.' }),
});

/** What the tools' records come to. */
export function recordsRoutes(reckoner: Reckoner): Router {
  return Router()
    .get('/', async (request, response) => {
      const { withinMs } = checked(howLong, request.query, true);
      const { text, complete } = await reckoner.rack(withinMs);
      if (!complete) response.set(STILL_RECKONING, 'yes');
      response.type('json').send(text);
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
