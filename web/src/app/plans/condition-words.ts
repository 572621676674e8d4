import type { ConditionKind } from '@mellow-anvil/core';

/** How dull an edge is, as people say it. */
export const CONDITION_WORDS: Readonly<Record<ConditionKind, string>> = {
  fading: 'Fading',
  dull: 'Dull',
  'very-dull': 'Very dull',
  nicked: 'Nicked',
};
