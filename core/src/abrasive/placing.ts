import type { OwnedAbrasive } from './abrasive.js';
import { grit } from './grit.js';

/** An abrasive with the grain it counts as, by its grade or its place. */
export type SizedAbrasive = OwnedAbrasive & { readonly sizeUm: number };

/** How much finer or coarser than its one neighbour a stone placed at an end counts as. */
const ONE_STEP = Math.SQRT2;

/**
 * The grain each abrasive counts as, µm by id: its grade's, or, where it was placed by hand, the
 * geometric mean of its neighbours'. A neighbour that is gone, or a circle of places, falls back on
 * the grade.
 */
export function placedSizesUm(bench: readonly OwnedAbrasive[]): ReadonlyMap<string, number> {
  const byId = new Map(bench.map((abrasive) => [abrasive.id, abrasive]));
  const sizeOf = (id: string | undefined, asked: ReadonlySet<string>): number | undefined => {
    const abrasive = id === undefined ? undefined : byId.get(id);
    if (!abrasive || asked.has(abrasive.id)) return undefined;
    const { between } = abrasive;
    const further = new Set([...asked, abrasive.id]);
    const coarser = between && sizeOf(between.coarserId, further);
    const finer = between && sizeOf(between.finerId, further);
    if (coarser !== undefined && finer !== undefined) return Math.sqrt(coarser * finer);
    if (coarser !== undefined) return coarser / ONE_STEP;
    if (finer !== undefined) return finer * ONE_STEP;
    return grit(abrasive.grade).sizeUm;
  };
  return new Map(bench.map(({ id }) => [id, sizeOf(id, new Set()) as number]));
}

/** Abrasives with the grain they count as, coarse to fine. */
export function inOrder<A extends OwnedAbrasive>(
  bench: readonly A[],
): readonly (A & { readonly sizeUm: number })[] {
  const sizes = placedSizesUm(bench);
  return bench
    .map((abrasive) => ({ ...abrasive, sizeUm: sizes.get(abrasive.id) as number }))
    .sort((a, b) => b.sizeUm - a.sizeUm || a.name.localeCompare(b.name));
}
