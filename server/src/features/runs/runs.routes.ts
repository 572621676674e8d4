import Papa from 'papaparse';
import { Joi, ROUTES } from '@mellow-anvil/contract';
import { runTable } from '@mellow-anvil/core/run';
import { checked } from '../../platform/checked.js';
import { SENT, serving, type Served } from '../../platform/serve.js';
import type { RunsService } from './runs.service.js';

const named = Joi.object<{ id: string }>({
  id: Joi.string()
    .pattern(/^[A-Za-z0-9_-]{1,64}$/)
    .required()
    .messages({ '*': 'A run’s id is up to 64 letters, digits, dashes and underscores.' }),
});

/** Runs at the bench: those still open, one with its events, and more events to it. */
export const runsRoutes = (runs: RunsService): readonly Served[] => [
  serving(ROUTES.runs, () => runs.open()),
  serving(ROUTES.run, ({ params: { id = '' } }) => runs.read(id)),
  serving(ROUTES.runFile, async ({ params, response }) => {
    const { id } = checked(named, params);
    const run = await runs.read(id);
    response.attachment(`run-${id}.json`);
    return run;
  }),
  serving(ROUTES.runTable, async ({ params, response }) => {
    const { id } = checked(named, params);
    const { events } = await runs.read(id);
    response
      .attachment(`run-${id}.csv`)
      .type('text/csv')
      .send(Papa.unparse([...runTable(events)], { newline: '\r\n' }));
    return SENT;
  }),
  serving(ROUTES.runEvents, async ({ params, body: { events } }) => {
    const { id } = checked(named, params);
    return runs.append(id, events);
  }),
];
