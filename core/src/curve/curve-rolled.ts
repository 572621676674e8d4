import { honedDeg, type Edge } from '../blade/edge.js';
import { gougeArc } from './gouge-arc.js';
import { rolled, type RolledInput } from './rolled.js';

/** An iron whose patch is a smaller part of its edge than this is rolled over its stone (estimate). */
const ROLLED_SHARE = 0.25;

/** The curve an edge is rolled by; nothing of one that is not. @param radiusMm of the abrasive, where it is round */
export function curveRolled(edge: Edge, radiusMm?: number): RolledInput | undefined {
  if (edge.form === 'gouge') {
    const { bevelDeg, cannel, thicknessMm, corners } = edge;
    const arc = gougeArc(edge);
    const more = { bevelDeg, ...(corners && { corners }) };
    if (cannel === 'out') return { ...more, radiusMm: arc.radiusMm, arcMm: arc.arcMm };
    const innerMm = arc.radiusMm - thicknessMm;
    if (innerMm <= 0) return undefined;
    return {
      ...more,
      radiusMm: innerMm,
      arcMm: (arc.arcMm * innerMm) / arc.radiusMm,
      ...(radiusMm !== undefined && { rodRadiusMm: Math.min(radiusMm, innerMm) }),
    };
  }
  if (edge.form !== 'single-bevel' || edge.front.shape !== 'arc') return undefined;
  const arc = {
    radiusMm: edge.front.radiusMm,
    arcMm: 2 * edge.front.radiusMm * Math.asin(Math.min(1, edge.widthMm / 2 / edge.front.radiusMm)),
    bevelDeg: honedDeg(edge),
  };
  return rolled(arc).patchMm < ROLLED_SHARE * arc.arcMm ? arc : undefined;
}
