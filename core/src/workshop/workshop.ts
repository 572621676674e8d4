import type { Identified } from '../base/identified.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import type { Care } from '../abrasive/care.js';
import type { Packing } from '../guide/lift-stack.js';
import type { Guide } from '../guide/guide.js';
import type { HoningPlan } from '../plan/honing-plan.js';
import type { PlanRequest } from '../plan/plan-request.js';
import type { SettingBoard } from '../guide/setting-board.js';
import type { Session } from '../record/session.js';
import type { Tool } from '../blade/tool.js';

/** A plan kept for a tool: what was asked, and what it came to on that day's bench set. */
export interface Plan {
  readonly name: string;
  readonly toolId: string;
  readonly guideId?: string;
  readonly seatName?: string;
  readonly request: PlanRequest;
  readonly result: HoningPlan;
}

/** The version of the open workshop file this release writes. */
export const WORKSHOP_FORMAT = 1;

/** The largest workshop file that is read, bytes. */
export const WORKSHOP_FILE_BYTES = 300 * 1024 * 1024;

/** A whole workshop as one open JSON file. */
export interface Workshop {
  readonly format: 'mellow-anvil-workshop';
  readonly version: typeof WORKSHOP_FORMAT;
  readonly name: string;
  readonly tools: readonly Identified<Tool>[];
  readonly guides: readonly Identified<Guide>[];
  readonly abrasives: readonly OwnedAbrasive[];
  readonly plans: readonly Identified<Plan>[];
  readonly sessions: readonly Identified<Session>[];
  /** Setting boards; files of releases before them have none. */
  readonly boards?: readonly Identified<SettingBoard>[];
  /** What was done for the stones; files of releases before it was kept have none. */
  readonly cares?: readonly Identified<Care>[];
  /** Abrasives off the bench that sessions name: what was honed on them stays so. */
  readonly removedAbrasives?: readonly OwnedAbrasive[];
  /** Washers, cards and coins at hand. */
  readonly packing?: readonly Packing[];
}
