import type { BoardStop, SessionSetting, StopShift } from '@mellow-anvil/core/guide';
import type { Figures } from '../ui/figures';

/** “Stop C · 29.90 mm · 30°”. */
export const stopWords = (
  { label, projectionMm, angleDeg }: Pick<BoardStop, 'label' | 'projectionMm' | 'angleDeg'>,
  figures: Figures,
): string => `Stop ${label} · ${figures.patternHand().setting(projectionMm)} · ${figures.angle(angleDeg, 2)}`;

/** What re-measuring its guide did to a stop. */
export function shiftWords({ stop, nowMm, byMm, givesDeg }: StopShift, figures: Figures): string {
  const { label, angleDeg, projectionMm } = stop;
  const as = givesDeg === undefined ? '' : ` As it stands it gives ${figures.angle(givesDeg, 2)}.`;
  if (nowMm === undefined || byMm === undefined)
    return `Stop ${label}: the guide no longer reaches ${figures.angle(angleDeg)}.${as}`;
  const way = byMm > 0 ? 'further from the fence' : 'nearer the fence';
  return `Stop ${label}, ${figures.angle(angleDeg)}: cut at ${figures.length(projectionMm)}, now ${figures.length(nowMm)}, ${figures.length(Math.abs(byMm))} ${way}.${as}`;
}

/** The angle something was set to, or the two of a blade set on each side by itself. */
export const settingAngles = (
  { angleDeg, rightDeg }: Pick<SessionSetting, 'angleDeg' | 'rightDeg'>,
  figures: Figures,
): string =>
  rightDeg === undefined
    ? figures.angle(angleDeg)
    : `${figures.angle(angleDeg)} left, ${figures.angle(rightDeg)} right`;
