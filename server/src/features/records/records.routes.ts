import { ROUTES, STILL_RECKONING } from '@mellow-anvil/contract';
import { JsonText, serving, type Served } from '../../platform/serve.js';
import type { Reckoner } from './reckoner.js';

/** What the tools' records come to; how the stones stand, and what they were read to cut. */
export const recordsRoutes = (reckoner: Reckoner): readonly Served[] => [
  serving(ROUTES.records, async ({ query: { withinMs }, response }) => {
    const { text, complete } = await reckoner.rack(withinMs);
    if (!complete) response.set(STILL_RECKONING, 'yes');
    return new JsonText(text);
  }),
  serving(ROUTES.life, async ({ params: { toolId = '' } }) => new JsonText(await reckoner.life(toolId))),
  serving(ROUTES.stones, async () => new JsonText(await reckoner.stones())),
  serving(ROUTES.stone, async ({ params: { id = '' } }) => new JsonText(await reckoner.stone(id))),
];
