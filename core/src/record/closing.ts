import type { Edge } from '../blade/edge.js';
import { sinDeg } from '../base/trig.js';
import { sidesOf } from '../work/sides.js';
import type { EdgeState } from './edge-state.js';

/**
 * Honings until the two rims of a hollow facet meet, as they went since it was ground: from then on all of it is
 * honed. What is still open between them is a chord of the wheel, and comes down by its sagitta, the edge going back
 * by that over the sine of its angle.
 * @returns 0 once they have met; undefined of an edge that is not honed on the rims of a hollow, or before anything
 * came off
 */
export function honingsToClose(
  edge: Edge,
  { facets, recessionMm, honings }: Pick<EdgeState, 'facets' | 'recessionMm' | 'honings'>,
): number | undefined {
  const { hollow, thicknessMm, facets: honed } = sidesOf(edge).one;
  const [facet, second] = honed;
  const rimsMm = facets.find((each) => each.facet === facet?.facet)?.lengthMm;
  if (!hollow || second || rimsMm === undefined || honings === 0 || recessionMm <= 0) return undefined;
  const { deg, wheelRadiusMm } = hollow;
  const openMm = Math.max(0, thicknessMm / sinDeg(deg) - rimsMm);
  const deepMm = wheelRadiusMm - Math.sqrt(wheelRadiusMm ** 2 - (openMm / 2) ** 2);
  return Math.ceil(deepMm / sinDeg(deg) / (recessionMm / honings) - 1e-9);
}
