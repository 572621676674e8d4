import type { Identified } from '../base/identified.js';
import type { EdgeShape } from '../blade/edge-shape.js';
import type { Grade } from './grit.js';

/** What keeps a kind of abrasive in order: its face made flat, its sheet changed, its compound renewed, its rim dressed. */
export type Upkeep = 'flatten' | 'sheet' | 'charge' | 'dress' | 'clean';

/** What a kind of abrasive is and how it behaves. */
interface KindFacts {
  readonly label: string;
  /**
   * Removal against a water stone of the same size. Estimates, replaced by the user's own rate.
   * Absent for what is not planned in strokes.
   */
  readonly factor?: number;
  /** What it serves unless its owner says otherwise. */
  readonly serves: readonly EdgeShape[];
  /** A plan strops on it after the burr, and never hones on it. */
  readonly strop?: true;
  readonly upkeep: Upkeep;
}

const FLAT = ['straight', 'outside-curve'] as const;
const CURVED = ['inside-curve', 'hook'] as const;
export const ABRASIVE_KINDS = {
  'water-stone': { label: 'Water stone', factor: 1, serves: FLAT, upkeep: 'flatten' },
  'diamond-plate': { label: 'Diamond plate', factor: 1.3, serves: FLAT, upkeep: 'clean' },
  'oil-stone': { label: 'Man-made oil stone', factor: 0.5, serves: FLAT, upkeep: 'flatten' },
  'natural-stone': { label: 'Natural stone', factor: 0.4, serves: FLAT, upkeep: 'flatten' },
  ceramic: { label: 'Ceramic stone', factor: 0.8, serves: FLAT, upkeep: 'clean' },
  film: { label: 'Film or paper on a flat plate', factor: 1.2, serves: FLAT, upkeep: 'sheet' },
  strop: { label: 'Strop', factor: 0.3, serves: FLAT, strop: true, upkeep: 'charge' },
  'rod-paper': { label: 'Paper on a rod', factor: 1.2, serves: CURVED, upkeep: 'sheet' },
  slip: { label: 'Slip stone', factor: 0.4, serves: CURVED, upkeep: 'clean' },
  'profiled-strop': {
    label: 'Profiled strop',
    factor: 0.3,
    serves: ['outside-curve', 'inside-curve'],
    strop: true,
    upkeep: 'charge',
  },
  'powered-strop': { label: 'Powered strop', serves: [], upkeep: 'charge' },
  'dry-wheel': { label: 'Dry grinding wheel', serves: [], upkeep: 'dress' },
  'wet-wheel': { label: 'Wet grinding wheel', serves: [], upkeep: 'dress' },
  flattening: { label: 'Flattening plate or paper', serves: [], upkeep: 'sheet' },
} as const satisfies Record<string, KindFacts>;

export type AbrasiveKind = keyof typeof ABRASIVE_KINDS;
export const ABRASIVE_KIND_NAMES = Object.keys(ABRASIVE_KINDS) as readonly AbrasiveKind[];

/** The facts of one kind. */
export const kindFacts = (kind: AbrasiveKind): KindFacts => ABRASIVE_KINDS[kind];

export const LUBRICANTS = ['water', 'oil', 'dry', 'compound'] as const;
export type Lubricant = (typeof LUBRICANTS)[number];

/** A look at a wheel with the rule, and whether it was dressed that day. */
export interface WheelReading {
  /** ISO 8601 day. */
  readonly on: string;
  /** After dressing, where it was. */
  readonly diameterMm: number;
  readonly dressed?: boolean;
}

/** What a grinding wheel is beside its grain. */
export interface Wheel {
  /** Breadth of its rim. */
  readonly widthMm?: number;
  /** Turns a minute. */
  readonly rpm?: number;
  /** Oldest first; the last is what every set-up follows. */
  readonly readings: readonly WheelReading[];
}

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
  /** Its face, where it was measured; the radius of what is round. */
  readonly lengthMm?: number;
  readonly widthMm?: number;
  readonly radiusMm?: number;
  /** The shapes of edge it is used for, in place of its kind's. */
  readonly serves?: readonly EdgeShape[];
  /** The sets it stands in, by name; in none, it stands in every one. */
  readonly sets?: readonly string[];
  /** Where it stands by its owner's judgement, in place of its grade. */
  readonly between?: Between;
  /** Of film, paper and other things used up. */
  readonly sheets?: Sheets;
  readonly strop?: StropFace;
  /** Readings of its rate before this instant are forgotten. */
  readonly learnFrom?: string;
  readonly notes?: string;
}

/** A stone, strop or wheel of the bench, with its identity. */
export type OwnedAbrasive = Identified<Abrasive>;

/** A place by hand: finer than one neighbour, coarser than the other; at an end, only one of them. */
export interface Between {
  readonly coarserId?: string;
  readonly finerId?: string;
}

/** A consumable: where it lies, how many honings one serves, what it costs and how many are left. */
export interface Sheets {
  /** The plate it lies on, and which of its two faces; several grades share one. */
  readonly plate?: string;
  readonly face?: 'upper' | 'lower';
  /** In how many pieces a sheet is cut when it is begun; used whole unless said. */
  readonly pieces?: number;
  /** Honings one sheet serves, or each piece of one that is cut. */
  readonly usesEach: number;
  /** In the owner's own money. */
  readonly costEach?: number;
  /** Sheets on the shelf when they were last counted, and when. */
  readonly counted?: { readonly on: string; readonly count: number };
}

export const STROP_FACES = ['rough-leather', 'smooth-leather', 'wood', 'mdf', 'card', 'felt'] as const;

/** What a strop's face is. Its grade is the compound's. */
export interface StropFace {
  readonly face: (typeof STROP_FACES)[number];
  readonly thicknessMm?: number;
  readonly compound?: string;
}

/** Whether an abrasive follows a shape of edge. */
export const servesShape = (abrasive: Pick<Abrasive, 'kind' | 'serves'>, shape: EdgeShape): boolean =>
  (abrasive.serves ?? kindFacts(abrasive.kind).serves).includes(shape) &&
  kindFacts(abrasive.kind).factor !== undefined;

/** Whether an abrasive belongs to a set; every one does where no set is named. */
export const standsIn = ({ sets }: Pick<Abrasive, 'sets'>, set: string | undefined): boolean =>
  set === undefined || sets === undefined || sets.length === 0 || sets.includes(set);

/** The names of the sets on a bench, in order of the alphabet. */
export const setNames = (bench: readonly Pick<Abrasive, 'sets'>[]): readonly string[] =>
  [...new Set(bench.flatMap(({ sets }) => sets ?? []))].sort((a, b) => a.localeCompare(b));

/** What one honing on it uses up, in its owner's money; undefined where that is not known. */
export function costOfUse({ sheets }: Pick<Abrasive, 'sheets'>): number | undefined {
  return sheets?.costEach === undefined
    ? undefined
    : sheets.costEach / (sheets.usesEach * (sheets.pieces ?? 1));
}

/** Sheets one gets through before the sheet is spent, where nobody said: paper once, film several times (common practice, no source). */
export const usualSheetUses = ({ grade, kind }: Pick<Abrasive, 'grade' | 'kind'>): number =>
  kind === 'flattening' ? 10 : grade.standard === 'UM' ? 6 : 1;
