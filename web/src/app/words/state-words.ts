import type { RackState } from '@mellow-anvil/core/blade';

/** A tool's state as the rack says it. */
export const STATE_WORDS: Readonly<Record<RackState, string>> = {
  ready: 'Ready',
  strop: 'Strop',
  hone: 'Hone',
  regrind: 'Regrind',
  repair: 'Repair',
};
