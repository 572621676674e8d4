import { tanDeg } from '../base/trig.js';
import { edgeLengthMm, includedDeg, type Edge } from '../blade/edge.js';
import type { Steel } from '../blade/tool.js';
import { HEAT_LIMITS } from './temper-colours.js';
import type { WedgeHeatInput } from './wedge-heat.js';

/** A powered strop lies along so much of an edge from its tip, and is so wide, mm (estimates). */
const STROP = { contactMm: 2, widthMm: 25 } as const;
/** A light hand on a powered strop, N, and how fast its rim runs, m/s (estimates). */
export const POWERED_STROP = { pushN: 5, rimMs: 15 } as const;

/**
 * An edge held to a powered strop, as the heat of a wheel is reckoned: the last two millimetres of a wedge of its own
 * angle, out to the very tip, up to where plain carbon edges are tempered. The thinner the edge, the sooner.
 * @example wedgeHeat(stropHeat(chipKnife, 'high-carbon')).passS // seconds a touch may last
 */
export function stropHeat(edge: Edge, steel: Steel): WedgeHeatInput {
  const bevelDeg = includedDeg(edge);
  return {
    bevelDeg,
    thicknessMm: STROP.contactMm * tanDeg(bevelDeg),
    widthMm: Math.min(edgeLengthMm(edge), STROP.widthMm),
    stopShortMm: 0,
    steel,
    limitC: HEAT_LIMITS['usual-tempering'],
    ...POWERED_STROP,
  };
}
