export { hollowOfMm, roundFits, type RoundFit } from './fits.js';
export type { EveningStep } from './uneven-work.js';
export type { BodyStep } from './body-work.js';
export type { InsideStep } from './inside-work.js';
export { ALONG, type Along, isLongOn, LAID, layAlong } from './along.js';
export type { BackStep } from './back-work.js';
export { type BackHollow, type BenchStep, purposeOf, type RunGrinding } from './bench-step.js';
export { type CamberRequest, type CamberStep, isNear, wantedRemoval } from './camber-work.js';
export { compareSchools } from './compare-schools.js';
export { countdown } from './countdown.js';
export { visitAt, visitsOf } from './counting.js';
export { type AskedOf, defaultRequest, usualSet } from './default-request.js';
export { CAREFUL_C, type GrindingStep, inPasses, passHeat } from './grinding-first.js';
export { liftOf } from './held.js';
export { type HoningJob, ROUNDING_DEG } from './honing-job.js';
export {
  type HoningPlan,
  type PlanCare,
  type PlanStep,
  type TooMuch,
  type WayOut,
  WAYS_OUT,
} from './honing-plan.js';
export { likelyStrokes, spreadsOf } from './how-sure.js';
export { intake, type IntakeLine, type Treatment, TREATMENTS } from './intake.js';
export { evenedByPlan } from './equal-widths.js';
export { strokesOfEach } from './knives-in-jig.js';
export { landReason } from './land-reason.js';
export { orderOfWork, type PlanPart, type WorkOrder } from './order-of-work.js';
export { type AnsweredStep, planAnswer, type PlanAnswer } from './plan-answer.js';
export {
  OLD_BLADES,
  OLD_HANDLES,
  OLD_LINES,
  OLD_RUSTS,
  oldEdge,
  type OldEdge,
  type OldEdgeFound,
  type OldReason,
  OLD_VERDICTS,
  type OldVerdict,
} from './old-edge.js';
export { hollowHeat, hollowInPasses, type Hollowing } from './hollowing.js';
export { type GrindRequest, type OldBackRequest, PLAN_DEFAULTS, type PlanRequest } from './plan-request.js';
export {
  progression,
  type ProgressionAbrasive,
  type ProgressionInput,
  type ProgressionStep,
} from './progression.js';
export { regrindAdvice, regrindMin } from './regrind-advice.js';
export { type YearOfEdges, yearOfEdges } from './year-of-edges.js';
export { type BackSaved, backTaken, savedBack } from './saved-back.js';
export { changesOf, fullRounds, rota } from './rota.js';
export { type School, SCHOOLS } from './schools.js';
export type { ShapingStep } from './shaping-work.js';
export { isGate, type Lift, type Station, type StationKind } from './station.js';
export { bestOf, BUYABLE_KINDS, stoneSweep, type StoneSweep } from './stone-sweep.js';
export {
  isStropped,
  STROP_PURPOSES,
  STROP_STROKES,
  type StropPurpose,
  type StropStep,
} from './strop-work.js';
export type { Verdict } from './verdicts.js';
export { edgeByWay, planHoning, TOO_MANY_STROKES } from './ways-out.js';
export { oneStone, secondStone } from './second-stone.js';
export type { NextReading } from './next-reading.js';
export { afterOneMore } from './next-reading.js';
