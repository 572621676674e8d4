import { edgeLawOf, type EdgeLaw } from '../record/edge-lives.js';
import { nextSpellOf } from '../record/next-spell.js';
import type { Session } from '../record/session.js';

/** A made-up tool whose edges last as a hidden law has it, and the hand that uses it. */
export interface HiddenTool {
  /** How long the next edge lasts, min. */
  readonly life: () => number;
  /** How long the next spell of use is, min. */
  readonly spell: () => number;
  /** The hand hones when the rack asks for it; else only when it no longer cuts. */
  readonly obeys: boolean;
  /** The hand stops in the middle of a spell when the edge gives out. */
  readonly stops: boolean;
  readonly edges: number;
}

/** What became of the edges, the first few left out that nothing could be said of. */
export interface Used {
  readonly life: EdgeLaw;
  /** Edges that gave out in use, and those of them the rack had asked for before. */
  readonly gaveOut: number;
  readonly warned: number;
  /** Edges the rack asked for, and those of them not half used up by then. */
  readonly asked: number;
  readonly tooSoon: number;
}

const HOUR_MS = 3_600_000;
/** So many edges go by before the rack is judged. */
const LEARNING = 10;

/**
 * Edge after edge of a made-up tool, used by spells, honed when the rack asks or when they give out; the rack knows
 * what is put down and nothing else.
 */
export function edgesInUse({ life, spell, obeys, stops, edges }: HiddenTool): Used {
  const history: { readonly session: Session }[] = [];
  const put = (more: Partial<Session> & Pick<Session, 'kind'>): void => {
    const startedAt = new Date(Date.UTC(2024, 0, 1) + history.length * HOUR_MS).toISOString();
    history.push({ session: { toolId: 'hidden', startedAt, ...more } });
  };
  let [gaveOut, warned, asked, tooSoon] = [0, 0, 0, 0];
  for (let edge = 0; edge < edges; edge++) {
    const lasts = life();
    let [used, noted] = [0, 0];
    let askedAt: number | undefined;
    while (used < lasts && !(obeys && askedAt !== undefined)) {
      const whole = spell();
      used += stops ? Math.min(whole, Math.max(1, lasts - used)) : whole;
      put({ kind: 'use', use: { minutes: Math.round(used - noted), stillCutting: used < lasts } });
      noted = Math.round(used);
      if (edge >= LEARNING && used < lasts && isDue(history, used)) askedAt ??= used;
    }
    if (edge >= LEARNING) {
      if (used >= lasts) gaveOut += 1;
      if (used >= lasts && askedAt !== undefined) warned += 1;
      if (askedAt !== undefined) asked += 1;
      if (askedAt !== undefined && lasts > 2 * askedAt) tooSoon += 1;
    }
    put({ kind: 'honing' });
  }
  const found = edgeLawOf('minutes', history);
  if (!found) throw new Error('A hidden tool is used.');
  return { life: found, gaveOut, warned, asked, tooSoon };
}

function isDue(history: readonly { readonly session: Session }[], minutes: number): boolean {
  const life = edgeLawOf('minutes', history);
  return life !== undefined && (nextSpellOf(life, minutes)?.due ?? false);
}
