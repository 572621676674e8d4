import { widestLandMm } from '../blade/land-growth.js';
import { GRIND_NICK_MM, REPAIR_NICK_MM } from '../blade/dulling.js';
import { formatDay } from '../base/date.js';
import { formatMinutes } from '../base/minutes.js';
import { formatNumber } from '../base/number.js';
import { familyFacts, type UseMeasure } from '../blade/families.js';
import type { RackState, Tool } from '../blade/tool.js';
import type { EdgeState } from './edge-state.js';
import type { Standing } from './tool-record.js';
import { STROP_EVERY_MIN, type StropRhythm } from './strop-rhythm.js';
import type { EdgeLaw } from './edge-lives.js';
import { nextSpell } from './next-spell.js';

/** How the figures in a reason are written. */
export interface Hand {
  length(mm: number): string;
  minutes(minutes: number): string;
  number(value: number): string;
  day(instant: string): string;
}

/** Millimetres and a decimal point. */
export const PLAIN_HAND: Hand = {
  length: (mm) => `${formatNumber(mm, 2)} mm`,
  minutes: (minutes) => formatMinutes(minutes),
  number: (value) => formatNumber(value, 1),
  day: (instant) => formatDay(instant),
};

/** A tool's state on the rack, by which rule, and the sentence why. */
export interface Readiness {
  readonly state: RackState;
  readonly rule: string;
  /** A whole sentence. */
  readonly why: string;
  /** The same in a few words, to stand after the state: “land 1.7 mm”. */
  readonly brief: string;
  /** The state the record gives, where the user's own word stands over it. */
  readonly otherwise?: RackState;
}

/** Why a rule holds, in a sentence and in a few words. */
type Reason = Pick<Readiness, 'why' | 'brief'>;

/** A rule of the rack: the state it gives, what it says, and when it holds. */
interface RackRule {
  readonly name: string;
  readonly state: RackState;
  /** The rule itself, as it is written down for people. */
  readonly says: string;
  /** How well founded it is. */
  readonly footing: string;
  /** The reason in this case, or nothing where the rule does not hold. */
  reason(tool: Tool, record: Standing, hand: Hand): Reason | undefined;
}

/** The land is wide when it covers this share of the whole bevel. An estimate. */
const WIDE_LAND_SHARE = 1 / 3;
/** A land nobody measured is believed after so many honings (estimate). */
const UNMEASURED_HONINGS = 20;
/** After so many strops since it was honed an edge wants a stone in place of the next (by made-up shops). */
const STROPS_BEFORE_HONING = 4;
/** Why an edge stropped so often wants a stone; nothing before that. */
export const stropsDone = ({ stropsSinceHoned }: Pick<EdgeState, 'stropsSinceHoned'>): string | undefined =>
  stropsSinceHoned >= STROPS_BEFORE_HONING
    ? `Stropped ${times(stropsSinceHoned)} since it was honed: a few strokes on a stone do more now.`
    : undefined;
/** One that no longer cut is stropped so often first, since it was honed (by made-up shops). */
const STROPS_ONCE_BLUNT = 2;
/** A strop comes at this share of the use that calls for the stone. An estimate. */
const STROP_AT = 0.6;

/** Half of a usual spell, min, where the rhythm is the tool’s own: by then it is looked at again too late as often as not. */
const halfSpell = (life: EdgeLaw | undefined, strop: StropRhythm | undefined): number =>
  strop && strop.from > 0 && life?.measure === 'minutes' ? (life.spell ?? 0) / 2 : 0;

/** It is kept by the strop, and has cut as long since strop or stone as it bears. */
const wantsStrop = (
  { family }: Tool,
  { state: { sinceSharpened }, life, strop, stropped }: Standing,
): boolean =>
  stropped &&
  familyFacts(family).stropped &&
  sinceSharpened.minutes > 0 &&
  sinceSharpened.minutes + halfSpell(life, strop) >= (strop?.everyMin ?? STROP_EVERY_MIN);

