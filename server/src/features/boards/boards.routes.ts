import { ROUTES } from '@mellow-anvil/contract';
import type { Guide, SettingBoard } from '@mellow-anvil/core/guide';
import { boardPattern } from '@mellow-anvil/core/pattern';
import { HttpProblem } from '../../platform/problem.js';
import { SENT, serving, type Served } from '../../platform/serve.js';
import type { Store } from '../../storage/store.js';
import type { Printer } from '../patterns/index.js';

/** `GET /api/boards/<id>/board.<pdf|svg|dxf|stl>`: a stored board at true size. */
export const boardPrintRoute = (
  boards: Store<SettingBoard>,
  guides: Store<Guide>,
  printer: Printer,
): Served =>
  serving(ROUTES.boardPattern, async ({ params: { id = '', form = '' }, query, response }) => {
    const board = await boards.read(id);
    const guide = await guideName(guides, board.guideId);
    const pattern = boardPattern(board, `${guide}, ${board.seatName}`, await printer.hand());
    await printer.send(response, pattern, form, query);
    return SENT;
  });

/** A board outlives its guide's removal being under way; it still can be printed. */
async function guideName(guides: Store<Guide>, id: string): Promise<string> {
  try {
    return (await guides.read(id)).name;
  } catch (reason) {
    if (reason instanceof HttpProblem && reason.status === 404) return 'a guide no longer here';
    throw reason;
  }
}
