import type { Proof } from '../session/session.js';

/** One honest word for an edge. */
export const EDGE_WORDS = ['keen', 'sharp', 'serviceable', 'dull'] as const;
export type EdgeWord = (typeof EDGE_WORDS)[number];

/** Grams to part a sewing thread that a keen and a sharp edge stay below (estimates; compare with your own). */
export const FORCE_G = { keen: 150, sharp: 300 } as const;

/** Tests a keen edge passes and a merely sharp one may not. */
const FINE: readonly Proof['test'][] = ['hair', 'cut', 'sound', 'shaving'];

/**
 * What the proof comes to: dull where it skates, shines or tears most of what was tried; serviceable where
 * something failed; keen where all passed, a fine test or the thread among them; else sharp. Nothing tried, no word.
 */
export function edgeWord(proof: readonly Proof[]): EdgeWord | undefined {
  if (proof.length === 0) return undefined;
  const failed = proof.filter(({ passed }) => !passed);
  const grams = proof.find(({ test }) => test === 'force')?.grams;
  if (failed.some(({ test }) => test === 'nail' || test === 'light') || failed.length * 2 > proof.length)
    return 'dull';
  if (failed.length > 0 || (grams !== undefined && grams > FORCE_G.sharp)) return 'serviceable';
  const fine =
    proof.some(({ test }) => FINE.includes(test)) || (grams !== undefined && grams <= FORCE_G.keen);
  return fine && (grams === undefined || grams <= FORCE_G.keen) ? 'keen' : 'sharp';
}
