import { Router } from 'express';
import { calculations } from '@mellow-anvil/contract';
import { HttpProblem } from '../shared/problem.js';
import { checked } from '../shared/resource.routes.js';

/** `POST /api/calc/<name>`: the same bench maths for spreadsheets and scripts. */
export function calcRoutes(): Router {
  return Router().post('/:name', (request, response) => {
    const { name } = request.params;
    const calculation = Object.hasOwn(calculations, name) ? calculations[name] : undefined;
    if (!calculation) {
      throw new HttpProblem(
        404,
        'No such calculation',
        `There is no calculation of that name; there are ${Object.keys(calculations).join(', ')}.`,
      );
    }
    response.json(calculation.run(checked(calculation.input, request.body) as never));
  });
}
