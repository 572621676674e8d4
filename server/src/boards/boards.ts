import { Joi } from '@mellow-anvil/contract';
import { boardSchema } from '@mellow-anvil/contract';
import type { SettingBoard } from '@mellow-anvil/core/guide';
import { defineKind } from '../shared/kind.js';

export const boards = defineKind<SettingBoard>({
  name: 'boards',
  one: 'setting board',
  schema: boardSchema,
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
  sorts: ['name', 'updatedAt', 'createdAt'],
  searches: ['name'],
  references: [{ column: 'guideId', to: 'guides' }],
  filters: { guideId: Joi.string().max(64) },
});
