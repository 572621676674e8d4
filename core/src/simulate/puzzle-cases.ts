import { remembered } from '../base/remembered.js';
import { CAUSE_NAMES, causeFacts, type CauseName } from '../advice/causes.js';
import { likelihoodOf, type Weigher } from '../advice/ranking.js';
import { LOOK_NAMES, type Look, SEEN_ALREADY, type Symptom, SYMPTOM_NAMES } from '../advice/signs.js';
import { about, type Chance } from './chance.js';

/** Something that went wrong in a made-up shop: why, what was named of it, and what each look would answer. */
export interface PuzzleCase {
  readonly cause: CauseName;
  readonly symptoms: readonly Symptom[];
  readonly looks: Readonly<Record<Look, boolean>>;
}

/** A shop where things go wrong by habits of its own. */
export interface PuzzleShop {
  readonly casesOf: (count: number) => readonly PuzzleCase[];
  /** Weights by one who knows these habits: nobody can do better from what was seen. */
  readonly knows: Weigher;
}

/** Chances as log-odds, moved by habits. */
const movedBy = (chance: number, by: number): number => 1 / (1 + ((1 - chance) / chance) * Math.exp(-by));

/** Who looks at something names what is there so often. */
const NAMED = 0.8;
/** How much worse a case may be than the usual one, and how much clearer, as log-odds. */
const SPREAD = { bad: 0.8, clear: 0.5 } as const;
/** Gauss–Hermite quadrature of the normal law in seven points (Abramowitz and Stegun, table 25.10, from memory). */
const NORMAL = [-3.7504, -2.3668, -1.1544, 0, 1.1544, 2.3668, 3.7504].map((at, i) => ({
  at,
  weight: [0.000548, 0.030757, 0.240123, 0.457143, 0.240123, 0.030757, 0.000548][i] as number,
}));

/**
 * A shop whose habits the puzzle’s own model did not make: causes commoner or rarer there, signs that show oftener or
 * less, and that go together, since a bad case shows more of them than a slight one; people leave some out.
 */
export function puzzleShop(chance: Chance): PuzzleShop {
  const habits = CAUSE_NAMES.map((cause) => {
    const { common, shows, looks: would } = causeFacts(cause);
    const moved = <S extends Symptom | Look>(
      signs: readonly S[],
      of: Partial<Record<S, Parameters<typeof likelihoodOf>[1]>>,
    ) =>
      new Map<string, number>(
        signs.map((sign) => [sign, movedBy(likelihoodOf(sign, of[sign]), 0.5 * chance.normal())]),
      );
    return {
      cause,
      common: about(chance, common, 0.4),
      shows: moved(SYMPTOM_NAMES, shows),
      would: moved(LOOK_NAMES, would),
    };
  });
  const all = habits.reduce((sum, { common }) => sum + common, 0);
  const oneCase = (): PuzzleCase => {
    let left = chance.uniform() * all;
    const of = habits.find(({ common }) => (left -= common) < 0) ?? (habits[0] as (typeof habits)[number]);
    const [bad, clear] = [SPREAD.bad * chance.normal(), SPREAD.clear * chance.normal()];
    const symptoms = SYMPTOM_NAMES.filter(
      (sign) => chance.uniform() < movedBy(of.shows.get(sign) ?? 0, bad) && chance.uniform() < NAMED,
    );
    const seen = (look: Look): boolean => {
      const same = SEEN_ALREADY[look];
      if (same !== undefined && symptoms.includes(same)) return true;
      return chance.uniform() < movedBy(of.would.get(look) ?? 0, clear);
    };
    return {
      cause: of.cause,
      symptoms,
      looks: Object.fromEntries(LOOK_NAMES.map((look) => [look, seen(look)])) as Record<Look, boolean>,
    };
  };
  /** The chance of just these symptoms under each cause, over how bad a case may be. */
  const symptomsBy = remembered((symptoms: readonly Symptom[]): readonly number[] =>
    habits.map(({ shows }) =>
      over((bad) =>
        SYMPTOM_NAMES.reduce((product, sign) => {
          const named = NAMED * movedBy(shows.get(sign) ?? 0, SPREAD.bad * bad);
          return product * (symptoms.includes(sign) ? named : 1 - named);
        }, 1),
      ),
    ),
  );
  /** By cause and look, the chance of a yes at each point of how clear a case may be. */
  const clearly = habits.map(
    ({ would }) =>
      new Map(
        [...would].map(([look, p]) => [look, NORMAL.map(({ at }) => movedBy(p, SPREAD.clear * at))] as const),
      ),
  );
  return {
    casesOf: (count) => Array.from({ length: count }, oneCase),
    knows: ({ symptoms, looks }) => {
      const answered = (Object.entries(looks) as [Look, boolean][]).filter(
        ([look]) => !symptoms.includes(SEEN_ALREADY[look] as Symptom),
      );
      const before = symptomsBy(symptoms);
      return habits.map(({ cause, common }, i) => {
        const yeses = answered.map(([look, yes]) => ({ yes, at: clearly[i]?.get(look) ?? [] }));
        const looked = over((_, point) =>
          yeses.reduce((product, { yes, at }) => {
            const p = at[point] ?? 0;
            return product * (yes ? p : 1 - p);
          }, 1),
        );
        return { cause, weight: common * (before[i] as number) * looked };
      });
    },
  };
}

/** The mean of something over a normal law. */
const over = (of: (at: number, point: number) => number): number =>
  NORMAL.reduce((sum, { at, weight }, point) => sum + weight * of(at, point), 0);
