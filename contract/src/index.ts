export { abrasiveSchema, gradeSchema, setNameSchema } from './abrasives.js';
export type { Backup, BackupList, Restored } from './backups.js';
export type { Beginning, Begun } from './beginning.js';
export { boardDraftSchema, boardSchema, type BoardDraft } from './boards.js';
export { careSchema } from './cares.js';
export type { Calculation } from './calculation.js';
export { calculations } from './calculations.js';
export { check, type Checked, type FieldProblem, type Problem } from './check.js';
export { RANGES, type Range, type RangeName } from './fields.js';
export { guideSchema } from './guides.js';
export { Joi, type ObjectSchema, type Schema } from './joi.js';
export { DATABASE_BYTES, MOST } from './limits.js';
export {
  PAPERS,
  PATTERN_FORMS,
  patternQueries,
  printQuerySchema,
  type Paper,
  type PatternForm,
  type PatternName,
  type PrintQuery,
} from './patterns.js';
export { honingPlanAnswer, honingPlanAsk, type HoningPlanAsk } from './plan-answer.js';
export { planDraftSchema, planSchema, type PlanDraft } from './plans.js';
export { EVENTS_AT_ONCE, runEventSchema, runEventsSchema, type RunSummary, type StoredRun } from './runs.js';
export { sessionSchema } from './sessions.js';
export {
  changeSchema,
  listSchema,
  removalSchema,
  storedSchema,
  type Change,
  type ListQuery,
  type Page,
  type Stored,
} from './stored.js';
export { settingsSchema } from './settings.js';
export { toolSchema } from './tools.js';
export type { CommandList, CommandSummary } from './undo.js';
export { STILL_RECKONING, type LongWorkNow } from './work.js';
export { readWorkshop, workshopSchema } from './workshop.js';
export type { RecordsAnswer, StoneAnswer, StonesAnswer, ToolLife } from './records.js';
export { RESOURCES, type Resource, type ResourceName } from './resources.js';
export {
  ALL_ROUTES,
  CALCULATION_ROUTES,
  HONING_PLAN_ROUTE,
  PATTERN_ROUTES,
  RESOURCE_ROUTES,
  ROUTES,
  type ResourceRoutes,
  type Route,
} from './routes.js';
export type { SetFile, SetTaken } from './set-file.js';
export type { Opened } from './workshop.js';