/** The rules, the most work first: the first one that holds gives the state. */
export const RACK_RULES: readonly RackRule[] = [
  {
    name: 'deep-nick',
    state: 'repair',
    says: `A nick ${REPAIR_NICK_MM} mm deep or deeper is a repair on the grinder.`,
    footing: 'An estimate; common practice gives no figure.',
    reason: (_tool, { state: { sinceHoned } }, hand) =>
      sinceHoned.deepestMm >= REPAIR_NICK_MM
        ? {
            why: `Nicked ${hand.length(sinceHoned.deepestMm)} deep in its last use.`,
            brief: `nick ${hand.length(sinceHoned.deepestMm)}`,
          }
        : undefined,
  },
  {
    name: 'nick',
    state: 'regrind',
    says: `A nick of ${GRIND_NICK_MM} mm or more is ground out, not honed out.`,
    footing: 'An estimate; common practice gives no figure.',
    reason: (_tool, { state: { sinceHoned } }, hand) =>
      sinceHoned.deepestMm >= GRIND_NICK_MM
        ? {
            why: `Nicked ${hand.length(sinceHoned.deepestMm)} deep: too much to hone out.`,
            brief: `nick ${hand.length(sinceHoned.deepestMm)}`,
          }
        : undefined,
  },
  {
    name: 'wide-land',
    state: 'regrind',
    says: 'A land that covers a third of the bevel takes long to hone: the primary wants grinding back.',
    footing: 'Regrinding a wide land is common practice; the third is an estimate.',
    reason: ({ edge }, { state }, hand) => {
      if (edge.form !== 'single-bevel' || edge.secondaryDeg === undefined) return undefined;
      const wideMm = WIDE_LAND_SHARE * widestLandMm(edge.thicknessMm, edge.secondaryDeg);
      const { landMm = 0, honings, landFrom } = state;
      if (landMm < wideMm) return undefined;
      if (landFrom === 'assumed') {
        return honings < UNMEASURED_HONINGS
          ? undefined
          : {
              why: `By its ${honings} honings the land should be ${hand.length(landMm)} wide, and nobody measured it: look, and grind it if it is.`,
              brief: 'measure its land',
            };
      }
      const since = honings > 0 ? ` after ${counted(honings, 'honing')}` : '';
      return {
        why: `The land is ${hand.length(landMm)} wide${since}, past ${hand.length(wideMm)}.`,
        brief: `land ${hand.length(landMm)}`,
      };
    },
  },
  {
    name: 'chipped',
    state: 'hone',
    says: 'A chipped edge is honed until the chips are gone.',
    footing: 'Common practice, no source.',
    reason: (_tool, { state: { sinceHoned } }, hand) => {
      const { chips, deepestMm } = sinceHoned;
      if (chips === 0) return undefined;
      return {
        why: `${counted(chips, 'chip')} since it was honed${deepestMm > 0 ? `, ${hand.length(deepestMm)} deep` : ''}.`,
        brief: counted(chips, 'chip'),
      };
    },
  },
  {
    name: 'strop-first',
    state: 'strop',
    says: `A carving edge that no longer cuts is stropped first, up to ${STROPS_ONCE_BLUNT} times between honings.`,
    footing: 'Stropping first is common practice; the number is what cost least in made-up shops.',
    reason: ({ family }, { state, stropped }) =>
      state.sinceSharpened.stillCutting === false &&
      familyFacts(family).stropped &&
      stropped &&
      state.stropsSinceHoned < STROPS_ONCE_BLUNT
        ? {
            why: `It no longer cut well; stropped ${times(state.stropsSinceHoned)} since it was honed.`,
            brief: 'cuts no longer',
          }
        : undefined,
  },
  {
    name: 'blunt',
    state: 'hone',
    says: 'An edge that no longer cuts is honed.',
    footing: 'Common practice, no source.',
    reason: (tool, { state }, hand) =>
      state.sinceSharpened.stillCutting === false
        ? {
            why: `It no longer cut after ${amountOf(state.sinceHoned, tool, hand)}${
              state.stropsSinceHoned > 0 ? `, and was stropped ${times(state.stropsSinceHoned)}` : ''
            }.`,
            brief: `blunt at ${amountOf(state.sinceHoned, tool, hand)}`,
          }
        : undefined,
  },
  {
    name: 'soon-blunt',
    state: 'hone',
    says: 'An edge is honed before the spell of use that would find it blunt, at the age where early honings and edges given out together cost least, later where its lives spread so widely that much of the asking would come before half of them; one kept by the strop, once that no longer helps.',
    footing:
      'The law of lives is this tool’s own, edges honed while they still cut counted as that, beside like tools where it has few; the cheapest age is Barlow and Hunter’s (1960). What a dull edge costs is an estimate, and yours to set.',
    reason: (_tool, record, hand) => {
      const next = nextSpell(record);
      if (!next?.due) return undefined;
      return {
        why: `Used ${amount(next.used, next.measure, hand)} since it was honed: a spell of ${amount(next.spell, next.measure, hand)} more would find it blunt ${percent(next.blunt, hand)} of the time. Its edges usually last ${usualWords(next.life, hand)}.`,
        brief: `${percent(next.blunt, hand)} blunt next`,
      };
    },
  },
  {
    name: 'strops-done',
    state: 'hone',
    says: `After ${STROPS_BEFORE_HONING} strops a carving edge that wants the next one goes to the stone.`,
    footing:
      'That a strop helps less each time is common practice; the number is what cost least in made-up shops.',
    reason: (tool, record) => {
      const why = stropsDone(record.state);
      return why !== undefined && wantsStrop(tool, record)
        ? { why, brief: `stropped ${times(record.state.stropsSinceHoned)}` }
        : undefined;
    },
  },
  {
    name: 'half-hour',
    state: 'strop',
    says: `A carving edge is stropped about every ${STROP_EVERY_MIN} minutes of cutting, or at the rhythm its own strops have shown, once that is nearer now than after one more spell.`,
    footing:
      'The half hour is common practice, no source; from four strops on, the use after which one of this tool’s own spells in ten found it blunt.',
    reason: (tool, record, hand) => {
      const { state, strop } = record;
      const { minutes } = state.sinceSharpened;
      return wantsStrop(tool, record)
        ? {
            why: `${hand.minutes(minutes)} of cutting since the strop or the stone${strop && strop.from > 0 ? `; it usually bears ${hand.minutes(strop.everyMin)}` : ''}.`,
            brief: `cut ${hand.minutes(minutes)}`,
          }
        : undefined;
    },
  },
  {
    name: 'fading',
    state: 'strop',
    says: `A tool that is stropped is stropped once on the way, ${STROP_AT * 100} % of the way to its honing.`,
    footing: 'Coming back before it is dull is common practice; the share is an estimate.',
    reason: (_tool, record, hand) => {
      const next = record.stropped && record.state.stropsSinceHoned === 0 ? nextSpell(record) : undefined;
      if (next?.dueAt === undefined || next.used < STROP_AT * next.dueAt) return undefined;
      return {
        why: `Used ${amount(next.used, next.measure, hand)} of the usual ${usualWords(next.life, hand)}.`,
        brief: `used ${amount(next.used, next.measure, hand)}`,
      };
    },
  },
  {
    name: 'sharp',
    state: 'ready',
    says: 'Otherwise it is ready.',
    footing: 'It follows from the record: what was not put down is not known.',
    reason: (tool, { state, entries }, hand) => {
      if (entries === 0) return { why: 'Nothing in its record yet.', brief: 'no record yet' };
      const last = lastWork(state);
      const brief =
        state.sinceSharpened.spells > 0 ? `used ${amountOf(state.sinceSharpened, tool, hand)}` : 'unused';
      return last
        ? { why: `${last.what} ${hand.day(last.at)}, ${brief} since.`, brief }
        : { why: `Used ${amountOf(state.sinceSharpened, tool, hand)}, still cutting.`, brief };
    },
  },
];

