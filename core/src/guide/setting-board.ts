import { guideProjection } from './guide-projection.js';
import { isRoller, seatGeometry, type Guide, type GuideGeometry, type GuideSeat } from './guide.js';
import { formatLength } from '../base/length.js';
import { insist, Refusal, refusedAt } from '../base/refusal.js';

/** What a stop is meant to give: its letter, its angle, and where along the fence it stands. */
export interface StopAsked {
  readonly label: string;
  readonly angleDeg: number;
  /** From the board's left end to the stop's middle; laid out where it is left out. */
  readonly alongMm?: number;
}

/** A stop as it was cut: the blade's edge meets it this far from the fence. */
export interface BoardStop extends StopAsked {
  readonly alongMm: number;
  readonly projectionMm: number;
}

/** Sizes of the board's own wood or plastic, mm. */
export interface BoardSizes {
  /** Along the fence. */
  readonly lengthMm: number;
  /** From the fence to the far side. */
  readonly depthMm: number;
  readonly thicknessMm: number;
  readonly stopWidthMm: number;
  readonly stopDepthMm: number;
  readonly stopHeightMm: number;
  /** The widest blade set on it, which has to pass its neighbours. */
  readonly bladeWidthMm: number;
}

/** A setting board as it is asked for. */
export interface BoardAsked extends BoardSizes {
  readonly name: string;
  readonly guideId: string;
  readonly seatName: string;
  /** The micro-bevel cam's step it is made for, where not at rest. */
  readonly camRiseMm?: number;
  /** The blade's thickness, where the seat holds the underside. */
  readonly bladeThicknessMm?: number;
  readonly stops: readonly StopAsked[];
}

/** The stops of an earlier making of the same board. */
export interface BoardRevision {
  readonly revision: number;
  /** The day it was cut. */
  readonly cutOn: string;
  readonly stops: readonly BoardStop[];
}

/** A board that exists: one stop for each angle, at the guide's projection on the day it was cut. */
export interface SettingBoard extends BoardAsked {
  readonly stops: readonly BoardStop[];
  readonly revision: number;
  readonly cutOn: string;
  /** Earlier makings, oldest first. */
  readonly earlier: readonly BoardRevision[];
}

/** Room left beside a blade on its way to its stop, and beyond the outermost stops. */
const PLAY_MM = 1;
const MARGIN_MM = 5;
/** The most stops one board holds. */
export const MOST_STOPS = 40;
/** Makings of a board that are remembered. */
const REVISIONS_KEPT = 50;

/** Sizes to begin with: a hand's breadth of board, stops wide enough to square a blade on. Estimates. */
export const USUAL_BOARD: BoardSizes = {
  lengthMm: 240,
  depthMm: 75,
  thicknessMm: 12,
  stopWidthMm: 24,
  stopDepthMm: 12,
  stopHeightMm: 6,
  bladeWidthMm: 51,
};

/** From one stop's middle to the next, so that the blade set on one passes the other. */
export const stopPitchMm = ({ bladeWidthMm, stopWidthMm }: BoardSizes): number =>
  Math.max(stopWidthMm, (bladeWidthMm + stopWidthMm) / 2 + PLAY_MM);

/** The shortest board that holds so many stops. */
export const leastLengthMm = (sizes: BoardSizes, stops: number): number =>
  Math.ceil((stops - 1) * stopPitchMm(sizes) + sizes.stopWidthMm + 2 * MARGIN_MM);

/** The least depth that holds the stop furthest out. */
export const leastDepthMm = (sizes: BoardSizes, stops: readonly Pick<BoardStop, 'projectionMm'>[]): number =>
  Math.ceil(Math.max(0, ...stops.map(({ projectionMm }) => projectionMm)) + sizes.stopDepthMm + MARGIN_MM);

/** The first letter no stop has yet: A … Z, then A1 … Z1 and on. */
export function nextLabel(taken: readonly string[]): string {
  for (let i = 0; ; i++) {
    const label = String.fromCharCode(65 + (i % 26)) + (i < 26 ? '' : String(Math.floor(i / 26)));
    if (!taken.includes(label)) return label;
  }
}

/** The seat a board is made for. @throws Refusal on `guideId` or `seatName`. */
export function boardSeat(
  guide: Guide,
  { seatName, camRiseMm, bladeThicknessMm }: Pick<BoardAsked, 'seatName' | 'camRiseMm' | 'bladeThicknessMm'>,
): { readonly guide: GuideGeometry; readonly thicknessMm?: number | undefined; readonly seat: GuideSeat } {
  if (!isRoller(guide)) {
    throw new Refusal(
      'guideId',
      'A setting board sets a projection: choose a guide that rolls on the stone.',
    );
  }
  const seat = guide.seats.find(({ name }) => name === seatName);
  if (!seat) {
    throw new Refusal('seatName', `This guide has no seat “${seatName}” any more: choose one it has.`);
  }
  insist(
    seat.registers === 'back' || bladeThicknessMm !== undefined,
    'bladeThicknessMm',
    'This seat holds the underside, so the blade’s thickness counts: give the thickness the board is for.',
  );
  return { guide: seatGeometry(guide, seat, camRiseMm), thicknessMm: bladeThicknessMm, seat };
}

/**
 * A board's stops on a guide as it is now: each at its `guide-projection`, those without a place laid
 * out along the fence in order.
 * @throws Refusal on `stops.<n>.angleDeg` where the guide cannot hold an angle
 */
