import { unlessRefused } from '../base/refusal.js';
import { guideCalibration, type GuideCalibration, type GuideReading } from './guide-calibration.js';

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

/** What a seat was measured with: settings, and the blade they were taken on. */
export interface SeatReadings {
  readonly readings: readonly GuideReading[];
  /** Smallest division of the protractor, degrees. */
  readonly divisionDeg: number;
  /** How far readings of one setting by that hand lie apart, degrees (standard deviation), where it was looked for. */
  readonly shakeDeg?: number;
  /** Thickness of that blade, where the seat holds the underside. */
  readonly thicknessMm?: number;
}

/** Jaws or a bed in a guide: one guide has several. */
export interface GuideSeat {
  readonly name: string;
  readonly registers: 'back' | 'underside';
  readonly heightMm: number;
  /** The nose seen from this seat, where measuring it gave another than the guide's. */
  readonly noseMm?: number;
  /** Blade widths this seat takes, where it is known. */
  readonly minWidthMm?: number;
  readonly maxWidthMm?: number;
  readonly measured?: SeatReadings;
}

export const ROLLER_FORMS = ['side-clamping-roller', 'top-clamping-roller', 'wide-roller'] as const;
type RollerForm = (typeof ROLLER_FORMS)[number];
export const GUIDE_FORMS = [...ROLLER_FORMS, 'pair-jig', 'wet-wheel-jig', 'freehand'] as const;
export type GuideForm = (typeof GUIDE_FORMS)[number];

interface Named {
  readonly name: string;
  readonly notes?: string;
}

/** A guide that rolls on the abrasive, or beside it, with the blade clamped in a seat. */
export interface RollerGuide extends Named {
  readonly form: RollerForm;
  readonly rollerRadiusMm: number;
  readonly noseMm: number;
  readonly rollerDropMm?: number;
  /** Rises of the micro-bevel cam's steps beyond its rest position, if it has one. */
  readonly camRisesMm?: readonly number[];
  readonly seats: readonly GuideSeat[];
}

/** A jig that holds two knives at a right angle to each other, so that each lies at one fixed angle. */
export interface PairJig extends Named {
  readonly form: 'pair-jig';
  readonly fixedDeg: number;
}

/** A jig on the support bar of a wet wheel: its projection and the bar's distance set the angle. */
export interface WetWheelJig extends Named {
  readonly form: 'wet-wheel-jig';
  /** As typed; where `wheelId` names a wheel of the bench that was measured, that one's counts. */
  readonly wheelRadiusMm: number;
  readonly wheelId?: string;
  readonly jigProjectionMm: number;
  /** The bar's centre from the blade's back, positive on the wheel's side. */
  readonly offsetMm: number;
  /** Thickness of the support bar, for gauge blocks. */
  readonly barDiameterMm?: number;
}

/** No guide at all: the blade's own bevel, a lift of its spine, a folded sheet. */
interface Freehand extends Named {
  readonly form: 'freehand';
}

/** A honing guide the user owns, or the way of working without one. */
export type Guide = RollerGuide | PairJig | WetWheelJig | Freehand;

export const isRoller = (guide: Guide): guide is RollerGuide =>
  (ROLLER_FORMS as readonly GuideForm[]).includes(guide.form);

/** The geometry `guide-projection` needs for one seat of an owned guide. */
export function seatGeometry(guide: RollerGuide, seat: GuideSeat, camRiseMm = 0): GuideGeometry {
  return {
    rollerRadiusMm: guide.rollerRadiusMm,
    seatHeightMm: seat.heightMm,
    noseMm: seat.noseMm ?? guide.noseMm,
    seat: seat.registers,
    rollerDropMm: guide.rollerDropMm ?? 0,
    camRiseMm,
  };
}

/**
 * What a seat's readings come to, if it was measured and they fit.
 * @returns undefined without readings, and where they fit no guide
 */
export function seatCalibration(guide: RollerGuide, seat: GuideSeat): GuideCalibration | undefined {
  if (!seat.measured) return undefined;
  const { readings, divisionDeg, shakeDeg } = seat.measured;
  const { rollerRadiusMm, rollerDropMm } = guide;
  return unlessRefused(() =>
    guideCalibration({ rollerRadiusMm, rollerDropMm, readings, divisionDeg, shakeDeg }),
  );
}

/**
 * A seat as its readings have it: fitted height and nose take the place of those typed. The height is
 * the seat's own: of a seat that holds the underside, the measured blade's thickness is taken off.
 */
export function measuredSeat(seat: GuideSeat, measured: SeatReadings, fitted: GuideCalibration): GuideSeat {
  const blade = seat.registers === 'underside' ? (measured.thicknessMm ?? 0) : 0;
  return { ...seat, heightMm: fitted.seatHeightMm - blade, noseMm: fitted.noseMm, measured };
}

/**
 * Generic side-clamping guide to begin with, before one's own is measured. Reproduces within
 * 0.13 mm the projections the trade uses (common practice, no source): chisels 40 mm → 25° and
 * 30 mm → 30°; irons 50 mm → 25° and 38 mm → 30°.
 */
export const GENERIC_SIDE_CLAMPING_GUIDE: RollerGuide = {
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
export function seatForWidth(guide: RollerGuide, widthMm: number): GuideSeat | undefined {
  return guide.seats.find((seat) => seatTakes(seat, widthMm)) ?? guide.seats[0];
}

/** Whether a blade this wide goes into the seat, as far as the seat's limits are known. */
export function seatTakes(seat: GuideSeat, widthMm: number): boolean {
  return widthMm >= (seat.minWidthMm ?? 0) && widthMm <= (seat.maxWidthMm ?? Infinity);
}
