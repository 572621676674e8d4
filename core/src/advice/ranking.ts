import { CAUSE_NAMES, causeFacts, type CauseName } from './causes.js';
import {
  LOOK_NAMES,
  OFTEN,
  SEEN_ALREADY,
  TELLS_ALONE,
  type Look,
  type Often,
  type Symptom,
} from './signs.js';

/** What was seen: symptoms, and answers to looks. */
export interface Seen {
  readonly symptoms: readonly Symptom[];
  readonly looks: Partial<Readonly<Record<Look, boolean>>>;
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

/**
 * The causes of what was seen, the likeliest first: Bayes' rule with the signs taken as independent of each
 * other (naive), on the estimates of the knowledge base. A symptom not named says nothing; a look answered no does;
 * a look that saw what a symptom names already is not counted again.
 */
export function rankCauses({ symptoms, looks }: Seen): readonly Ranked[] {
  const weights = CAUSE_NAMES.map((cause) => {
    const { common, shows, looks: would } = causeFacts(cause);
    const seen = symptoms.reduce(
      (product, symptom) => product * likelihoodOf(symptom, shows[symptom]),
      common,
    );
    const weight = Object.entries(looks).reduce((product, [look, yes]) => {
      if (yes && isSeen(look as Look, symptoms)) return product;
      const p = likelihoodOf(look as Look, would[look as Look]);
      return product * (yes ? p : 1 - p);
    }, seen);
    return { cause, weight };
  });
  const sum = weights.reduce((total, { weight }) => total + weight, 0);
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
export function nextLooks(seen: Seen): readonly NextLook[] {
  const ranked = rankCauses(seen);
  const now = entropy(ranked.map(({ share }) => share));
  return LOOK_NAMES.filter((look) => seen.looks[look] === undefined && !isSeen(look, seen.symptoms))
    .map((look) => {
      const yes = ranked.reduce(
        (sum, { cause, share }) => sum + share * likelihoodOf(look, causeFacts(cause).looks[look]),
        0,
      );
      const after = (answer: boolean): number =>
        entropy(rankCauses({ ...seen, looks: { ...seen.looks, [look]: answer } }).map(({ share }) => share));
      return { look, bits: now - (yes * after(true) + (1 - yes) * after(false)) };
    })
    .filter(({ bits }) => bits >= WORTH_BITS)
    .sort((a, b) => b.bits - a.bits);
}

function entropy(shares: readonly number[]): number {
  return shares.reduce((sum, share) => (share > 0 ? sum - share * Math.log2(share) : sum), 0);
}
