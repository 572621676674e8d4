import { widestLandMm } from '../blade/land-growth.js';
import { GRIND_NICK_MM, REPAIR_NICK_MM } from '../blade/dulling.js';
import { formatDay } from '../base/date.js';
import { formatMinutes } from '../base/minutes.js';
import { formatNumber } from '../base/number.js';
import { familyFacts, type UseMeasure } from '../blade/families.js';
import type { RackState, Tool } from '../blade/tool.js';
import type { ToolRecord } from './tool-record.js';
import { STROP_EVERY_MIN } from './strop-rhythm.js';

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
  reason(tool: Tool, record: ToolRecord, hand: Hand): Reason | undefined;
}

/** The land is wide when it covers this share of the whole bevel. An estimate. */
const WIDE_LAND_SHARE = 1 / 3;
/** A land nobody measured is believed after so many honings (estimate). */
const UNMEASURED_HONINGS = 20;
/** A stropped edge that dulls after this many strops since it was honed wants a stone. An estimate. */
export const STROPS_BEFORE_HONING = 8;
/** An edge is stropped at this share of its usual life, before it is dull. An estimate. */
const STROP_AT_LIFE = 0.6;

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
    says: `A carving edge that fades is stropped first, up to ${STROPS_BEFORE_HONING} times between honings.`,
    footing: 'Stropping first is common practice; the number is an estimate.',
    reason: ({ family }, { state }) =>
      state.sinceSharpened.stillCutting === false &&
      familyFacts(family).stropped &&
      state.stropsSinceHoned < STROPS_BEFORE_HONING
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
    name: 'life-over',
    state: 'hone',
    says: 'An edge used as long as this tool’s usually last is honed before it is dull.',
    footing: 'The median of this tool’s own worn-out edges, from three on.',
    reason: (_tool, { state, life }, hand) =>
      life && state.sinceHoned[life.measure] >= life.amount
        ? {
            why: `Used ${amount(state.sinceHoned[life.measure], life.measure, hand)} since it was honed; its edges usually last ${amount(life.amount, life.measure, hand)}.`,
            brief: `used ${amount(state.sinceHoned[life.measure], life.measure, hand)}`,
          }
        : undefined,
  },
  {
    name: 'half-hour',
    state: 'strop',
    says: `A carving edge is stropped about every ${STROP_EVERY_MIN} minutes of cutting, or at the rhythm its own strops have shown.`,
    footing:
      'The half hour is common practice, no source; from four strops on, the median of this tool’s own.',
    reason: ({ family }, { state: { sinceSharpened }, strop }, hand) =>
      familyFacts(family).stropped && sinceSharpened.minutes >= (strop?.everyMin ?? STROP_EVERY_MIN)
        ? {
            why: `${hand.minutes(sinceSharpened.minutes)} of cutting since the strop or the stone${strop && strop.from > 0 ? `; it usually bears ${hand.minutes(strop.everyMin)}` : ''}.`,
            brief: `cut ${hand.minutes(sinceSharpened.minutes)}`,
          }
        : undefined,
  },
  {
    name: 'fading',
    state: 'strop',
    says: 'An edge past six tenths of its usual life is stropped, once, before it fades.',
    footing: 'Coming back before it is dull is common practice; the share is an estimate.',
    reason: (_tool, { state, life }, hand) =>
      life && state.stropsSinceHoned === 0 && state.sinceHoned[life.measure] >= STROP_AT_LIFE * life.amount
        ? {
            why: `Used ${amount(state.sinceHoned[life.measure], life.measure, hand)} of the usual ${amount(life.amount, life.measure, hand)}.`,
            brief: `used ${amount(state.sinceHoned[life.measure], life.measure, hand)}`,
          }
        : undefined,
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
export function readiness(tool: Tool, record: ToolRecord, hand: Hand = PLAIN_HAND): Readiness {
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

function byTheRules(tool: Tool, record: ToolRecord, hand: Hand): Readiness {
  for (const { name, state, reason } of RACK_RULES) {
    const held = reason(tool, record, hand);
    if (held) return { state, rule: name, ...held };
  }
  throw new Error('The last rule always holds.');
}

function lapsed(at: string, { state, lastUse }: ToolRecord): boolean {
  const later = (instant: string | undefined): boolean =>
    instant !== undefined && Date.parse(instant) > Date.parse(at);
  return later(state.sharpenedAt) || (later(lastUse?.at) && lastUse?.use.stillCutting === false);
}

function lastWork({
  honedAt,
  groundAt,
  sharpenedAt,
}: ToolRecord['state']): { readonly what: string; readonly at: string } | undefined {
  if (sharpenedAt === undefined) return undefined;
  const what = sharpenedAt === honedAt ? 'Honed' : sharpenedAt === groundAt ? 'Ground' : 'Stropped';
  return { what, at: sharpenedAt };
}

/** An amount of use in words: `45 min`, `120 m`, `6 mortises`. */
export function amount(value: number, measure: UseMeasure, hand: Hand = PLAIN_HAND): string {
  if (measure === 'minutes') return hand.minutes(value);
  return measure === 'mortises' ? counted(value, 'mortise') : `${hand.number(value)} m`;
}

function amountOf(wear: ToolRecord['state']['sinceHoned'], { family }: Tool, hand: Hand): string {
  const { usedIn } = familyFacts(family);
  const order: readonly UseMeasure[] = [usedIn, 'minutes', 'metresPlaned', 'mortises'];
  const measure = order.find((each) => wear[each] > 0);
  return measure ? amount(wear[measure], measure, hand) : counted(wear.spells, 'spell');
}

const counted = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`;
const times = (count: number): string =>
  count === 0 ? 'not at all' : count === 1 ? 'once' : `${count} times`;
