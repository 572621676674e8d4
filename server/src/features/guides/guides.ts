import { RESOURCES } from '@mellow-anvil/contract';
import type { Guide } from '@mellow-anvil/core/guide';
import { defineKind } from '../../storage/kind.js';
import { defineTable } from '../../storage/table.js';

export const guides = defineKind<Guide>({
  ...RESOURCES.guides,
  ...defineTable<Guide>({
    name: 'guides',
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
  }),
  searches: ['name', 'notes'],
});
