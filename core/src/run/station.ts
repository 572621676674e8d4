import type { CareKind } from '../abrasive/care.js';
import type { SessionSetting } from '../session/session.js';
import type { RunGrinding } from './run-plan.js';

/** How a blade is held to its angle by hand. */
export interface Lift {
  /** To the stone, a side. */
  readonly bevelDeg: number;
  /** The spine above the stone, mm, where there is one. */
  readonly liftMm?: number;
  /** One side at a time, named; a flat-backed blade has one. */
  readonly sides: 1 | 2;
}

/** Where at the bench a run stands. */
export type Station =
  /** Rags, oil, marker, water, good light. */
  | { readonly kind: 'ready' }
  /** The machine off and out of the socket. */
  | { readonly kind: 'isolate' }
  /** A stone made ready, or looked after for next time. */
  | { readonly kind: 'care'; readonly abrasiveId: string; readonly care: CareKind; readonly after?: boolean }
  /** Chips, worn white, rust, pits, squareness. */
  | { readonly kind: 'look' }
  /** The curve ground to its template. */
  | { readonly kind: 'template' }
  | { readonly kind: 'grind'; readonly grinding: RunGrinding; readonly pastColour?: boolean }
  | { readonly kind: 'heat' }
  | { readonly kind: 'set'; readonly setting: SessionSetting }
  | { readonly kind: 'lift'; readonly lift: Lift }
  /** Colour on the bevel; where a steeper land is honed, its heel stays coloured. */
  | { readonly kind: 'marker'; readonly steeper?: boolean }
  | { readonly kind: 'stone'; readonly step: number }
  /** Felt for along the edge; on scraping edges it is wanted. */
  | { readonly kind: 'burr'; readonly wanted?: boolean }
  | { readonly kind: 'wash'; readonly oil?: boolean }
  | { readonly kind: 'scratch'; readonly step: number }
  | { readonly kind: 'burr-off' }
  | { readonly kind: 'proof'; readonly before?: boolean }
  | { readonly kind: 'wipe' }
  /** Chip breaker, slack, lateral lever. */
  | { readonly kind: 'refit' }
  | { readonly kind: 'away' };

export type StationKind = Station['kind'];

/** Stations at which something is asked, and the answer changes what comes after. */
export const GATES: readonly StationKind[] = ['heat', 'marker', 'burr', 'scratch', 'proof'];
