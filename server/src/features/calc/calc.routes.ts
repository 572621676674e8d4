import { CALCULATION_ROUTES } from '@mellow-anvil/contract';
import { HttpProblem } from '../../platform/problem.js';
import { serving, type Served } from '../../platform/serve.js';
import { stopsWith } from '../../platform/stop.js';
import { beside } from '../../platform/workers.js';
import { calculateTask } from './tasks.js';

/** `POST /api/calc/<name>`: the same bench maths for spreadsheets and scripts. */
export const calcRoutes = (): readonly Served[] =>
  Object.entries(CALCULATION_ROUTES).map(([name, route]) =>
    // The body is looked at where it is worked on: that may take as long as the work.
    serving(route, ({ request, response }) =>
      beside(calculateTask, { name, body: request.body as unknown }, { signal: stopsWith(response) }),
    ),
  );

/** What is answered where a calculation is asked for that there is not. */
export const noSuchCalculation = (): never => {
  throw new HttpProblem(
    404,
    'No such calculation',
    `There is no calculation of that name; there are ${Object.keys(CALCULATION_ROUTES).join(', ')}.`,
  );
};
