import { familyFacts, type UseMeasure } from '../blade/families.js';
import type { Session } from './session.js';
import type { Tool } from '../blade/tool.js';
import type { HistoryEntry } from './edge-state.js';

/** How long an edge of this tool usually lasts, from its own record. */
export interface UsualLife {
  readonly measure: UseMeasure;
  /** Median amount of use from a sharpening until it no longer cut. */
  readonly amount: number;
  /** How many edges that is the median of. */
  readonly edges: number;
}

/** Fewer worn-out edges than this say nothing about the next. */
export const EDGES_TO_JUDGE_BY = 3;

/** How many of the latest worn-out edges are looked at: hands, woods and stones change. */
const LATEST = 12;

/** What this tool's use was last counted in, else what its family's is. */
export function measureOf(tool: Tool, history: readonly { readonly session: Session }[]): UseMeasure {
  const use = history.findLast(({ session }) => session.kind === 'use')?.session.use;
  if (use?.metresPlaned !== undefined) return 'metresPlaned';
  if (use?.mortises !== undefined) return 'mortises';
  return use?.minutes === undefined ? familyFacts(tool.family).usedIn : 'minutes';
}

/**
 * The median life of the latest edges that were used until they no longer cut. An edge sharpened
 * while it still cut well says only that it would have lasted longer, and is left out.
 * @returns undefined with fewer than {@link EDGES_TO_JUDGE_BY} such edges
 */
export function usualLife(tool: Tool, history: readonly HistoryEntry[]): UsualLife | undefined {
  const measure = measureOf(tool, history);
  const amounts = history
    .filter(({ session, before }) => session.kind === 'honing' && before.sinceHoned.stillCutting === false)
    .map(({ before }) => before.sinceHoned[measure])
    .filter((amount) => amount > 0)
    .slice(-LATEST)
    .sort((a, b) => a - b);
  if (amounts.length < EDGES_TO_JUDGE_BY) return undefined;
  const middle = amounts.length >> 1;
  const amount =
    amounts.length % 2 === 1
      ? (amounts[middle] as number)
      : ((amounts[middle - 1] as number) + (amounts[middle] as number)) / 2;
  return { measure, amount, edges: amounts.length };
}
