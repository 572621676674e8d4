import type { HookEdge } from '../blade/edge.js';

/** No hook goes further round than this, radians. */
const MOST_ROUND = 5;

/** Length of a hook’s edge along its bend, mm: as measured, and no more than goes round so small a circle. */
export const hookArcMm = ({
  lengthMm,
  innerRadiusMm,
}: Pick<HookEdge, 'lengthMm' | 'innerRadiusMm'>): number => Math.min(lengthMm, MOST_ROUND * innerRadiusMm);
