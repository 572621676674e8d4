import { insist } from '../base/refusal.js';

interface RodFitInput {
  /** Of the hook or gouge, on its hollow side. */
  readonly innerRadiusMm: number;
  /** Paper round the rod, 0 unless given. */
  readonly paperMm?: number;
}

/**
 * The rod that, with its paper round it, just fills a hollow: 2(r − paper). People take one a little
 * smaller (common practice).
 * @throws Refusal on `paperMm` when it fills the hollow by itself
 */
export function rodFit({ innerRadiusMm, paperMm = 0 }: RodFitInput): { readonly rodDiameterMm: number } {
  insist(paperMm < innerRadiusMm, 'paperMm', 'The paper alone fills this curve: take a thinner one.');
  return { rodDiameterMm: 2 * (innerRadiusMm - paperMm) };
}
