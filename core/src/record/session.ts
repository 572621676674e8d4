import { remembered } from '../base/remembered.js';
import type { SessionSetting } from '../guide/setting.js';
import type { CamberRead } from '../camber/camber-read.js';
import type { Condition } from '../blade/dulling.js';
import type { UseMeasure } from '../blade/families.js';
import type { Facet } from '../work/facet.js';

/**
 * `measuring` is a look with rule or caliper: how wide the land is, how the edge is curved; it changes nothing of the
 * edge.
 */
export const SESSION_KINDS = ['honing', 'grinding', 'stropping', 'use', 'measuring'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

export const BURRS = ['all-along', 'in-part', 'none', 'cannot-tell'] as const;
export type Burr = (typeof BURRS)[number];

export const PROOFS = [
  'nail',
  'nail-drawn',
  'paper',
  'hair',
  'cut',
  'light',
  'sound',
  'shaving',
  'force',
] as const;
export type ProofTest = (typeof PROOFS)[number];

export interface Proof {
  readonly test: ProofTest;
  readonly passed: boolean;
  /** The shaving it took. */
  readonly thickMm?: number;
  readonly wideMm?: number;
  /** Force that parted a thread, N. */
  readonly newtons?: number;
  /** The same, as releases before 0.10 kept it. */
  readonly grams?: number;
}

/** When a session began, ms since 1970. */
export const instantOf = remembered(({ startedAt }: Session): number => Date.parse(startedAt));

/** How much a session used the edge in a measure; minutes are its own where the use says none. */
export const usedIn = (measure: UseMeasure, { use = {}, minutes }: Session): number =>
  use[measure] ?? (measure === 'minutes' ? minutes : undefined) ?? 0;

/** Standard gravity, m/s² (CGPM 1901). */
const GRAVITY = 9.80665;

/** The force a proof measured, N; none where it measured none. */
export const newtonsOf = ({
  newtons,
  grams,
}: {
  readonly newtons?: number | undefined;
  readonly grams?: number | undefined;
}): number | undefined => newtons ?? (grams === undefined ? undefined : (grams * GRAVITY) / 1000);

/** What was done on one abrasive. */
export interface SessionStep {
  readonly abrasiveId: string;
  readonly strokes: number;
  readonly minutes: number;
  /** Push on the blade, N, where it was not the usual. */
  readonly forceN?: number;
  /** Each stroke cut to and fro. */
  readonly bothWays?: boolean;
  /** Strokes after which its burr was last looked for and did not stand yet; 0 where it stood at the first look. */
  readonly noBurrAt?: number;
  /** Recession of the edge where it was measured. */
  readonly recessionMm?: number;
  /** Strokes by place across the edge, left to right, three or five of them; together they are `strokes`. */
  readonly places?: readonly number[];
  /** The face they were made on; unless said, the one that its setting honed, else the one at the edge. */
  readonly facet?: Facet;
}

/** Where a blade went in its cut: where it was sent, deeper into the work, or out of it. */
export const STEERS = ['straight', 'in', 'out'] as const;
export type Steers = (typeof STEERS)[number];

/** How an edge cut, as the hand felt it. */
export interface Felt {
  /** It went in without a push. */
  readonly bites?: boolean;
  /** It stood up to the work. */
  readonly holds?: boolean;
  readonly steers?: Steers;
}

/** What the edge did between sharpenings. */
export interface Use {
  readonly felt?: Felt;
  readonly minutes?: number;
  readonly metresPlaned?: number;
  readonly mortises?: number;
  readonly wood?: string;
  readonly stillCutting?: boolean;
}

export interface Chips {
  readonly count: number;
  readonly deepestMm?: number;
}

export interface Outcome {
  readonly burr?: Burr;
  /** Places along the edge where it was slow to come, 0 to 4 from the left. */
  readonly lagged?: readonly number[];
  readonly proof?: readonly Proof[];
  readonly word?: string;
}

/** A hollow ground into the back: what stayed flat at the edge, and how deep it is, mm. */
export interface HollowedIn {
  readonly rimMm: number;
  readonly depthMm: number;
}

/** One entry in a tool's record: a sharpening, a spell of use, or a measurement. */
export interface Session {
  readonly toolId: string;
  readonly kind: SessionKind;
  /** ISO 8601 instant. */
  readonly startedAt: string;
  readonly minutes?: number;
  readonly who?: string;
  readonly conditionBefore?: Condition;
  /** The land as measured before anything was done. */
  readonly landMm?: number;
  /** The curve of the edge as it was read. */
  readonly camber?: CamberRead;
  /** The land a grinding left standing, where it stopped short of the edge. */
  readonly landLeftMm?: number;
  /** Its back was hollowed at the wheel. */
  readonly hollowedBack?: HollowedIn;
  readonly setting?: SessionSetting;
  readonly steps?: readonly SessionStep[];
  readonly use?: Use;
  readonly chips?: Chips;
  readonly outcome?: Outcome;
  readonly notes?: string;
}
