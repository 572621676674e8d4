import { CAUSE_NAMES, causeFacts, type CauseName } from './causes.js';
import {
  LOOK_NAMES,
  NAMED_SHARE,
  OFTEN,
  SEEN_ALREADY,
  SYMPTOM_NAMES,
  TELLS_ALONE,
  type Look,
  type Often,
  type Symptom,
} from './signs.js';

/** What was seen: symptoms, and answers to looks; and how many times as likely each cause was before that. */
export interface Seen {
  readonly symptoms: readonly Symptom[];
  readonly looks: Partial<Readonly<Record<Look, boolean>>>;
  readonly likelier?: Partial<Readonly<Record<CauseName, number>>>;
}

/** A cause with how likely it is beside the others, 0 to 1; together they are 1. */
interface Ranked {
  readonly cause: CauseName;
  readonly share: number;
}

/** Whether a symptom says already what a look would see. */
const isSeen = (look: Look, symptoms: readonly Symptom[]): boolean => {
  const same = SEEN_ALREADY[look];
  return same !== undefined && symptoms.includes(same);
};

/** How likely a cause shows a sign of which so much is known. */
export const likelihoodOf = (sign: Symptom | Look, often: Often | undefined): number =>
  OFTEN[often ?? (TELLS_ALONE.has(sign) ? 'never' : 'hardly')];

/** How much speaks for each cause: its share of all cases times the chance that it shows just what was seen. */
export type Weigher = (seen: Seen) => readonly { readonly cause: CauseName; readonly weight: number }[];

/** By cause, in the order of {@link CAUSE_NAMES}. */
type ByCause = readonly number[];

/** The chance that each cause shows a symptom and that it is named. */
const NAMED: ReadonlyMap<Symptom, ByCause> = new Map(
  SYMPTOM_NAMES.map((symptom) => [
    symptom,
    CAUSE_NAMES.map((cause) => NAMED_SHARE * likelihoodOf(symptom, causeFacts(cause).shows[symptom])),
  ]),
);

/** The chance that a look finds what it looks for. */
const FOUND: ReadonlyMap<Look, ByCause> = new Map(
  LOOK_NAMES.map((look) => [
    look,
    CAUSE_NAMES.map((cause) => likelihoodOf(look, causeFacts(cause).looks[look])),
  ]),
);

/** What each cause weighs before anything is seen: how common it is; and where something is named, what is not. */
const COMMON: ByCause = CAUSE_NAMES.map((cause) => causeFacts(cause).common);
const SILENT: ByCause = COMMON.map((common, i) =>
  [...NAMED.values()].reduce((product, named) => product * (1 - (named[i] as number)), common),
);

/**
 * The house’s own weights: Bayes' rule with the signs taken as independent of each other (naive), on the estimates of the
 * knowledge base. Where something is named, what is not speaks against as far as people name what is there; a look
 * answered no does so whole; a look that saw what a symptom names already is not counted again.
 */
export const weighed: Weigher = ({ symptoms, looks, likelier = {} }) => {
  const named = symptoms.map((symptom) => NAMED.get(symptom) as ByCause);
  const looked = (Object.entries(looks) as [Look, boolean][])
    .filter(([look, yes]) => !yes || !isSeen(look, symptoms))
    .map(([look, yes]) => ({ found: FOUND.get(look) as ByCause, yes }));
  const first = symptoms.length > 0 ? SILENT : COMMON;
  return CAUSE_NAMES.map((cause, i) => {
    let weight = (first[i] as number) * (likelier[cause] ?? 1);
    for (const chances of named) weight *= (chances[i] as number) / (1 - (chances[i] as number));
    for (const { found, yes } of looked) weight *= yes ? (found[i] as number) : 1 - (found[i] as number);
    return { cause, weight };
  });
};

/** The causes of what was seen, the likeliest first. */
export function rankCauses(seen: Seen, weigh: Weigher = weighed): readonly Ranked[] {
  const weights = weigh(seen);
  const sum = totalOf(weights);
  return weights
    .map(({ cause, weight }) => ({ cause, share: weight / sum }))
    .sort((a, b) => b.share - a.share);
}

/** The next look, and how much it is expected to tell, in bits. */
interface NextLook {
  readonly look: Look;
  readonly bits: number;
}

/** Less than this is not worth the looking. */
const WORTH_BITS = 0.02;

/** The looks not yet answered that tell most, the most informative first: expected fall of the entropy over causes. */
export function nextLooks(seen: Seen, weigh: Weigher = weighed): readonly NextLook[] {
  const before = weigh(seen);
  const now = entropy(before);
  return LOOK_NAMES.filter((look) => seen.looks[look] === undefined && !isSeen(look, seen.symptoms))
    .map((look) => {
      const after = [true, false].map((answer) =>
        weigh({ ...seen, looks: { ...seen.looks, [look]: answer } }),
      );
      const left = after.reduce((sum, each) => sum + (totalOf(each) / totalOf(before)) * entropy(each), 0);
      return { look, bits: now - left };
    })
    .filter(({ bits }) => bits >= WORTH_BITS)
    .sort((a, b) => b.bits - a.bits);
}

type Weights = ReturnType<Weigher>;

const totalOf = (weights: Weights): number => weights.reduce((sum, { weight }) => sum + weight, 0);

function entropy(weights: Weights): number {
  const total = totalOf(weights);
  return weights.reduce((sum, { weight }) => {
    const share = weight / total;
    return share > 0 ? sum - share * Math.log2(share) : sum;
  }, 0);
}
