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

/** The chance that a cause shows a symptom and that it is named. */
const namedBy = (cause: CauseName, symptom: Symptom): number =>
  NAMED_SHARE * likelihoodOf(symptom, causeFacts(cause).shows[symptom]);

/** The chance that nothing at all is named of a cause. */
const SILENCE: ReadonlyMap<CauseName, number> = new Map(
  CAUSE_NAMES.map((cause) => [
    cause,
    SYMPTOM_NAMES.reduce((product, symptom) => product * (1 - namedBy(cause, symptom)), 1),
  ]),
);

/**
 * The house’s own weights: Bayes' rule with the signs taken as independent of each other (naive), on the estimates of the
 * knowledge base. Where something is named, what is not speaks against as far as people name what is there; a look
 * answered no does so whole; a look that saw what a symptom names already is not counted again.
 */
export const weighed: Weigher = ({ symptoms, looks, likelier = {} }) =>
  CAUSE_NAMES.map((cause) => {
    const { common, looks: would } = causeFacts(cause);
    const named = symptoms.reduce(
      (product, symptom) => (product * namedBy(cause, symptom)) / (1 - namedBy(cause, symptom)),
      common * (likelier[cause] ?? 1) * (symptoms.length > 0 ? (SILENCE.get(cause) ?? 1) : 1),
    );
    const weight = Object.entries(looks).reduce((product, [look, yes]) => {
      if (yes && isSeen(look as Look, symptoms)) return product;
      const p = likelihoodOf(look as Look, would[look as Look]);
      return product * (yes ? p : 1 - p);
    }, named);
    return { cause, weight };
  });

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
