import type { Edge } from '../blade/edge.js';
import { bladeGeometry } from './facet-settings.js';
import { guideAngle } from './guide-angle.js';
import { guideProjection } from './guide-projection.js';
import { isRoller, type Guide, type GuideSeat } from './guide.js';
import { unlessRefused } from '../base/refusal.js';
import type { Identified } from '../base/identified.js';
import { boardSeat, type BoardStop, type SettingBoard } from './setting-board.js';

/** A stop held against its guide as that measures now. */
export interface StopShift {
  readonly stop: BoardStop;
  /** Where it would be cut today; absent where the guide no longer reaches the angle. */
  readonly nowMm?: number;
  /** How far it would move, positive away from the fence. */
  readonly byMm?: number;
  /** The angle it gives as it stands. */
  readonly givesDeg?: number;
}

/** Smaller moves than a saw or a printer makes are none. */
const SHIFT_FROM_MM = 0.01;
/** How far from the angle wanted a stop may set a blade and still be used for it (estimate). */
const STOP_WITHIN_DEG = 0.25;

/**
 * Where every stop of a board would be cut today: re-measuring a guide moves them.
 * @throws Refusal where the guide no longer has the board's seat
 */
export function boardShifts(guide: Guide, board: SettingBoard): readonly StopShift[] {
  const seat = boardSeat(guide, board);
  return board.stops.map((stop) => {
    const nowMm = unlessRefused(() => guideProjection({ ...seat, angleDeg: stop.angleDeg }).projectionMm);
    const givesDeg = unlessRefused(() => guideAngle({ ...seat, projectionMm: stop.projectionMm }).angleDeg);
    return {
      stop,
      ...(nowMm !== undefined && { nowMm, byMm: nowMm - stop.projectionMm }),
      ...(givesDeg !== undefined && { givesDeg }),
    };
  });
}

/** Those of them that moved. */
export const movedStops = (shifts: readonly StopShift[]): readonly StopShift[] =>
  shifts.filter(({ byMm }) => byMm === undefined || Math.abs(byMm) >= SHIFT_FROM_MM);

/** A stop that sets an edge to an angle. */
export interface StopFound {
  readonly boardId: string;
  readonly board: string;
  readonly label: string;
  readonly projectionMm: number;
  /** What it gives this blade, in the guide as it measures now. */
  readonly givesDeg: number;
}

/**
 * The stop that sets this edge nearest to an angle in a seat, among all boards made for it.
 * @returns undefined where none comes within {@link STOP_WITHIN_DEG}
 */
export function stopFor(
  boards: readonly Identified<SettingBoard>[],
  guide: Identified<Guide>,
  seat: GuideSeat | undefined,
  edge: Edge,
  angleDeg: number,
): StopFound | undefined {
  if (!isRoller(guide) || !seat) return undefined;
  const found = boards
    .filter(({ guideId, seatName }) => guideId === guide.id && seatName === seat.name)
    .flatMap((board) =>
      board.stops.flatMap(({ label, projectionMm }): StopFound[] => {
        const geometry = bladeGeometry(edge, guide, seat, board.camRiseMm);
        const gives = unlessRefused(() => guideAngle({ ...geometry, projectionMm }).angleDeg);
        return gives === undefined
          ? []
          : [{ boardId: board.id, board: board.name, label, projectionMm, givesDeg: gives }];
      }),
    );
  const off = ({ givesDeg }: StopFound): number => Math.abs(givesDeg - angleDeg);
  const nearest = found.reduce<StopFound | undefined>(
    (best, each) => (best && off(best) <= off(each) ? best : each),
    undefined,
  );
  return nearest && off(nearest) <= STOP_WITHIN_DEG ? nearest : undefined;
}
