import type { Count } from '../blade/manner.js';
import type { StationKind } from '../plan/station.js';
import type { Burr, ProofTest } from '../record/session.js';
import type { BurrFeel, ColourLeft, Heat, Light, Polish, SeenFromEnd, Shake } from './answers.js';
import type { RunPlan } from './run-plan.js';

/** Why a station was passed over. */
export const SKIPS = ['not-needed', 'done-before', 'no-time', 'cannot'] as const;
export type Skip = (typeof SKIPS)[number];

/** Work put in by hand. */
export type PutIn =
  | { readonly kind: 'strokes'; readonly abrasiveId: string; readonly strokes: number }
  | {
      readonly kind: Extract<
        StationKind,
        'look' | 'marker' | 'burr' | 'wash' | 'burr-off' | 'nail' | 'proof' | 'wipe'
      >;
    };

/** What happened at the bench, one fact at a time. */
export type RunFact =
  | { readonly kind: 'begun'; readonly plan: RunPlan }
  /** Strokes made on the stone at hand; negative where they were counted by mistake. */
  | { readonly kind: 'strokes'; readonly count: number }
  | { readonly kind: 'counted-by'; readonly by: Count }
  | { readonly kind: 'done' }
  | { readonly kind: 'not-yet' }
  /** How a burr was felt, place by place where it was; on both sides of a double bevel. */
  | {
      readonly kind: 'burr';
      readonly burr: Burr;
      readonly places?: readonly BurrFeel[];
      readonly other?: readonly BurrFeel[];
    }
  | { readonly kind: 'marked'; readonly left: readonly ColourLeft[] }
  | { readonly kind: 'scratched'; readonly gone: boolean }
  | { readonly kind: 'heated'; readonly heat: Heat }
  | { readonly kind: 'polished'; readonly polish: Polish }
  /** Drawn along the nail: where it shook, nowhere where it ran smooth. */
  | { readonly kind: 'shook'; readonly places: readonly Shake[] }
  /** Held on a straightedge against the light. */
  | { readonly kind: 'lit'; readonly light: Light }
  /** Looked at from its end. */
  | { readonly kind: 'evened'; readonly seen: SeenFromEnd }
  | { readonly kind: 'back' }
  /** Back to an earlier station, after a proof that fell short. */
  | { readonly kind: 'go'; readonly station: number }
  | { readonly kind: 'skipped'; readonly why: Skip }
  /** An earlier station once more, here. */
  | { readonly kind: 'again'; readonly station: number }
  | { readonly kind: 'put-in'; readonly work: PutIn }
  /** Eyes covered; the machine off and unplugged. */
  | { readonly kind: 'confirmed'; readonly what: 'eyes' | 'isolated' }
  | ({ readonly kind: 'proved'; readonly test: ProofTest; readonly passed: boolean } & ProofFigures)
  | { readonly kind: 'finished' }
  | { readonly kind: 'thrown-away' };

/** What a proof measured. */
export interface ProofFigures {
  readonly thickMm?: number | undefined;
  readonly wideMm?: number | undefined;
  readonly newtons?: number | undefined;
  /** The same, as releases before 0.10 kept it. */
  readonly grams?: number | undefined;
}

export type RunFactKind = RunFact['kind'];

/** A fact with the identity its maker gave it, its place in the run, and when it happened. */
export type RunEvent = RunFact & {
  readonly id: string;
  /** 0 for the one that begins the run, then one more each. */
  readonly seq: number;
  /** ISO 8601 instant on the maker's clock. */
  readonly at: string;
};
