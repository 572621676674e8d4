import { TIP_RADIUS_UM, depthOfMm, type Condition } from '../edge/dulling.js';
import type { Edge } from '../edge/edge.js';
import { facetsNow, withTip, type EdgeAtWork } from './edge-at-work.js';
import { sidesOf } from './sides.js';
import { recessionForTipMm } from './tip.js';

/** Marks a maker, or nobody knows who, left on every face of an edge, µm (estimates, replaced by what is seen). */
export const FOUND_MARKS_UM: Partial<Record<Condition['kind'], number>> = { new: 6, unknown: 12 };

/** An edge as somebody found it before honing. */
export function asFound(edge: Edge, work: EdgeAtWork, condition: Condition | undefined): EdgeAtWork {
  if (!condition) return work;
  const tipped = withTip(
    { ...work, nickMm: depthOfMm(condition) },
    condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind],
  );
  const found = FOUND_MARKS_UM[condition.kind];
  if (found === undefined) return tipped;
  const facets = [...facetsNow(edge, work).map(({ facet }) => facet), 'back' as const];
  return { ...tipped, marksUm: Object.fromEntries(facets.map((facet) => [facet, found])) };
}

/** How far an edge has to go back for what was wrong with it, mm: the nick, then the tip. */
export function clearingMm(edge: Edge, condition: Condition | undefined): number {
  if (!condition) return 0;
  const { includedDeg, other } = sidesOf(edge);
  const tipUm = condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind];
  return recessionForTipMm(tipUm, includedDeg, other ? 2 : 1) + depthOfMm(condition);
}
