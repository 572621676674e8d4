import type { Grade } from './grit.js';
import type { Wheel } from './wheel.js';

/** What a kind of abrasive is and how it behaves. */
export interface KindFacts {
  readonly label: string;
  /**
   * Removal against a water stone of the same size. Estimates, replaced by the user's own rate.
   * Absent for what is not planned in strokes.
   */
  readonly factor?: number;
  /** Whether a flat bevel can be honed on it in a guide, so that a plan may use it. */
  readonly flat: boolean;
}

export const ABRASIVE_KINDS = {
  'water-stone': { label: 'Water stone', factor: 1, flat: true },
  'diamond-plate': { label: 'Diamond plate', factor: 1.3, flat: true },
  'oil-stone': { label: 'Man-made oil stone', factor: 0.5, flat: true },
  'natural-stone': { label: 'Natural stone', factor: 0.4, flat: true },
  ceramic: { label: 'Ceramic stone', factor: 0.8, flat: true },
  film: { label: 'Film or paper on a flat plate', factor: 1.2, flat: true },
  strop: { label: 'Strop', factor: 0.3, flat: true },
  'rod-paper': { label: 'Paper on a rod', factor: 1.2, flat: false },
  slip: { label: 'Slip stone', factor: 0.4, flat: false },
  'profiled-strop': { label: 'Profiled strop', factor: 0.3, flat: false },
  'powered-strop': { label: 'Powered strop', flat: false },
  'dry-wheel': { label: 'Dry grinding wheel', flat: false },
  'wet-wheel': { label: 'Wet grinding wheel', flat: false },
  flattening: { label: 'Flattening plate or paper', flat: false },
} as const satisfies Record<string, KindFacts>;

export type AbrasiveKind = keyof typeof ABRASIVE_KINDS;
export const ABRASIVE_KIND_NAMES = Object.keys(ABRASIVE_KINDS) as readonly AbrasiveKind[];

/** The facts of one kind. */
export const kindFacts = (kind: AbrasiveKind): KindFacts => ABRASIVE_KINDS[kind];

export const LUBRICANTS = ['water', 'oil', 'dry', 'compound'] as const;
export type Lubricant = (typeof LUBRICANTS)[number];

/** Something on the bench that cuts steel (or flattens what does). */
export interface Abrasive {
  readonly name: string;
  readonly kind: AbrasiveKind;
  readonly grade: Grade;
  readonly lubricant: Lubricant;
  /** Usable length of one stroke. */
  readonly strokeMm: number;
  /** Time to wet, wash, wipe and change over, min. */
  readonly overheadMin: number;
  /** Push on the blade, N, where it differs from the plan's. */
  readonly forceN?: number;
  /** The user's own rate, mm³ per N·m, in place of the estimate. */
  readonly removalMm3PerNm?: number;
  /** The user's own scratch depth, µm, in place of the estimate. */
  readonly scratchUm?: number;
  /** Of a grinding wheel: its size as measured, again and again. */
  readonly wheel?: Wheel;
  readonly notes?: string;
}
