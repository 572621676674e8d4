import type { UseMeasure } from '../blade/families.js';
import { tellsLife, type EdgeLife } from './edge-lives.js';
import { chanceOfEnd, cheapestAge } from './lasting.js';
import type { ToolRecord } from './tool-record.js';

/**
 * An edge that gives out in the work costs so many times what a sharpening too early does. An estimate, and the user’s
 * to say: in made-up shops it asks before seven in ten of the edges that give out, and too soon of fewer than one in five,
 * where lives lie near enough together for that to be had at all.
 */
export const USUAL_LATE_COSTS = 2.1;

/** What the next usual spell of use would find of an edge that has been used. */
interface NextSpell {
  readonly life: EdgeLife;
  readonly measure: UseMeasure;
  readonly used: number;
  readonly spell: number;
  /** The chance that it finds it blunt. */
  readonly blunt: number;
  /** The use at which honing costs least; absent where that is when it is blunt, and while the strop keeps it. */
  readonly dueAt?: number;
  /** That use is nearer now than after the spell. */
  readonly due: boolean;
}

/**
 * What the strop brings back is honed once the strop no longer does, not by age.
 * @returns undefined where too little is known, or the edge is unused
 */
export function nextSpell(
  record: Pick<ToolRecord, 'life' | 'state' | 'lateCosts' | 'strop'>,
): NextSpell | undefined {
  const { life, state, lateCosts } = record;
  const next = life && nextSpellOf(life, state.sinceHoned[life.measure], lateCosts);
  if (!next || !isKeptByStrop(record)) return next;
  const { dueAt: _byAge, ...kept } = next;
  return { ...kept, due: false };
}

/** The strop keeps it, and still helps. */
export const isKeptByStrop = ({ strop }: Pick<ToolRecord, 'strop'>): boolean =>
  strop !== undefined && !strop.spent;

/** {@link nextSpell} of an edge used so much. */
export function nextSpellOf(
  life: EdgeLife,
  used: number,
  lateCosts = USUAL_LATE_COSTS,
): NextSpell | undefined {
  const { measure, spell } = life;
  if (!tellsLife(life) || spell === undefined || used <= 0) return undefined;
  const dueAt = cheapestAge(life, lateCosts);
  return {
    life,
    measure,
    used,
    spell,
    blunt: chanceOfEnd(life, used, used + spell),
    ...(dueAt !== undefined && { dueAt }),
    due: dueAt !== undefined && used >= dueAt - spell / 2,
  };
}