export function cutStops(guide: Guide, asked: BoardAsked): readonly BoardStop[] {
  const seat = boardSeat(guide, asked);
  const pitch = stopPitchMm(asked);
  return asked.stops.map(({ label, angleDeg, alongMm }, i) => ({
    label,
    angleDeg,
    alongMm: alongMm ?? MARGIN_MM + asked.stopWidthMm / 2 + i * pitch,
    projectionMm: refusedAt(`stops.${i}.angleDeg`, () => guideProjection({ ...seat, angleDeg }).projectionMm),
  }));
}

/**
 * A board's stops, those of an earlier making where they were cut: as long as neither the guide, its
 * seat, the cam, the blade's thickness nor the stop's own angle changed.
 */
export function stopsAsCut(guide: Guide, asked: BoardAsked, before?: SettingBoard): readonly BoardStop[] {
  const stops = cutStops(guide, asked);
  const same =
    before?.guideId === asked.guideId &&
    before.seatName === asked.seatName &&
    before.camRiseMm === asked.camRiseMm &&
    before.bladeThicknessMm === asked.bladeThicknessMm;
  if (!same) return stops;
  return stops.map((stop) => {
    const cut = before.stops.find(
      ({ label, angleDeg }) => label === stop.label && angleDeg === stop.angleDeg,
    );
    return cut ? { ...stop, projectionMm: cut.projectionMm } : stop;
  });
}

/** What keeps a board from being made, each at its field with what to change. */
interface BoardFault {
  readonly field: string;
  readonly message: string;
}

const mm = (length: number): string => formatLength(length, { units: 'mm' });

/** Stops past the board's end or side, and stops in each other's way. */
export function boardFaults(
  board: BoardSizes & { readonly stops: readonly BoardStop[] },
): readonly BoardFault[] {
  const { lengthMm, depthMm, stopWidthMm, stopDepthMm, stops } = board;
  const past = stops.flatMap(({ label, projectionMm, alongMm }, i): BoardFault[] => {
    if (projectionMm + stopDepthMm > depthMm + 1e-9) {
      return [
        {
          field: `stops.${i}.angleDeg`,
          message: `Stop ${label} begins ${mm(projectionMm)} from the fence and is ${mm(stopDepthMm)} deep, past the end of a board ${mm(depthMm)} deep: make the board at least ${mm(leastDepthMm(board, stops))} deep.`,
        },
      ];
    }
    return alongMm - stopWidthMm / 2 < -1e-9 || alongMm + stopWidthMm / 2 > lengthMm + 1e-9
      ? [
          {
            field: `stops.${i}.alongMm`,
            message: `Stop ${label} stands past the side of a board ${mm(lengthMm)} long: ${stops.length} such stops need one of ${mm(leastLengthMm(board, stops.length))}, narrower stops, or a second board.`,
          },
        ]
      : [];
  });
  return [...past, ...collisions(board, stops)];
}

/**
 * A stop nearer the fence stands in the way of a blade set on one further out unless the blade passes
 * beside it; two at one distance need only room for themselves and each other's blade.
 */
function collisions(sizes: BoardSizes, stops: readonly BoardStop[]): readonly BoardFault[] {
  const pitch = stopPitchMm(sizes);
  const placed = stops.map((stop, i) => ({ ...stop, i })).sort((a, b) => a.alongMm - b.alongMm);
  return placed.slice(1).flatMap((stop, n): BoardFault[] => {
    const before = placed[n] as (typeof placed)[number];
    const apart = stop.alongMm - before.alongMm;
    if (apart >= pitch - 1e-9) return [];
    const why =
      apart < sizes.stopWidthMm - 1e-9
        ? 'lie on top of each other'
        : `stand in the way of a blade ${mm(sizes.bladeWidthMm)} wide`;
    return [
      {
        field: `stops.${stop.i}.alongMm`,
        message: `Stops ${before.label} and ${stop.label} ${why}: set them ${mm(pitch)} apart, middle to middle (they are ${mm(apart)}).`,
      },
    ];
  });
}

/**
 * A board made from what is asked: what was cut before stays ({@link stopsAsCut}), the rest is cut today.
 * Any stop that is not as before makes it a new revision, and the stops before are remembered.
 * @param again every stop is cut anew, by the guide as it measures now
 * @throws Refusal naming the first thing that keeps it from being made
 */
export function makeBoard(
  guide: Guide,
  asked: BoardAsked,
  today: string,
  before?: SettingBoard,
  again = false,
): SettingBoard {
  insist(asked.stops.length > 0, 'stops', 'A setting board holds at least one stop: give an angle.');
  const stops = stopsAsCut(guide, asked, again ? undefined : before);
  const [fault] = boardFaults({ ...asked, stops });
  if (fault) throw new Refusal(fault.field, fault.message);
  if (!before) return { ...asked, stops, revision: 1, cutOn: today, earlier: [] };
  if (sameStops(before.stops, stops)) {
    const { revision, cutOn, earlier } = before;
    return { ...asked, stops, revision, cutOn, earlier };
  }
  const { revision, cutOn, stops: replaced } = before;
  return {
    ...asked,
    stops,
    revision: revision + 1,
    cutOn: today,
    earlier: [...before.earlier, { revision, cutOn, stops: replaced }].slice(-REVISIONS_KEPT),
  };
}

function sameStops(a: readonly BoardStop[], b: readonly BoardStop[]): boolean {
  const key = ({ label, angleDeg, projectionMm }: BoardStop): string =>
    `${label} ${angleDeg} ${projectionMm}`;
  return a.length === b.length && a.every((stop, i) => key(stop) === key(b[i] as BoardStop));
}
