import type { Abrasive } from '../abrasive/abrasive.js';
import { PLAN_DEFAULTS } from '../progression/honing-plan.js';
import { cuttingMm } from '../progression/pace.js';
import type { SessionStep } from '../session/session.js';

/** Push, N, and length that cut, mm, of each stroke of a step: as noted, else the stone's, else as plans have it. */
export const strokeOf = (
  { forceN, bothWays }: SessionStep,
  stone: Pick<Abrasive, 'strokeMm' | 'forceN'>,
): { readonly forceN: number; readonly strokeMm: number } => ({
  forceN: forceN ?? stone.forceN ?? PLAN_DEFAULTS.forceN,
  strokeMm: cuttingMm(stone.strokeMm, bothWays ? 'both' : 'pull'),
});
