/** How much of the order of work is walked: all of it, or what a practised hand wants. */
export const MANNERS = ['thorough', 'brisk'] as const;
export type Manner = (typeof MANNERS)[number];

/** A tool honed so often is walked through briskly until somebody chooses (estimate). */
const PRACTISED = 10;

/** The manner chosen for a tool, else by how often it was honed: long practice shortens the order. */
export const mannerOf = ({ manner }: { readonly manner?: Manner }, honings: number): Manner =>
  manner ?? (honings >= PRACTISED ? 'brisk' : 'thorough');

/** How strokes are counted on a stone or a strop. */
export const COUNTS = ['through', 'half', 'five-down', 'ten-down', 'falling', 'singles'] as const;
export type Count = (typeof COUNTS)[number];
