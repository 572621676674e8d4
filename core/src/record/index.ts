export type { CamberState } from './camber-state.js';
export type { Creep } from './creep.js';
export type { ChipRecord, EdgeChips } from './edge-chips.js';
export { edgeLife, surviving } from './edge-life.js';
export { besideOthers } from './beside-others.js';
export { type EdgeLife, edgeIntervals, measureOf, tellsLife, type UsualOf } from './edge-lives.js';
export { edgeSpans } from './edge-spans.js';
export {
  afterSession,
  asItStands,
  backRimMm,
  edgeAtFirst,
  edgeHistory,
  type EdgeState,
  type HistoryEntry,
  inOrderOfTime,
  type LastSetting,
  type RecordedSession,
  type Wear,
} from './edge-state.js';
export { forcesOf } from './forces.js';
export { amountAt, lastPast } from './lasting.js';
export { ladderOf } from './ladder.js';
export { laggingPlaces } from './lagging.js';
export { landAfterReading, landPmMm } from './land-doubt.js';
export { type LifeEntry, lifeOf } from './life.js';
export { isKeptByStrop, nextSpell, USUAL_LATE_COSTS } from './next-spell.js';
export { type NextAngle, type NextSides, PAST_USUAL } from './next-angle.js';
export { nextCamberReading } from './next-camber-reading.js';
export { type RateReading, rateReadings } from './rate-readings.js';
export { amount, type Hand, RACK_RULES, readiness, type Readiness, stropsDone } from './readiness.js';
export {
  type Burr,
  BURRS,
  type Chips,
  type HollowedIn,
  newtonsOf,
  type Outcome,
  type Proof,
  PROOFS,
  type ProofTest,
  type Session,
  SESSION_KINDS,
  type SessionKind,
  type SessionStep,
  type Use,
} from './session.js';
export { STEERS, type Felt, type Steers } from './session.js';
export { honingsToClose } from './closing.js';
export { thickeningOf } from './thickening.js';
export { backPmMm, settingPmDeg, TIP_TIMES } from './state-doubt.js';
export { itemOf } from './step-work.js';
export type { TipSeen } from './tips-seen.js';
export { readingsNow, stonesRecord, type UseOfStone, usesOfStones } from './stones-record.js';
export { STROP_EVERY_MIN, type StropRhythm } from './strop-rhythm.js';
export { type LastUse, proposedUse, recordOf, toolRecord, type ToolRecord } from './tool-record.js';
