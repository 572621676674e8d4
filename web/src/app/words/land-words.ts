import type { EdgeState } from '@mellow-anvil/core/record';

/** What the reckoning of a land starts from. */
export const LAND_FROM: Readonly<Record<EdgeState['landFrom'], string>> = {
  entered: 'As entered',
  assumed: 'Taken until you measure it',
  measured: 'As measured',
  ground: 'Freshly ground',
};
