import type { StonesRecord } from '../abrasive/at-work.js';
import { familyFacts } from '../blade/families.js';
import type { Tool } from '../blade/tool.js';
import { CURVED_FAMILIES } from '../camber/camber-jobs.js';
import { thickeningOf } from '../record/thickening.js';
import type { ToolRecord } from '../record/tool-record.js';
import { CAUSE_NAMES, type CauseName } from './causes.js';

/** What a tool and its record say of a cause before anything is seen: so many times as likely, and why. */
interface Beforehand {
  readonly cause: CauseName;
  readonly times: number;
  /** A clause: “stropped 5 times since the stone”. */
  readonly why: string;
}

/** What is asked of a tool: nothing is known of one that has no record yet. */
interface Asked {
  readonly tool: Tool;
  readonly record?: ToolRecord | undefined;
  readonly stones?: StonesRecord;
}

/** Causes that only a plane has, and those of an iron that may be curved. */
const OF_PLANES: readonly CauseName[] = ['breaker-off', 'no-clearance', 'back-bevel-up'];
const OF_CURVES: readonly CauseName[] = ['too-little-camber', 'too-much-camber'];
/** How sure a leaning is beside an even one, and how sure it speaks against (estimates). */
const LEANS = 0.6;

/** What cannot be wrong with such a tool. */
export function impossibleOf({ edge, family }: Tool): readonly CauseName[] {
  const planes = familyFacts(family).usedIn === 'metresPlaned' && edge.form === 'single-bevel';
  return CAUSE_NAMES.filter(
    (cause) =>
      (OF_PLANES.includes(cause) && !planes) ||
      (OF_CURVES.includes(cause) && !CURVED_FAMILIES.includes(family)) ||
      (cause === 'back-not-flat' && edge.form !== 'single-bevel'),
  );
}

/**
 * What a tool’s own record makes likelier, or less likely, before anything is seen: chips since the stone, strops, the
 * wheel, stones due, the angle its edges ask for, how thick it grew. Which way each tells is common practice, no source;
 * by how much, an estimate.
 */
export function beforehand({ tool, record, stones = {} }: Asked): readonly Beforehand[] {
  if (!record || record.entries === 0) return [];
  const { state, creep, nextAngle } = record;
  const { sinceHoned, stropsSinceHoned, groundAt, honings } = state;
  const all = Object.values(stones);
  const told = (holds: boolean, cause: CauseName, times: number, why: string): readonly Beforehand[] =>
    holds ? [{ cause, times, why }] : [];
  const chips = sinceHoned.chips > 0;
  const dished = all.some(({ care }) => care.due?.kind === 'flattened');
  return [
    ...told(chips, 'nicked', 4, 'chipped since the stone'),
    ...told(chips, 'too-acute', 2, 'chipped since the stone'),
    ...told(stropsSinceHoned === 0, 'rolled-on-strop', 0.1, 'not stropped since the stone'),
    ...told(
      stropsSinceHoned >= 3,
      'rolled-on-strop',
      1.5,
      `stropped ${String(stropsSinceHoned)} times since the stone`,
    ),
    ...told(groundAt === undefined, 'overheated', 0.3, 'no wheel in its record'),
    ...told(groundAt !== undefined && honings <= 2, 'overheated', 2, 'fresh from the wheel'),
    ...told(dished, 'dished-stone', 2, 'a stone is due to be flattened'),
    ...told(all.length > 0 && !dished, 'dished-stone', 0.5, 'no stone is due to be flattened'),
    ...told(
      all.some(({ slowedTo }) => slowedTo !== undefined),
      'stone-loaded',
      2,
      'a stone cuts slower than it did',
    ),
    ...told(creep !== undefined, 'angle-steeper', 2, 'honed steeper and steeper'),
    ...told((nextAngle?.steeper ?? 0) >= LEANS, 'too-acute', 2, 'its edges ask to be steeper'),
    ...told((nextAngle?.flatter ?? 0) >= LEANS, 'too-acute', 0.5, 'its edges ask to be flatter'),
    ...told(thickeningOf(tool, state)?.thick ?? false, 'only-tip-touched', 3, 'grown thick behind its edge'),
  ];
}

/** Both as the ranking takes them: how many times as likely each cause is as it usually is. */
export function likelierBy(asked: Asked): Partial<Readonly<Record<CauseName, number>>> {
  const times: Partial<Record<CauseName, number>> = {};
  for (const cause of impossibleOf(asked.tool)) times[cause] = 0;
  for (const each of beforehand(asked)) times[each.cause] = (times[each.cause] ?? 1) * each.times;
  return times;
}
