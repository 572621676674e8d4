import { formatAngle, formatLength } from '@mellow-anvil/core/base';
import type { PatternHand } from '@mellow-anvil/core/pattern';
import type { Settings } from '@mellow-anvil/core/workshop';

/** How a workshop's figures are written on what is handed out. */
export const handOf = ({
  units,
  decimalMark: mark,
}: Pick<Settings, 'units' | 'decimalMark'>): PatternHand => ({
  length: (mm) => formatLength(mm, { units, mark }),
  setting: (mm) => formatLength(mm, { units, mark, fixed: true }),
  angle: (deg) => formatAngle(deg, 2, mark),
});