/**
 * What a tool asks for, by the first rule that holds; or the user's own word, until the edge is
 * next sharpened or found no longer to cut.
 */
export function readiness(tool: Tool, record: Standing, hand: Hand = PLAIN_HAND): Readiness {
  const byRecord = byTheRules(tool, record, hand);
  const { overruling } = tool;
  if (!overruling || lapsed(overruling.at, record)) return byRecord;
  return {
    state: overruling.state,
    rule: 'overruled',
    why: `Your word of ${hand.day(overruling.at)}${overruling.why ? `: ${overruling.why}` : ''}.`,
    brief: 'by your word',
    otherwise: byRecord.state,
  };
}

const usualWords = ({ amount: half, low, high, measure }: EdgeLaw, hand: Hand): string =>
  `${amount(half, measure, hand)} (${amount(low, measure, hand)} to ${amount(high, measure, hand)})`;

const percent = (share: number, hand: Hand): string => `${hand.number(Math.round(100 * share))} %`;

function byTheRules(tool: Tool, record: Standing, hand: Hand): Readiness {
  for (const { name, state, reason } of RACK_RULES) {
    const held = reason(tool, record, hand);
    if (held) return { state, rule: name, ...held };
  }
  throw new Error('The last rule always holds.');
}

function lapsed(at: string, { state, lastUse }: Standing): boolean {
  const later = (instant: string | undefined): boolean =>
    instant !== undefined && Date.parse(instant) > Date.parse(at);
  return later(state.sharpenedAt) || (later(lastUse?.at) && lastUse?.use.stillCutting === false);
}

function lastWork({
  honedAt,
  groundAt,
  sharpenedAt,
}: Standing['state']): { readonly what: string; readonly at: string } | undefined {
  if (sharpenedAt === undefined) return undefined;
  const what = sharpenedAt === honedAt ? 'Honed' : sharpenedAt === groundAt ? 'Ground' : 'Stropped';
  return { what, at: sharpenedAt };
}

/** Nobody counts tenths of so much. */
const WHOLE_FROM = 20;

/** An amount of use in words: `45 min`, `120 m`, `6 mortises`. */
export function amount(value: number, measure: UseMeasure, hand: Hand = PLAIN_HAND): string {
  if (measure === 'minutes') return hand.minutes(value);
  const told = hand.number(value < WHOLE_FROM ? value : Math.round(value));
  return measure === 'mortises' ? `${told} ${value === 1 ? 'mortise' : 'mortises'}` : `${told} m`;
}

function amountOf(wear: Standing['state']['sinceHoned'], { family }: Tool, hand: Hand): string {
  const { usedIn } = familyFacts(family);
  const order: readonly UseMeasure[] = [usedIn, 'minutes', 'metresPlaned', 'mortises'];
  const measure = order.find((each) => wear[each] > 0);
  return measure ? amount(wear[measure], measure, hand) : counted(wear.spells, 'spell');
}

const counted = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`;
const times = (count: number): string =>
  count === 0 ? 'not at all' : count === 1 ? 'once' : `${count} times`;
