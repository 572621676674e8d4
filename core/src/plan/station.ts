import type { CareKind } from '../abrasive/care.js';
import type { SessionSetting } from '../guide/setting.js';
import type { Manner } from '../blade/manner.js';
import type { Facet } from '../work/facet.js';
import type { BackHollow, RunGrinding } from './bench-step.js';

/** How a blade is held to its angle by hand. */
export interface Lift {
  /** To the stone, a side. */
  readonly bevelDeg: number;
  /** The spine above the stone, mm, where there is one. */
  readonly liftMm?: number;
  /** The right side's own, where it is kept at another angle; the left's come first then. */
  readonly rightDeg?: number;
  readonly rightMm?: number;
  /** One side at a time, named; a flat-backed blade has one. */
  readonly sides: 1 | 2;
}

/** One item of the order of work: something done at the bench, or a question asked there. */
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
  /** The edge ground square, back to the bottom of its nick. */
  | { readonly kind: 'joint'; readonly nickMm: number }
  | { readonly kind: 'grind'; readonly grinding: RunGrinding; readonly pastColour?: boolean }
  /** A hollow ground into the back, behind its rim. */
  | { readonly kind: 'hollow'; readonly hollowing: BackHollow }
  | { readonly kind: 'heat' }
  /** The guide set, for the facet it names. */
  | { readonly kind: 'set'; readonly setting: SessionSetting; readonly facet?: Facet }
  | { readonly kind: 'lift'; readonly lift: Lift; readonly facet?: Facet }
  /**
   * Colour on the bevel; where a steeper land is honed, its heel stays coloured. At the wheel before it is
   * ground; of an edge coloured on two faces, on the one it names.
   */
  | {
      readonly kind: 'marker';
      readonly steeper?: boolean;
      readonly wheel?: boolean;
      readonly side?: 0 | 1;
    }
  /** Colour on an old back: what stays coloured has not met the stone. */
  | { readonly kind: 'colour-back' }
  | { readonly kind: 'stone'; readonly step: number }
  /** Whether a back is polished corner to corner, after its last stone. */
  | { readonly kind: 'polished'; readonly step: number }
  /**
   * Felt for along the edge; on scraping edges it is wanted. Raised by the side it names, it stands on the other;
   * `step` are the strokes that raise it.
   */
  | {
      readonly kind: 'burr';
      readonly wanted?: boolean;
      readonly side?: 0 | 1;
      readonly step?: number;
    }
  /** A scraping edge on a straightedge against the light; `step` are the strokes that mend it. */
  | { readonly kind: 'straight'; readonly step: number }
  /** A gouge or V-tool looked at from its end: whether it is even now; `step` are the strokes that even it. */
  | { readonly kind: 'even'; readonly step: number }
  | { readonly kind: 'wash'; readonly oil?: boolean }
  /** `sheet` where it is film or paper: a cut in it leaves a scratch each time. */
  | { readonly kind: 'scratch'; readonly step: number; readonly sheet?: boolean }
  /** About so many strokes, on the finest stone. */
  | { readonly kind: 'burr-off'; readonly abrasiveId?: string; readonly strokes?: number }
  /** Drawn along the nail: whether it shakes, and where. */
  | { readonly kind: 'nail' }
  | { readonly kind: 'proof'; readonly before?: boolean }
  | { readonly kind: 'wipe' }
  /** Chip breaker, slack, lateral lever. */
  | { readonly kind: 'refit' }
  | { readonly kind: 'away' };

export type StationKind = Station['kind'];

/** Stations at which something is asked, and the answer changes what comes after. */
const GATES: readonly StationKind[] = [
  'heat',
  'marker',
  'polished',
  'burr',
  'straight',
  'even',
  'scratch',
  'nail',
  'proof',
];

/** Whether something is asked at a sort of station. */
export const isGate = (kind: StationKind | undefined): boolean => kind !== undefined && GATES.includes(kind);

/** What a practised hand is still asked for: the setting, the strokes, the burr, the proof; and what keeps it safe. */
const BRISK: readonly StationKind[] = [
  'isolate',
  'care',
  'template',
  'joint',
  'grind',
  'hollow',
  'heat',
  'set',
  'lift',
  'stone',
  'burr',
  'straight',
  'even',
  'burr-off',
  'proof',
];

/** Whether a station is walked in a manner. */
export const isWalked = (station: Station, manner: Manner): boolean =>
  manner === 'thorough' ||
  (BRISK.includes(station.kind) &&
    !(station.kind === 'care' && station.after) &&
    !(station.kind === 'proof' && station.before));
