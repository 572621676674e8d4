import { PATTERN_ROUTES, patternQueries, type PatternName, type PrintQuery } from '@mellow-anvil/contract';
import {
  bevelGauge,
  camberTemplate,
  foldingSheet,
  gaugeBlock,
  gougeStrop,
  type Pattern,
  type PatternHand,
  restTemplate,
  vStrop,
} from '@mellow-anvil/core/pattern';
import { HttpProblem } from '../../platform/problem.js';
import { SENT, serving, type Served } from '../../platform/serve.js';
import type { Printer } from './printer.js';

/** What each pattern takes, beside how it is printed. */
type PatternInput = {
  readonly [N in PatternName]: Parameters<(typeof MADE)[N]>[0];
};

const MADE = {
  'bevel-gauge': bevelGauge,
  'rest-template': restTemplate,
  'gauge-block': gaugeBlock,
  'camber-template': camberTemplate,
  'gouge-strop': gougeStrop,
  'v-strop': vStrop,
  'folding-sheet': foldingSheet,
} as const satisfies Record<PatternName, unknown>;

const made = <N extends PatternName>(name: N, asked: PatternInput[N], hand: PatternHand): Pattern =>
  (MADE[name] as (asked: PatternInput[N], hand: PatternHand) => Pattern)(asked, hand);

/** `GET /api/patterns/<name>.<pdf|svg|dxf|stl>?…`: what is worked out on the spot, at true size. */
export const patternsRoutes = (printer: Printer): readonly Served[] =>
  (Object.keys(PATTERN_ROUTES) as PatternName[]).map((name) =>
    serving(PATTERN_ROUTES[name], async ({ params: { form = '' }, query, response }) => {
      // The query was checked against the pattern's own schema.
      const asked = query as PrintQuery & PatternInput[typeof name];
      await printer.send(response, made(name, asked, await printer.hand()), form, asked);
      return SENT;
    }),
  );

/** What is answered where a pattern is asked for that there is not. */
export const noSuchPattern = (): never => {
  throw new HttpProblem(
    404,
    'No such pattern',
    `There is no pattern of that name; there are ${Object.keys(patternQueries).join(', ')}.`,
  );
};
