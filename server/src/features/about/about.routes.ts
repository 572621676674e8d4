import { ROUTES } from '@mellow-anvil/contract';
import { describeTask } from '../../platform/openapi.js';
import { JsonText, serving, type Served } from '../../platform/serve.js';
import { VERSION } from '../../platform/version.js';
import { beside } from '../../platform/workers.js';
import type { Database } from '../../storage/database.js';

/** What the server says of itself: its description, the workshop file's, and whether it answers. */
export function aboutRoutes(database: Database): readonly Served[] {
  const server = once(() => beside(describeTask, 'server'));
  const file = once(() => beside(describeTask, 'file'));
  return [
    serving(ROUTES.openApi, async () => new JsonText(await server())),
    serving(ROUTES.workshopSchema, async () => new JsonText(await file())),
    serving(ROUTES.health, async () => {
      await database.sequelize.query('SELECT 1');
      return { status: 'ok' as const, version: VERSION, schema: database.schema };
    }),
  ];
}

/** Works something out the first time it is asked for, and keeps it. */
function once<T>(work: () => T): () => T {
  let kept: T | undefined;
  return () => (kept ??= work());
}
