import { Router } from 'express';
import { patternQueries, type PatternName, type PrintQuery } from '@mellow-anvil/contract';
import {
  bevelGauge,
  camberTemplate,
  foldingSheet,
  gaugeBlock,
  type Pattern,
  type PatternHand,
  restTemplate,
} from '@mellow-anvil/core/pattern';
import { HttpProblem } from '../shared/problem.js';
import { checked } from '../shared/resource.routes.js';
import type { Printer } from './printer.js';

const MADE: Readonly<Record<PatternName, (asked: never, hand: PatternHand) => Pattern>> = {
  'bevel-gauge': bevelGauge,
  'rest-template': restTemplate,
  'gauge-block': gaugeBlock,
  'camber-template': camberTemplate,
  'folding-sheet': foldingSheet,
};

/** `GET /api/patterns/<name>.<pdf|svg|dxf|stl>?…`: what is worked out on the spot, at true size. */
export function patternsRoutes(printer: Printer): Router {
  return Router().get('/:name.:form', async (request, response) => {
    const { name, form } = request.params;
    if (!Object.hasOwn(patternQueries, name)) {
      throw new HttpProblem(
        404,
        'No such pattern',
        `There is no pattern of that name; there are ${Object.keys(patternQueries).join(', ')}.`,
      );
    }
    const known = name as PatternName;
    const asked = checked(patternQueries[known], request.query, true) as PrintQuery;
    await printer.send(response, MADE[known](asked as never, await printer.hand()), form, asked);
  });
}
