import { RESOURCES } from '@mellow-anvil/contract';
import type { SettingBoard } from '@mellow-anvil/core/guide';
import { defineKind } from '../../storage/kind.js';
import { defineTable } from '../../storage/table.js';

export const boards = defineKind<SettingBoard>({
  ...RESOURCES.boards,
  ...defineTable<SettingBoard>({
    name: 'boards',
    columns: {
      name: 'text',
      guideId: 'text',
      seatName: 'text',
      camRiseMm: 'real',
      bladeThicknessMm: 'real',
      lengthMm: 'real',
      depthMm: 'real',
      thicknessMm: 'real',
      stopWidthMm: 'real',
      stopDepthMm: 'real',
      stopHeightMm: 'real',
      bladeWidthMm: 'real',
      stops: 'json',
      revision: 'real',
      cutOn: 'text',
      earlier: 'json',
    },
  }),
  searches: ['name'],
  references: [{ column: 'guideId', to: 'guides' }],
});
