/**
 * The geometry of one seat of a honing guide that rolls on the abrasive, as `guide-projection`
 * takes it. All lengths in mm.
 */
export interface GuideGeometry {
  readonly rollerRadiusMm: number;
  /** Height of the blade's registered face above the roller axle, square to the back. */
  readonly seatHeightMm: number;
  /** How far the guide's nose stands ahead of the axle, towards the edge. */
  readonly noseMm: number;
  /** Which face of the blade the guide holds; `underside` needs the blade's thickness. */
  readonly seat?: 'back' | 'underside';
  /** How much lower the roller runs than the abrasive, square to it (a roller beside the stone). */
  readonly rollerDropMm?: number;
  /** Rise of a micro-bevel cam, square to the abrasive. */
  readonly camRiseMm?: number;
}

/** Jaws or a bed in a guide: one guide has several. */
export interface GuideSeat {
  readonly name: string;
  readonly registers: 'back' | 'underside';
  readonly heightMm: number;
  /** Blade widths this seat takes, where it is known. */
  readonly minWidthMm?: number;
  readonly maxWidthMm?: number;
}

export const GUIDE_FORMS = ['side-clamping-roller', 'top-clamping-roller', 'wide-roller'] as const;
export type GuideForm = (typeof GUIDE_FORMS)[number];

/** A honing guide the user owns. */
export interface Guide {
  readonly name: string;
  readonly form: GuideForm;
  readonly rollerRadiusMm: number;
  readonly noseMm: number;
  readonly rollerDropMm?: number;
  /** Rises of the micro-bevel cam's steps beyond its rest position, if it has one. */
  readonly camRisesMm?: readonly number[];
  readonly seats: readonly GuideSeat[];
  readonly notes?: string;
}

/** The geometry `guide-projection` needs for one seat of an owned guide. */
export function seatGeometry(guide: Guide, seat: GuideSeat, camRiseMm = 0): GuideGeometry {
  return {
    rollerRadiusMm: guide.rollerRadiusMm,
    seatHeightMm: seat.heightMm,
    noseMm: guide.noseMm,
    seat: seat.registers,
    rollerDropMm: guide.rollerDropMm ?? 0,
    camRiseMm,
  };
}

/**
 * Generic side-clamping guide to begin with, before one's own is measured. Reproduces within
 * 0.13 mm the projections the trade uses (common practice, no source): chisels 40 mm → 25° and
 * 30 mm → 30°; irons 50 mm → 25° and 38 mm → 30°.
 */
export const GENERIC_SIDE_CLAMPING_GUIDE: Guide = {
  name: 'Side-clamping roller guide',
  form: 'side-clamping-roller',
  rollerRadiusMm: 9,
  noseMm: 16.25,
  seats: [
    { name: 'Chisel jaws', registers: 'back', heightMm: 16.25, minWidthMm: 3, maxWidthMm: 38 },
    { name: 'Iron jaws', registers: 'back', heightMm: 21, minWidthMm: 35, maxWidthMm: 67 },
  ],
};

/** The first seat that takes a blade this wide, else the first seat. */
export function seatForWidth(guide: Guide, widthMm: number): GuideSeat | undefined {
  return guide.seats.find((seat) => seatTakes(seat, widthMm)) ?? guide.seats[0];
}

/** Whether a blade this wide goes into the seat, as far as the seat's limits are known. */
export function seatTakes(seat: GuideSeat, widthMm: number): boolean {
  return widthMm >= (seat.minWidthMm ?? 0) && widthMm <= (seat.maxWidthMm ?? Infinity);
}
