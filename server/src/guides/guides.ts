import { guideSchema } from '@mellow-anvil/contract';
import type { Guide } from '@mellow-anvil/core/guide';
import { defineKind } from '../shared/kind.js';

export const guides = defineKind<Guide>({
  name: 'guides',
  one: 'guide',
  schema: guideSchema,
  columns: {
    name: 'text',
    form: 'text',
    rollerRadiusMm: 'real',
    noseMm: 'real',
    rollerDropMm: 'real',
    camRisesMm: 'json',
    seats: 'json',
    fixedDeg: 'real',
    wheelRadiusMm: 'real',
    jigProjectionMm: 'real',
    offsetMm: 'real',
    wheelId: 'text',
    barDiameterMm: 'real',
    notes: 'text',
  },
  sorts: ['name', 'updatedAt', 'createdAt'],
  searches: ['name', 'notes'],
});
