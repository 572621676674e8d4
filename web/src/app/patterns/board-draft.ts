import type { BoardDraft } from '@mellow-anvil/contract';
import { attempt, type Identified, Refusal } from '@mellow-anvil/core/base';
import {
  boardFaults,
  type BoardSizes,
  type BoardStop,
  type Guide,
  isRoller,
  leastDepthMm,
  leastLengthMm,
  nextLabel,
  type RollerGuide,
  type SettingBoard,
  type StopAsked,
  stopsAsCut,
  USUAL_BOARD,
} from '@mellow-anvil/core/guide';
import type { Sentences } from '../ui/checks';

/** A board being asked for; stops that were cut keep their projection as long as they may. */
export type BoardForm = Omit<BoardDraft, 'stops'> & {
  readonly stops: readonly (StopAsked & Partial<Pick<BoardStop, 'projectionMm'>>)[];
};

/** Sizes of the board itself, in the order they are measured. */
export const BOARD_SIZES: readonly {
  readonly field: keyof BoardSizes;
  readonly label: string;
  readonly hint: string;
}[] = [
  { field: 'bladeWidthMm', label: 'Widest blade', hint: 'It has to pass the stops beside its own' },
  { field: 'lengthMm', label: 'Length', hint: 'Along the fence' },
  { field: 'depthMm', label: 'Depth', hint: 'From the fence to the far side' },
  { field: 'thicknessMm', label: 'Thickness', hint: 'So that the guide’s nose meets the fence' },
  { field: 'stopWidthMm', label: 'A stop’s width', hint: 'Wide enough to square a blade on' },
  { field: 'stopDepthMm', label: 'A stop’s depth', hint: 'Away from the fence' },
  { field: 'stopHeightMm', label: 'A stop’s height', hint: 'Above the board' },
];

type RollerGuides = readonly (RollerGuide & { readonly id: string })[];

export const rollersOf = (guides: readonly Identified<Guide>[]): RollerGuides =>
  guides.filter((guide): guide is RollerGuide & { readonly id: string } => isRoller(guide));

/** Stops at these angles, lettered in order. */
const lettered = (angles: readonly number[]): readonly StopAsked[] =>
  angles.reduce<readonly StopAsked[]>(
    (stops, angleDeg) => [...stops, { label: nextLabel(stops.map(({ label }) => label)), angleDeg }],
    [],
  );

/** A board to begin with: the usual sizes, laid out for its stops. */
export function newBoard(
  guides: RollerGuides,
  {
    guideId,
    seatName,
    angles = [25, 30, 35],
  }: { guideId?: string | undefined; seatName?: string | undefined; angles?: readonly number[] },
): BoardForm {
  const guide = guides.find(({ id }) => id === guideId) ?? guides[0];
  const seat = guide?.seats.find(({ name }) => name === seatName) ?? guide?.seats[0];
  const form: BoardForm = {
    ...USUAL_BOARD,
    name: guide ? `${seat?.name ?? guide.name} board` : '',
    guideId: guide?.id ?? '',
    seatName: seat?.name ?? '',
    ...(seat?.registers === 'underside' && { bladeThicknessMm: 3 }),
    bladeWidthMm: Math.min(USUAL_BOARD.bladeWidthMm, seat?.maxWidthMm ?? Infinity),
    stops: lettered(angles),
  };
  return laidOut(form, guide);
}

/** What is asked of the server for a form. */
export function askedOf({ stops, ...rest }: BoardForm): BoardDraft {
  return {
    ...rest,
    stops: stops.map(({ label, angleDeg, alongMm }) => ({
      label,
      angleDeg,
      ...(alongMm !== undefined && { alongMm }),
    })),
  };
}

/** A stored board as a form. */
export function formOf({ revision, cutOn, earlier, ...board }: SettingBoard): BoardForm {
  return board;
}

/** The stops of a form as they would be cut, and what is wrong with it, by field. */
export interface Cut {
  readonly stops?: readonly BoardStop[];
  readonly wrong: Sentences;
}

/**
 * A form cut by its guide.
 * @param kept the board as it was made, whose stops stay
 */
export function cut(form: BoardForm, guide: Guide | undefined, kept?: SettingBoard): Cut {
  if (!guide) return { wrong: { guideId: 'Choose the guide it is for.' } };
  const sizes = BOARD_SIZES.map(({ field }) => form[field]);
  const readable = [...sizes, ...form.stops.flatMap(({ angleDeg, alongMm = 0 }) => [angleDeg, alongMm])];
  if (!readable.every(Number.isFinite)) return { wrong: {} };
  const result = attempt(() => stopsAsCut(guide, askedOf(form), kept));
  if (result instanceof Refusal) return { wrong: { [result.field]: result.message } };
  const faults = boardFaults({ ...form, stops: result });
  return {
    stops: result,
    wrong: Object.fromEntries([...faults].reverse().map(({ field, message }) => [field, message])),
  };
}

/** The stops set side by side in their order, on a board just large enough, or as large as it is. */
export function laidOut(form: BoardForm, guide: Guide | undefined): BoardForm {
  const free: BoardForm = {
    ...form,
    stops: form.stops.map(({ label, angleDeg }) => ({ label, angleDeg })),
    lengthMm: Math.max(form.lengthMm, leastLengthMm(form, form.stops.length)),
  };
  const { stops } = cut(free, guide);
  return stops ? { ...free, stops, depthMm: Math.max(free.depthMm, leastDepthMm(free, stops)) } : free;
}
