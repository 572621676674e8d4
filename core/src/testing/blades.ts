import type { SingleBevelEdge } from '../edge/edge.js';

/** A flat-backed blade for specs: only what matters to one is given. */
export const flatBlade = (figures: Partial<SingleBevelEdge>): SingleBevelEdge => ({
  form: 'single-bevel',
  widthMm: 20,
  thicknessMm: 3,
  primaryDeg: 25,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
  ...figures,
});
