export {
  type Abrasive,
  ABRASIVE_KIND_NAMES,
  ABRASIVE_KINDS,
  type AbrasiveKind,
  type Between,
  costOfUse,
  kindFacts,
  type Lubricant,
  LUBRICANTS,
  type OwnedAbrasive,
  servesShape,
  setNames,
  type Sheets,
  standsIn,
  STROP_FACES,
  type StropFace,
  usualSheetUses,
  type Wheel,
  type WheelReading,
} from './abrasive.js';
export {
  assumedRate,
  type StoneAtWork,
  type StoneRecord,
  stonesAtWork,
  type StonesRecord,
} from './at-work.js';
export {
  type Care,
  CARE_KINDS,
  type CareKind,
  caresOf,
  type DueCare,
  FLATTEN_AT_UM,
  stoneCare,
  type StoneCare,
} from './care.js';
export { USUAL_STONE_MM } from './dish.js';
export { equalGrades } from './equal-grades.js';
export { type Grade, grit, GRIT_STANDARDS } from './grit.js';
export { learnedRate, type LearnedRate } from './learned-rate.js';
export {
  abrasiveByLook,
  type Feel,
  feelsOf,
  LOOKED_AT,
  type LookedAt,
  STONE_LOOKS,
  usualAbrasive,
  usualLubricant,
} from './looks.js';
export { inOrder, placedSizesUm, type SizedAbrasive } from './placing.js';
export { estimatedRemovalMm3PerNm, estimatedScratchUm, removalPerStrokeMm3, scratchOf } from './removal.js';
export { isWheel, USUAL_RPM, wheelRadiusMm, wheelWear } from './wheel.js';
