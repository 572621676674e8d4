/** The faces of an edge that work is done on. */
export const FACETS = [
  'micro',
  'secondary',
  'primary',
  'bevel',
  'left',
  'right',
  'back',
  'rim',
  'body',
  'inside',
  'keel',
] as const;
export type Facet = (typeof FACETS)[number];
