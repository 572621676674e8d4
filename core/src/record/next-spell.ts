import type { UseMeasure } from '../blade/families.js';
import { tellsLife, type EdgeLaw } from './edge-lives.js';
import { chanceOfEnd, cheapestAge, lastPast, type Lasting } from './lasting.js';
import type { Standing } from './tool-record.js';

/**
 * An edge that gives out in the work costs so many times what a sharpening too early does. An estimate, and the user’s
 * to say: in made-up shops it asks before seven in ten of the edges that give out, and too soon of fewer than one in five,
 * where lives lie near enough together for that to be had at all.
 */
export const USUAL_LATE_COSTS = 2.1;

/** What the next usual spell of use would find of an edge that has been used. */
interface NextSpell {
  readonly life: EdgeLaw;
  readonly measure: UseMeasure;
  readonly used: number;
  readonly spell: number;
  /** The chance that it finds it blunt. */
  readonly blunt: number;
  /** The use at which honing costs least; absent where that is when it is blunt, and while the strop keeps it. */
  readonly dueAt?: number;
  /** The rack asks for the stone. */
  readonly due: boolean;
}

/**
 * What the strop brings back is honed once the strop no longer does, not by age.
 * @returns undefined where too little is known, or the edge is unused
 */
export function nextSpell(
  record: Pick<Standing, 'life' | 'state' | 'lateCosts' | 'strop'>,
): NextSpell | undefined {
  const { life, state, lateCosts } = record;
  const next = life && nextSpellOf(life, state.sinceHoned[life.measure], lateCosts);
  if (!next || !isKeptByStrop(record)) return next;
  const { dueAt: _byAge, ...kept } = next;
  return { ...kept, due: false };
}

/** The strop keeps it, and still helps. */
export const isKeptByStrop = ({ strop }: Pick<Standing, 'strop'>): boolean =>
  strop !== undefined && !strop.spent;

/** {@link nextSpell} of an edge used so much. */
export function nextSpellOf(
  life: EdgeLaw,
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
    due: dueAt !== undefined && used >= askedFrom(life, dueAt, spell),
  };
}

/** Lives of a shape below this spread widely: the cheapest age alone would often ask of an edge not half used. */
const WIDE_SHAPE = 2.5;
/** Of such lives so few of the asking may come before half the edge’s life, by their own law (both by made-up shops). */
const TOO_SOON = 0.19;
/** Ages looked among, in parts of a spell. */
const PARTS = 12;

/** The use the rack asks from: once the cheapest age is nearer now than after one more spell, later where lives spread widely. */
function askedFrom(law: Lasting, dueAt: number, spell: number): number {
  const from = Math.max(0, dueAt - spell / 2);
  if (law.shape >= WIDE_SHAPE) return from;
  const ages = Array.from({ length: 3 * PARTS }, (_, i) => from + ((i + 0.5) / PARTS) * spell);
  const later = ages.find((_, i) => {
    // It is looked at after a spell: the asking falls somewhere in the spell that follows.
    const asked = ages.slice(i, i + PARTS);
    const still = (times: number): number => asked.reduce((sum, age) => sum + lastPast(law, times * age), 0);
    return still(2) <= TOO_SOON * still(1);
  });
  return later === undefined ? dueAt + spell : later - spell / (2 * PARTS);
}
