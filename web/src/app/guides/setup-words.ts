import type { HonedFacet } from '@mellow-anvil/core';

/** What a facet that is set to an angle is called. */
export const FACET_NAMES: Readonly<Record<HonedFacet, string>> = {
  primary: 'Primary',
  secondary: 'Secondary',
  micro: 'Micro-bevel',
  left: 'Left bevel',
  right: 'Right bevel',
  bevel: 'Bevel',
};
