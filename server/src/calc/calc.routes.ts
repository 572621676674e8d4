import { Router } from 'express';
import { calculations } from '@mellow-anvil/contract';
import { HttpProblem } from '../shared/problem.js';
import { stopsWith } from '../shared/stop.js';
import { figured } from '../workers/workers.js';

/** `POST /api/calc/<name>`: the same bench maths for spreadsheets and scripts. */
export function calcRoutes(): Router {
  return Router().post('/:name', async (request, response) => {
    const { name } = request.params;
    if (!Object.hasOwn(calculations, name)) {
      throw new HttpProblem(
        404,
        'No such calculation',
        `There is no calculation of that name; there are ${Object.keys(calculations).join(', ')}.`,
      );
    }
    const body = request.body as unknown;
    response.json(await figured('calculate', { name, body }, { signal: stopsWith(response) }));
  });
}
