import { newtonsOf, type Proof } from '../record/session.js';

/** One honest word for an edge. */
type EdgeWord = 'keen' | 'sharp' | 'serviceable' | 'dull';

/** Tests a keen edge passes and a merely sharp one may not. */
const FINE: readonly Proof['test'][] = ['hair', 'cut', 'sound', 'shaving'];

/** How a force stands beside this tool’s own: among its lower half, within what it has needed, above all of it. */
type ForceWord = 'low' | 'usual' | 'high';

/** Fewer cuts than this say nothing of a tool’s own. */
const LEAST_CUTS = 3;

/**
 * A force to part the thread beside what this tool has needed before, N; undefined with fewer than three cuts to
 * hold it against, for threads and testers differ and no band fits them all.
 */
export function forceWord(newtons: number, before: readonly number[]): ForceWord | undefined {
  if (before.length < LEAST_CUTS) return undefined;
  const sorted = [...before].sort((a, b) => a - b);
  if (newtons > (sorted.at(-1) as number)) return 'high';
  const middle = sorted[Math.floor((sorted.length - 1) / 2)] as number;
  return newtons <= middle ? 'low' : 'usual';
}

/**
 * What the proof comes to: dull where it skates, shines or tears most of what was tried; serviceable where
 * something failed or the thread asked for more than this tool ever has; keen where all passed, a fine test among
 * them or the thread with less than usual; else sharp. Nothing tried, no word.
 * @param before forces this tool has needed, N
 */
export function edgeWord(proof: readonly Proof[], before: readonly number[] = []): EdgeWord | undefined {
  if (proof.length === 0) return undefined;
  const failed = proof.filter(({ passed }) => !passed);
  const thread = proof.find(({ test }) => test === 'force');
  const newtons = thread && newtonsOf(thread);
  const force = newtons === undefined ? undefined : forceWord(newtons, before);
  if (failed.some(({ test }) => test === 'nail' || test === 'light') || failed.length * 2 > proof.length)
    return 'dull';
  if (failed.length > 0 || force === 'high') return 'serviceable';
  const fine = proof.some(({ test }) => FINE.includes(test)) || force === 'low';
  return fine && force !== 'usual' ? 'keen' : 'sharp';
}
