import type { Condition } from '../edge/dulling.js';

export const SESSION_KINDS = ['honing', 'grinding', 'stropping', 'use'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

/** What was done on one abrasive. */
export interface SessionStep {
  readonly abrasiveId: string;
  readonly strokes: number;
  readonly minutes: number;
  /** Recession of the edge where it was measured. */
  readonly recessionMm?: number;
}

/** The guide and stop an edge was set on. */
export interface SessionSetting {
  readonly guideId?: string;
  readonly seatName?: string;
  readonly angleDeg: number;
  readonly projectionMm?: number;
}

/** What the edge did between sharpenings. */
export interface Use {
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
  readonly burr?: 'all-along' | 'in-part' | 'none' | 'cannot-tell';
  readonly proof?: readonly { readonly test: 'nail' | 'paper' | 'hair' | 'cut'; readonly passed: boolean }[];
  readonly word?: string;
}

/** One entry in a tool's record: a sharpening or a spell of use. */
export interface Session {
  readonly toolId: string;
  readonly kind: SessionKind;
  /** ISO 8601 instant. */
  readonly startedAt: string;
  readonly minutes?: number;
  readonly who?: string;
  readonly conditionBefore?: Condition;
  readonly setting?: SessionSetting;
  readonly steps?: readonly SessionStep[];
  readonly use?: Use;
  readonly chips?: Chips;
  readonly outcome?: Outcome;
  readonly notes?: string;
}
