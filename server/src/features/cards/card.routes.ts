import { ROUTES } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import type { Tool } from '@mellow-anvil/core/blade';
import { type Guide, type SettingBoard, toolCard } from '@mellow-anvil/core/guide';
import { sendFile, type Printer } from '../patterns/index.js';
import type { Reckoner } from '../records/index.js';
import type { Store } from '../../storage/store.js';
import { beside } from '../../platform/workers.js';
import { type Served, serving, SENT } from '../../platform/serve.js';
import { drawCardTask } from './tasks.js';

const ALL = { sort: 'name', page: 1, pageSize: 500 };

/** `GET /api/tools/<id>/card.pdf`: a tool's one page. */
export const cardRoute = (
  tools: Store<Tool>,
  guides: Store<Guide>,
  boards: Store<SettingBoard>,
  abrasives: Store<Abrasive>,
  reckoner: Reckoner,
  printer: Printer,
): Served =>
  serving(ROUTES.toolCard, async ({ params: { id = '' }, query, request, response }) => {
    const tool = await tools.read(id);
    const [owned, made, bench, { state }] = await Promise.all([
      guides.list(ALL),
      boards.list(ALL),
      abrasives.list(ALL),
      reckoner.record(tool.id),
    ]);
    const card = toolCard(tool, owned.items, made.items, bench.items, state.lastSetting);
    const address = `${request.protocol}://${request.get('host') ?? 'localhost'}/tools/${tool.id}`;
    const body = await beside(drawCardTask, {
      card,
      edge: tool.edge,
      address,
      figures: await printer.figures(),
      paper: query.paper,
      printer: await printer.bars(query),
    });
    sendFile(response, body, 'application/pdf', `${tool.name}.pdf`);
    return SENT;
  });
