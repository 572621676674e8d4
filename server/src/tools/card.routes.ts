import { Router } from 'express';
import { printQuerySchema } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { type Guide, type SettingBoard, toolCard } from '@mellow-anvil/core/guide';
import { sendFile, type Printer } from '../patterns/printer.js';
import type { Reckoner } from '../records/reckoner.js';
import { checked } from '../shared/resource.routes.js';
import type { Store } from '../shared/store.js';
import { figured } from '../workers/workers.js';

const ALL = { sort: 'name', page: 1, pageSize: 500 };

/** `GET /api/tools/<id>/card.pdf`: a tool's one page. */
export function cardRoutes(
  tools: Store<Tool>,
  guides: Store<Guide>,
  boards: Store<SettingBoard>,
  abrasives: Store<Abrasive>,
  reckoner: Reckoner,
  printer: Printer,
): Router {
  return Router().get('/:id/card.pdf', async (request, response) => {
    const query = checked(printQuerySchema, request.query, true);
    const tool = await tools.read(request.params.id);
    const [owned, made, bench, { state }] = await Promise.all([
      guides.list(ALL),
      boards.list(ALL),
      abrasives.list(ALL),
      reckoner.record(tool.id),
    ]);
    const card = toolCard(tool, owned.items, made.items, bench.items, state.lastSetting);
    const address = `${request.protocol}://${request.get('host') ?? 'localhost'}/tools/${tool.id}`;
    const body = await figured('drawCard', {
      card,
      edge: tool.edge,
      address,
      figures: await printer.figures(),
      paper: query.paper,
      printer: await printer.bars(query),
    });
    sendFile(response, body, 'application/pdf', `${tool.name}.pdf`);
  });
}
