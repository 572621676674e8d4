import type { RecordedSession } from '../record/edge-state.js';
import type { Session } from '../record/session.js';
import type { Adviser, Claim } from './advisers.js';
import type { Chance } from './chance.js';
import type { HiddenShop } from './hidden-shop.js';

/** What a year cost, in minutes of {@link COSTS}, by where it went; and what was counted on the way. */
export interface Year {
  readonly stones: number;
  readonly strop: number;
  readonly wheel: number;
  readonly care: number;
  readonly dull: number;
  /** What an iron's curve cost: read, and planed with while it was another than wanted. */
  readonly curve: number;
  readonly steel: number;
  /** Edges that gave out in use; those that were honed while they had half their life or more left. */
  readonly gaveOut: number;
  readonly early: number;
  readonly honings: number;
  readonly spells: number;
  /** Of each figure that was said with a ±, how often it was said and how often the truth lay within it. */
  readonly told: Readonly<Record<Claim, { readonly said: number; readonly held: number }>>;
}
export const COST_PARTS = [
  'stones',
  'strop',
  'wheel',
  'care',
  'dull',
  'curve',
  'steel',
] as const satisfies readonly Exclude<keyof Year, 'told'>[];

export const totalOf = (year: Pick<Year, (typeof COST_PARTS)[number]>): number =>
  COST_PARTS.reduce((sum, part) => sum + year[part], 0);

/** A year as it goes: whose shop and advice it is, what was put down, how its stones stand, what it has cost. */
export interface Going {
  readonly shop: HiddenShop;
  readonly adviser: Adviser;
  readonly all: Map<string, RecordedSession[]>;
  readonly cares: { abrasiveId: string; kind: 'flattened'; at: string }[];
  readonly tired: [number, number];
  /** How often the coarse stone was worked on, and what a stroke took at the usual push, summed over those times, mm³. */
  readonly worked: { times: number; strokeMm3: number };
  cost: { -readonly [K in Exclude<keyof Year, 'told'>]: Year[K] };
  told: Record<Claim, { said: number; held: number }>;
  /** Mistakes of the hand, a stream of their own. */
  readonly slips: Chance;
}

/** Nothing done yet, and nothing said. */
export const nothingYet = (): Pick<Going, 'cost' | 'told'> => ({
  cost: {
    ...{ stones: 0, strop: 0, wheel: 0, care: 0, dull: 0, curve: 0, steel: 0 },
    ...{ gaveOut: 0, early: 0, honings: 0, spells: 0 },
  },
  told: {
    ...{ strokes: { said: 0, held: 0 }, land: { said: 0, held: 0 }, life: { said: 0, held: 0 } },
    ...{ angle: { said: 0, held: 0 }, rate: { said: 0, held: 0 }, camber: { said: 0, held: 0 } },
  },
});

/** Where an entry is put down, and at what hour of its day. */
export interface Writing {
  readonly put: (session: Omit<Session, 'toolId'>) => void;
  readonly at: (hour: number) => string;
}
