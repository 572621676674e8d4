import { Router } from 'express';
import Papa from 'papaparse';
import { Joi } from '@mellow-anvil/contract';
import { runEventsSchema } from '@mellow-anvil/contract';
import { runTable } from '@mellow-anvil/core/run';
import { checked } from '../shared/resource.routes.js';
import type { RunsService } from './runs.service.js';

const named = Joi.object<{ id: string }>({
  id: Joi.string()
    .pattern(/^[A-Za-z0-9_-]{1,64}$/)
    .required()
    .messages({ '*': 'A run’s id is up to 64 letters, digits, dashes and underscores.' }),
});

/** Runs at the bench: those still open, one with its events, and more events to it. */
export function runsRoutes(runs: RunsService): Router {
  return Router()
    .get('/', async (_request, response) => {
      response.json(await runs.open());
    })
    .get('/:id', async (request, response) => {
      response.json(await runs.read(request.params.id));
    })
    .get('/:id/run.json', async (request, response) => {
      const { id } = checked(named, request.params);
      response.attachment(`run-${id}.json`).json(await runs.read(id));
    })
    .get('/:id/run.csv', async (request, response) => {
      const { id } = checked(named, request.params);
      const { events } = await runs.read(id);
      response
        .attachment(`run-${id}.csv`)
        .type('text/csv')
        .send(Papa.unparse([...runTable(events)], { newline: '\r\n' }));
    })
    .post('/:id/events', async (request, response) => {
      const { id } = checked(named, request.params);
      const { events } = checked(runEventsSchema, request.body);
      response.json(await runs.append(id, events));
    });
}
