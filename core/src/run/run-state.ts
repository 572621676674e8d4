import type { Care } from '../abrasive/care.js';
import type { BackHollow } from '../plan/bench-step.js';
import type { LaidStep } from '../plan/along.js';
import type { Count } from '../blade/manner.js';
import type { Rounds } from '../plan/knives-in-jig.js';
import type { Station, StationKind } from '../plan/station.js';
import type { Burr, Proof } from '../record/session.js';
import type { BurrFeel, GateWord, Told } from './answers.js';
import type { Skip } from './events.js';
import type { RunPlan } from './run-plan.js';

/** A step of a run, as far as it has come. */
export interface RunStep {
  readonly abrasiveId: string;
  readonly planned: number;
  /** Strokes wanted now: the plan's, and what “not yet” added. */
  readonly target: number;
  readonly strokes: number;
  readonly minutes: number;
  /** Strokes after which its burr was last felt for in vain; 0 where it stood at once; nothing until it was felt for. */
  readonly noBurrAt?: number;
  readonly count: Count;
  /** Strokes by place, where it is worked so. */
  readonly places?: readonly number[];
  /** Of a set: which knives are in the jig, round by round. */
  readonly rounds?: Rounds;
  readonly along?: LaidStep;
  /** The planned step it goes on with, for one put in on the way. */
  readonly like?: number;
}

/** A run as its events have it. */
export interface Run {
  readonly plan: RunPlan;
  readonly stations: readonly Station[];
  /** Index of the station at hand; `stations.length` never: the last one is left by finishing. */
  readonly at: number;
  readonly steps: readonly RunStep[];
  readonly burr?: Burr;
  readonly burrPlaces?: readonly BurrFeel[];
  /** Places where a burr was missing when it was felt for, 0 to 4 from the left. */
  readonly lagged: readonly number[];
  /** How often marks still showed after a step. */
  readonly scratched: Readonly<Record<number, number>>;
  /** What a gate told, while the station it led to is at hand. */
  readonly told?: Told;
  /** Everything gates told, in order: what went wrong on the way. */
  readonly history: readonly GateWord[];
  readonly proof: readonly Proof[];
  readonly skipped: readonly { readonly kind: StationKind; readonly why: Skip }[];
  readonly confirmed: readonly ('eyes' | 'isolated')[];
  /** Care given to stones on the way. */
  readonly cares: readonly Pick<Care, 'abrasiveId' | 'kind' | 'at'>[];
  /** When the wheel was left, and how long it took. */
  readonly groundAt?: string;
  readonly grindMin: number;
  /** The back hollowed at the wheel, and how long that took. */
  readonly hollowed?: BackHollow;
  readonly hollowMin: number;
  readonly ended?: 'finished' | 'thrown-away';
  readonly startedAt: string;
  readonly lastAt: string;
  readonly minutes: number;
  readonly events: number;
}
