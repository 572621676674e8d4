import { Router } from 'express';
import { printQuerySchema } from '@mellow-anvil/contract';
import type { Guide, SettingBoard } from '@mellow-anvil/core/guide';
import { boardPattern } from '@mellow-anvil/core/pattern';
import type { Printer } from '../patterns/printer.js';
import { HttpProblem } from '../shared/problem.js';
import { checked } from '../shared/resource.routes.js';
import type { Store } from '../shared/store.js';

/** `GET /api/boards/<id>/board.<pdf|svg|dxf|stl>`: a stored board at true size. */
export function boardPrintRoutes(
  boards: Store<SettingBoard>,
  guides: Store<Guide>,
  printer: Printer,
): Router {
  return Router().get('/:id/board.:form', async (request, response) => {
    const query = checked(printQuerySchema, request.query, true);
    const board = await boards.read(request.params.id);
    const guide = await guideName(guides, board.guideId);
    const hand = await printer.hand();
    await printer.send(
      response,
      boardPattern(board, `${guide}, ${board.seatName}`, hand),
      request.params.form,
      query,
    );
  });
}

/** A board outlives its guide's removal being under way; it still can be printed. */
async function guideName(guides: Store<Guide>, id: string): Promise<string> {
  try {
    return (await guides.read(id)).name;
  } catch (reason) {
    if (reason instanceof HttpProblem && reason.status === 404) return 'a guide no longer here';
    throw reason;
  }
}
