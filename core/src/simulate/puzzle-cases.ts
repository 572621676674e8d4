import { CAUSE_NAMES, causeFacts, type CauseName } from '../advice/causes.js';
import { LOOK_NAMES, type Look, SEEN_ALREADY, type Symptom, SYMPTOM_NAMES } from '../advice/signs.js';
import { likelihoodOf } from '../advice/ranking.js';
import { about, type Chance } from './chance.js';

/** Something that went wrong in a made-up shop: why, what was named of it, and what each look would answer. */
export interface PuzzleCase {
  readonly cause: CauseName;
  readonly symptoms: readonly Symptom[];
  readonly looks: Readonly<Record<Look, boolean>>;
}

/** Chances as log-odds, moved by habits. */
const movedBy = (chance: number, by: number): number => 1 / (1 + ((1 - chance) / chance) * Math.exp(-by));

/** Who looks at something names what is there so often. */
const NAMED = 0.8;

/**
 * Cases by the habits of a shop that the puzzle’s own model did not make: causes commoner or rarer there, signs that show
 * oftener or less, and that go together, since a bad case shows more of them than a slight one; people leave some out.
 */
export function puzzleCases(chance: Chance, count: number): readonly PuzzleCase[] {
  const common = CAUSE_NAMES.map((cause) => about(chance, causeFacts(cause).common, 0.4));
  const all = common.reduce((sum, each) => sum + each, 0);
  const habits = new Map<string, number>();
  const habit = (key: string): number => {
    if (!habits.has(key)) habits.set(key, 0.5 * chance.normal());
    return habits.get(key) as number;
  };
  const causeAt = (share: number): CauseName => {
    let left = share * all;
    return CAUSE_NAMES.find((_, i) => (left -= common[i] as number) < 0) ?? (CAUSE_NAMES[0] as CauseName);
  };
  return Array.from({ length: count }, (): PuzzleCase => {
    const cause = causeAt(chance.uniform());
    const { shows, looks: would } = causeFacts(cause);
    const [bad, clear] = [0.8 * chance.normal(), 0.5 * chance.normal()];
    const symptoms = SYMPTOM_NAMES.filter(
      (sign) =>
        chance.uniform() < movedBy(likelihoodOf(sign, shows[sign]), habit(`${cause} ${sign}`) + bad) &&
        chance.uniform() < NAMED,
    );
    const seen = (look: Look): boolean => {
      const same = SEEN_ALREADY[look];
      if (same !== undefined && symptoms.includes(same)) return true;
      return chance.uniform() < movedBy(likelihoodOf(look, would[look]), habit(`${cause} ${look}`) + clear);
    };
    return {
      cause,
      symptoms,
      looks: Object.fromEntries(LOOK_NAMES.map((look) => [look, seen(look)])) as Record<Look, boolean>,
    };
  });
}
