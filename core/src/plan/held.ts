import type { Edge, KnifeEdge } from '../blade/edge.js';
import { honedAtDeg } from '../guide/facet-settings.js';
import { knifeLift } from '../guide/knife-lift.js';
import type { SessionSetting } from '../guide/setting.js';
import { unlessRefused } from '../base/refusal.js';
import { byTurns } from '../work/sides.js';
import type { Lift } from './station.js';

/** How a blade is held where no guide takes it: at its bevel, a knife's spine so far above the stone, each side by itself. */
export function liftOf(edge: Edge): Lift {
  const sides = byTurns(edge) ? 2 : 1;
  if (edge.form === 'knife') {
    const { leftDeg, rightDeg } = edge;
    const [liftMm, rightMm] = [spineOver(edge, leftDeg), spineOver(edge, rightDeg)];
    return {
      bevelDeg: leftDeg,
      sides,
      ...(liftMm !== undefined && { liftMm }),
      ...(rightDeg !== leftDeg && { rightDeg, ...(rightMm !== undefined && { rightMm }) }),
    };
  }
  if (edge.form !== 'double-bevel') return { bevelDeg: honedAtDeg(edge), sides };
  const { leftDeg, rightDeg } = edge;
  return { bevelDeg: leftDeg, sides, ...(rightDeg !== leftDeg && { rightDeg }) };
}

function spineOver({ widthMm, spineMm }: KnifeEdge, bevelDeg: number): number | undefined {
  const lift = unlessRefused(() => knifeLift({ widthMm, spineThicknessMm: spineMm, bevelDeg }));
  return lift && Number(lift.liftMm.toFixed(2));
}

/** What the record keeps of a blade set by the hand on both its sides: the angle of each. */
export const handSet = ({ bevelDeg, rightDeg }: Lift): SessionSetting => ({
  angleDeg: bevelDeg,
  ...(rightDeg !== undefined && { rightDeg }),
});
