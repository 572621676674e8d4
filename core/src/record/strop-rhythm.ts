import type { HistoryEntry } from './edge-state.js';
import { amountAt, lastingOf, type Span } from './lasting.js';

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
/** By then the edge has given out one time in ten: a strop takes a minute, a torn cut more (what cost least in made-up shops). */
const STROPPED_AT_SHARE = 0.9;
/** The half hour is believed as firmly as two edges given out would show (estimate). */
const USUAL = { scale: 73, worth: 2 } as const;
/** Strops it takes before their own rhythm is gone by. */
const STROPS_TO_LEARN = 4;
/** A strop that brings back less than half of what strops did has stopped helping (estimate). */
const SPENT_SHARE = 0.5;
const LEAST_MIN = 5;
const MOST_MIN = 240;

/**
 * Minutes of cutting from one strop to the next: those after which one spell in ten has found the edge blunt. Spells
 * that were ended while it still cut count as that and no more, so that a rhythm that is kept can lengthen too.
 */
export function stropRhythm(history: readonly HistoryEntry[]): StropRhythm {
  const spells: Span[] = [];
  let last: Span | undefined;
  for (const { session, before } of history) {
    if (session.kind !== 'stropping' && session.kind !== 'honing') continue;
    const { minutes, stillCutting } = before.sinceSharpened;
    if (minutes > 0) {
      const spell = { amount: minutes, ended: stillCutting === false };
      spells.push(spell);
      if (before.stropsSinceHoned > 0) last = spell;
    }
    if (session.kind === 'honing') last = undefined;
  }
  if (spells.length < STROPS_TO_LEARN) return { everyMin: STROP_EVERY_MIN, from: 0, spent: false };
  const everyMin = amountAt(lastingOf(spells, USUAL), STROPPED_AT_SHARE);
  return {
    everyMin: Math.round(Math.min(MOST_MIN, Math.max(LEAST_MIN, everyMin))),
    from: spells.length,
    spent: last?.ended === true && last.amount < SPENT_SHARE * everyMin,
  };
}
