import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { wheelRadiusMm } from '../abrasive/wheel.js';
import type { Guide, WetWheelJig } from './guide.js';

/** A wet-wheel jig with the radius its wheel measures now; any other guide, and a jig of no wheel, as it is. */
export function onItsWheel<G extends Guide>(guide: G, bench: readonly OwnedAbrasive[]): G {
  if (guide.form !== 'wet-wheel-jig') return guide;
  const { wheelId } = guide as WetWheelJig;
  const wheel = bench.find(({ id }) => id === wheelId);
  const radius = wheel && wheelRadiusMm(wheel);
  return radius === undefined ? guide : { ...guide, wheelRadiusMm: radius };
}
