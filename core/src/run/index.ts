export {
  BURR_FEELS,
  BURR_PLACES,
  type BurrFeel,
  COLOUR_LEFT,
  type ColourLeft,
  type GateWord,
  type Heat,
  HEATS,
  type Light,
  LIGHTS,
  SEEN_FROM_END,
  type SeenFromEnd,
  POLISHES,
  type Shake,
  SHAKES,
} from './answers.js';
export { asPlanned } from './as-planned.js';
export { edgeWord, forceWord } from './edge-word.js';
export {
  type ProofFigures,
  type PutIn,
  type RunEvent,
  type RunFact,
  type RunFactKind,
  type Skip,
  SKIPS,
} from './events.js';
export { burrOf, ledBack } from './gates.js';
export { knivesMade, knivesOwed, roundAt } from './in-the-jig.js';
export { type RunPlan, takenToBench } from './run-plan.js';
export { sessionsOfRun } from './run-record.js';
export type { Run, RunStep } from './run-state.js';
export { runTable } from './run-table.js';
export { afterEvent, beginRun, runOf, strokesLeft } from './run.js';
export { type Face, rollOf, stanceOf } from './stance.js';
