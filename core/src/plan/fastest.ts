import { removalPerStrokeMm3 } from '../abrasive/removal.js';
import { removalOf, type ProgressionAbrasive, type ProgressionInput } from './progression.js';

type Push = Pick<ProgressionInput['job'], 'forceN' | 'steelFactor'>;

/** Steel a stroke on an abrasive takes, mm³, at its own push or the job’s. */
export const perStrokeMm3 = (stone: ProgressionAbrasive, { forceN, steelFactor = 1 }: Push): number =>
  removalPerStrokeMm3(removalOf(stone), stone.forceN ?? forceN, stone.strokeMm, steelFactor);

/** The abrasive whose strokes take most; none of none. */
export const fastestOf = (
  abrasives: readonly ProgressionAbrasive[],
  push: Push,
): ProgressionAbrasive | undefined =>
  [...abrasives].sort((a, b) => perStrokeMm3(b, push) - perStrokeMm3(a, push))[0];
