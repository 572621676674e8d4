export { benchRecord, readingsNow, type UseOfStone, usesOfStones } from './bench-record.js';
export type { CamberState } from './camber-state.js';
export type { Creep } from './creep.js';
export { measureOf } from './edge-lives.js';
export {
  afterSession,
  asItStands,
  edgeAtFirst,
  edgeHistory,
  type EdgeState,
  type HistoryEntry,
  inOrderOfTime,
  type LastSetting,
  type RecordedSession,
} from './edge-state.js';
export { forcesOf } from './forces.js';
export { ladderOf } from './ladder.js';
export { laggingPlaces } from './lagging.js';
export { type LifeEntry, lifeOf } from './life.js';
export { type RateReading, rateReadings } from './rate-readings.js';
export {
  amount,
  type Hand,
  RACK_RULES,
  readiness,
  type Readiness,
  STROPS_BEFORE_HONING,
} from './readiness.js';
export {
  type Burr,
  BURRS,
  type Chips,
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
export { itemOf } from './step-work.js';
export { STROP_EVERY_MIN } from './strop-rhythm.js';
export { type LastUse, proposedUse, recordOf, toolRecord, type ToolRecord } from './tool-record.js';
