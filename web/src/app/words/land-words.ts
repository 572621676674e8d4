import type { EdgeState } from '@mellow-anvil/core/record';
import type { Figures } from '../ui/figures';

/** What the reckoning of a land starts from. */
export const LAND_FROM: Readonly<Record<EdgeState['landFrom'], string>> = {
  entered: 'As entered',
  assumed: 'Taken until you measure it',
  measured: 'By its readings',
  ground: 'Freshly ground',
};

/** What the last reading of a land contradicts, where it does. */
export function landAgainstWords({ landAgainst }: EdgeState, figures: Figures): string {
  if (!landAgainst) return '';
  return ` Its last reading contradicts what was reckoned, ${figures.length(landAgainst.landMm)} ± ${figures.length(landAgainst.pmMm)}: read it once more.`;
}
