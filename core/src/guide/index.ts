export { boardShifts, movedStops, stopFor, type StopFound, type StopShift } from './board-use.js';
export {
  bladeGeometry,
  clampedWidthMm,
  FACET_NAMES,
  type FacetSetting,
  facetSettings,
  facetsOf,
  honedAtDeg,
  usualGuide,
} from './facet-settings.js';
export { foldTo, halvings } from './folding.js';
export { guideAngle } from './guide-angle.js';
export {
  guideCalibration,
  nextGuideReading,
  type GuideCalibration,
  type GuideReading,
  projectionUncertaintyMm,
  READINGS_TO_DOUBT,
  USUAL_DIVISION_DEG,
} from './guide-calibration.js';
export { guidePose } from './guide-pose.js';
export { guideProjection } from './guide-projection.js';
export {
  GENERIC_SIDE_CLAMPING_GUIDE,
  type Guide,
  GUIDE_FORMS,
  type GuideForm,
  type GuideGeometry,
  type GuideSeat,
  isRoller,
  measuredSeat,
  type PairJig,
  ROLLER_FORMS,
  type RollerGuide,
  seatCalibration,
  seatForWidth,
  seatGeometry,
  type SeatReadings,
  seatTakes,
  type WetWheelJig,
} from './guide.js';
export { type KnifeBlade, knifeLift, type KnifeLiftInput, liftAngle } from './knife-lift.js';
export { liftStack, type LiftStack, type Packing } from './lift-stack.js';
export { onItsWheel } from './on-its-wheel.js';
export { axleClearanceMm, backHeightMm } from './seat-offsets.js';
export {
  type BoardAsked,
  boardFaults,
  type BoardRevision,
  type BoardSizes,
  type BoardStop,
  leastDepthMm,
  leastLengthMm,
  makeBoard,
  MOST_STOPS,
  nextLabel,
  type SettingBoard,
  type StopAsked,
  stopsAsCut,
  USUAL_BOARD,
} from './setting-board.js';
export type { SessionSetting, StopUsed } from './setting.js';
export { toolCard, type ToolCard } from './tool-card.js';
export { wheelPose } from './wheel-pose.js';
export { wheelSupport } from './wheel-support.js';
