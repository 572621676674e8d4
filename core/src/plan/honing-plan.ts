import type { AbrasiveKind } from '../abrasive/abrasive.js';
import type { CareKind } from '../abrasive/care.js';
import type { TipsFound } from '../work/edge-at-work.js';
import type { Facet } from '../work/facet.js';
import type { LaidStep } from './along.js';
import type { BackStep } from './back-work.js';
import type { BodyStep } from './body-work.js';
import type { CamberStep, CamberWork } from './camber-work.js';
import type { GrindingStep } from './grinding-first.js';
import type { Hollowing } from './hollowing.js';
import type { HoningJob } from './honing-job.js';
import type { InsideStep } from './inside-work.js';
import type { Treatment } from './intake.js';
import type { Rounds } from './knives-in-jig.js';
import type { NextReading } from './next-reading.js';
import type { PlanRequest } from './plan-request.js';
import type { ProgressionStep } from './progression.js';
import type { ShapingStep } from './shaping-work.js';
import type { StropStep } from './strop-work.js';
import type { EveningStep } from './uneven-work.js';
import type { Verdict } from './verdicts.js';

/** One stone of a plan, with the push it is to have. */
export interface PlanStep extends ProgressionStep {
  /** Strokes in four of five cases. */
  readonly low?: number;
  readonly high?: number;
  readonly forceN?: number;
  /** Of a blade that goes back to its secondary before its micro-bevel is made anew: which of them. */
  readonly facet?: Extract<Facet, 'secondary' | 'micro'>;
  /** Strokes by place across the edge, so that its curve stays; together they are `strokes`. */
  readonly places?: readonly number[];
  /** Of an edge longer than its stone: how they are laid along it. */
  readonly along?: LaidStep;
  /** Of a set of knives: which are in the jig, round by round. */
  readonly rounds?: Rounds;
}

/** Care a stone of the plan wants first. */
export interface PlanCare {
  readonly id: string;
  readonly kind: CareKind;
  readonly minutes: number;
}

export interface HoningPlan {
  readonly treatment?: Treatment;
  readonly grinding?: GrindingStep;
  /** An old back hollowed on the wheel, before it is polished. */
  readonly hollowing?: Hollowing;
  readonly care?: readonly PlanCare[];
  /** The primary made flatter on a stone, before all else. */
  readonly shaping?: ShapingStep;
  /** What stands proud of a curved edge, evened first. */
  readonly evening?: EveningStep;
  /** A knife’s body thinned, before its edge is honed. */
  readonly body?: BodyStep;
  readonly job: HoningJob;
  /** How much rounder its tip is reckoned than the word for it says, where its own burrs have shown that. */
  readonly tips?: TipsFound;
  readonly steps: readonly PlanStep[];
  /** Strokes by place on the shaping stone. */
  readonly camber?: CamberStep;
  /** The curve is ground to its template first: it is too deep to hone. */
  readonly curveToGrind?: CamberWork['grind'];
  readonly back?: readonly BackStep[];
  /** The small bevel inside a gouge, after its outside. */
  readonly inside?: InsideStep;
  /** What preparing the whole back would take in place of what is prepared of it, min. */
  readonly wholeBackMin?: number;
  /** The finest stone as a strop, once the burr is off. */
  readonly stoneStrop?: StropStep;
  readonly strop?: StropStep;
  /** A bare strop after the charged one. */
  readonly bareStrop?: StropStep;
  /** Setting the guide; absent where nothing holds the blade. */
  readonly settingMin?: number;
  /** All of it: grinding, care, setting, stones, back and strop. */
  readonly totalMin: number;
  /** Minutes in four of five cases. */
  readonly lowMin?: number;
  readonly highMin?: number;
  /** The reading that would narrow it most, where one is worth taking. */
  readonly reading?: NextReading;
  readonly verdicts: readonly Verdict[];
  /** No work for these stones: why, and what else there is. */
  readonly tooMuch?: TooMuch;
}

/** Another way to an edge than the stones at hand. */
export const WAYS_OUT = [
  'wheel',
  'coarser-stone',
  'steeper-for-now',
  'shim-back',
  'part-now',
  'shift-knives',
  'send-out',
] as const;
export interface WayOut {
  readonly way: (typeof WAYS_OUT)[number];
  /** All of it, with set-up, dips and finishing; not known of what others do. */
  readonly minutes?: number;
  /** What to ask of the plan so that it goes this way; none where something has to be fetched or changed first. */
  readonly ask?: Pick<PlanRequest, 'grind' | 'condition'>;
  /** The stone one might fetch. */
  readonly stone?: { readonly kind: AbrasiveKind; readonly sizeUm: number };
  /** The micro-bevel that would do for now. */
  readonly microDeg?: number;
  /** Steel it takes, mm³, where that tells it from the plan’s. */
  readonly removeMm3?: number;
  /** How much of the nick to take now, and how many honings take the rest. */
  readonly nickMm?: number;
  readonly honingsAfter?: number;
}

/** Why a plan is no work for these stones, and what else there is, soonest first. */
export interface TooMuch {
  /** The stone that would be rubbed longest. */
  readonly id: string;
  readonly strokes: number;
  readonly rubbingMin: number;
  /** Of a set of knives both are of each. */
  readonly ofEach?: boolean;
  readonly ways: readonly WayOut[];
}
