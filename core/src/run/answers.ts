import { PROUD } from '../curve/uneven.js';

/** What a fingertip finds at a place along the edge. */
export const BURR_FEELS = ['felt', 'strong', 'none'] as const;
export type BurrFeel = (typeof BURR_FEELS)[number];

/** Places along the edge a burr is felt at, from left to right. */
export const BURR_PLACES = 5;

/** Where colour is left on the bevel after a few light strokes. */
export const COLOUR_LEFT = ['heel', 'edge', 'left', 'right', 'patches'] as const;
export type ColourLeft = (typeof COLOUR_LEFT)[number];

export const HEATS = ['cool', 'hot', 'coloured'] as const;
export type Heat = (typeof HEATS)[number];

/** Where an edge may shake when it is drawn along the nail, and the place along it: nearly always an end. */
export const SHAKES = ['heel', 'middle', 'tip'] as const;
export type Shake = (typeof SHAKES)[number];
export const SHAKE_PLACES: Readonly<Record<Shake, number>> = { heel: 0, middle: 2, tip: 4 };

/** How a back is polished: corner to corner; but for a corner that may wait; not yet. */
export const POLISHES = ['all', 'corner', 'not-yet'] as const;
export type Polish = (typeof POLISHES)[number];

/** Where light shows between an edge and a straightedge: nowhere, in the middle, or at its ends. */
export const LIGHTS = ['none', 'middle', 'ends'] as const;
export type Light = (typeof LIGHTS)[number];

/** A gouge or a V-tool seen from its end: even, or what stands proud of it. */
export const SEEN_FROM_END = ['even', ...PROUD] as const;
export type SeenFromEnd = (typeof SEEN_FROM_END)[number];

/** What sent a run back, or what it goes on with in mind. */
export const GATE_WORDS = [
  'burr-gaps',
  'burr-none',
  'burr-none-again',
  'burr-strong',
  'marker-low',
  'marker-steep',
  'marker-skewed',
  'marker-hollow',
  'scratches',
  'scratches-again',
  'scratches-sheet',
  'scratches-back',
  'shakes',
  'light-middle',
  'light-ends',
  ...PROUD,
  'unpolished',
  'hot',
  'coloured',
  'not-proved',
] as const;
export type GateWord = (typeof GATE_WORDS)[number];

export interface Told {
  readonly by: GateWord;
  /** Places to press at, 0 to 4 from the left. */
  readonly press?: readonly number[];
}
