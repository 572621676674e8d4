import type { Edge } from '../blade/edge.js';
import { honedAtDeg } from '../guide/facet-settings.js';
import { knifeLift } from '../guide/knife-lift.js';
import { unlessRefused } from '../base/refusal.js';
import { byTurns } from '../work/sides.js';
import type { Lift } from './station.js';

/** How a blade is held where no guide takes it: at its bevel, a knife's spine so far above the stone. */
export function liftOf(edge: Edge): Lift {
  const sides = byTurns(edge) ? 2 : 1;
  if (edge.form === 'knife') {
    const { widthMm, spineMm, leftDeg } = edge;
    const lift = unlessRefused(() => knifeLift({ widthMm, spineThicknessMm: spineMm, bevelDeg: leftDeg }));
    return { bevelDeg: leftDeg, sides, ...(lift && { liftMm: Number(lift.liftMm.toFixed(2)) }) };
  }
  return { bevelDeg: edge.form === 'double-bevel' ? edge.leftDeg : honedAtDeg(edge), sides };
}
