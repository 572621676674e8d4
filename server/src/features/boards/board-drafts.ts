import type { BoardDraft } from '@mellow-anvil/contract';
import { type Guide, type SettingBoard, makeBoard } from '@mellow-anvil/core/guide';
import { orInvalid } from '../../storage/or-invalid.js';
import type { Complete } from '../../storage/resource.routes.js';
import type { Store } from '../../storage/store.js';

/** A board's stops are cut here, by the guide as it is; those already cut stay as they were. */
export function boardDrafts(guides: Store<Guide>, today: () => string): Complete<SettingBoard, BoardDraft> {
  return async ({ again, ...asked }, before) => {
    const guide = await orInvalid('guideId', guides.read(asked.guideId));
    return makeBoard(guide, asked, today(), before, again);
  };
}
