import type { HistoryEntry } from './edge-state.js';

/** How long this tool's edge cuts before it wants the strop, from its own record. */
export interface StropRhythm {
  readonly everyMin: number;
  /** Spells from one strop to the next it rests on; 0 where it is the usual half hour. */
  readonly from: number;
  /** It no longer cuts as long after a strop as it did: hone it. */
  readonly spent: boolean;
}

/** A carver strops about every half hour of cutting (common practice, no source). */
export const STROP_EVERY_MIN = 30;
/** Strops it takes before their own rhythm is gone by. */
const STROPS_TO_LEARN = 4;
/** A strop that brings back less than half of what strops did has stopped helping (estimate). */
const SPENT_SHARE = 0.5;
const LEAST_MIN = 5;
const MOST_MIN = 120;

/**
 * Minutes of cutting from one strop to the next, by what still sufficed: a spell that ended with the edge still
 * cutting bears so long at least, one that did not is too long, and counts nine tenths. The median of them; half an
 * hour, common practice, until there are four.
 */
export function stropRhythm(history: readonly HistoryEntry[]): StropRhythm {
  const spells: number[] = [];
  let lastSpell: number | undefined;
  for (const { session, before } of history) {
    if (session.kind !== 'stropping' && session.kind !== 'honing') continue;
    const { minutes, stillCutting } = before.sinceSharpened;
    if (minutes > 0) {
      const bears = stillCutting === false ? 0.9 * minutes : minutes;
      spells.push(bears);
      if (before.stropsSinceHoned > 0) lastSpell = bears;
    }
    if (session.kind === 'honing') lastSpell = undefined;
  }
  if (spells.length < STROPS_TO_LEARN) return { everyMin: STROP_EVERY_MIN, from: 0, spent: false };
  const sorted = [...spells].sort((a, b) => a - b);
  const median = sorted[sorted.length >> 1] as number;
  return {
    everyMin: Math.round(Math.min(MOST_MIN, Math.max(LEAST_MIN, median))),
    from: spells.length,
    spent: lastSpell !== undefined && lastSpell < SPENT_SHARE * median,
  };
}
