import type { SizedAbrasive } from '../abrasive/placing.js';
import { shareBelow } from '../base/normal.js';
import { remembered } from '../base/remembered.js';
import type { Tool } from '../blade/tool.js';
import type { EdgeAtWork, TipsFound } from '../work/edge-at-work.js';
import { clearingMm } from '../work/found.js';
import { steelToGoBackMm3 } from '../work/worked.js';
import type { Session, SessionStep } from './session.js';
import { takenBy } from './taken.js';

/**
 * One burr that was looked for until it stood: steel it took, over what the word for its edge has it take. It was not
 * there at `low` yet, and stood by `high`; absent where nobody saw it stand.
 */
export interface TipSeen {
  /** The stone that raised it. */
  readonly on: string;
  readonly low: number;
  readonly high?: number;
}

/** Hands, woods and habits change: only the latest burrs count. */
export const LATEST_TIPS = 12;

/** What a honing’s burr tells of its tip; nothing where its edge was not merely dull, or nobody noted when it was looked for. */
export function tipSeen(
  tool: Tool,
  found: EdgeAtWork,
  session: Session,
  bench: ReadonlyMap<string, SizedAbrasive>,
): TipSeen | undefined {
  const { steps = [], conditionBefore: condition, outcome } = session;
  const looked = steps.find(({ noBurrAt }) => noBurrAt !== undefined);
  if (!looked || !condition || !isMerelyDull(condition)) return undefined;
  const on = looked.abrasiveId;
  const taken = takenBy(tool, session, bench).filter(({ step }) => step.abrasiveId === on);
  const steel = (strokesOf: (step: SessionStep) => number): number =>
    taken.reduce((sum, { step, mm3 }) => sum + (mm3 * strokesOf(step)) / step.strokes, 0);
  const wordMm3 = steelToGoBackMm3(tool.edge, found, clearingMm(tool.edge, condition));
  const high = steel(({ strokes }) => strokes) / wordMm3;
  // A stone nobody knows any more, or nothing to go back.
  if (!(wordMm3 > 0) || high <= 0) return undefined;
  return {
    on,
    low: rounded(steel(({ noBurrAt = 0 }) => noBurrAt) / wordMm3),
    ...(outcome?.burr === 'all-along' && { high: rounded(high) }),
  };
}

const rounded = (times: number): number => Math.round(times * 1000) / 1000;

const isMerelyDull = ({ kind, tipRadiusUm, faults = [] }: NonNullable<Session['conditionBefore']>): boolean =>
  (kind === 'dull' || kind === 'very-dull') && tipRadiusUm === undefined && faults.length === 0;

/** How far a tool’s edges may lie from what the word says: standard deviation of the logarithm (estimate). */
const TOOLS_APART = 0.5;
/** How its own edges scatter about that: any of these (estimates). */
const SCATTERS = [0.2, 0.35, 0.6, 0.9] as const;
const MEANS = Array.from({ length: 49 }, (_, i) => (i - 24) / 16);
/** One look in ten is wrong, or a stroke miscounted (estimate): such a burr may lie anywhere, as widely as this. */
const MISREAD = { share: 0.1, scatter: 1.5 } as const;

/** What a burr was seen between, as logarithms: at no stroke none stands, and one that nobody saw may be anywhere past. */
type Between = readonly [from: number, to: number];
const betweenOf = ({ low, high = Infinity }: TipSeen): Between => [Math.log(low), Math.log(high)];

/** The share of a normal law that lies between. */
const shareSeen = ([from, to]: Between, mean: number, scatter: number): number =>
  Math.max(0, shareBelow((to - mean) / scatter) - shareBelow((from - mean) / scatter));

/** Every law looked among, and what is thought of it before a burr was seen. */
const LAWS = SCATTERS.flatMap((scatter) =>
  MEANS.map((mean) => ({ scatter, mean, before: Math.exp(-0.5 * (mean / TOOLS_APART) ** 2) })),
);

/** The chance of a burr under each of {@link LAWS}: it is asked for with every later one. */
const chancesOf = remembered((burr: TipSeen): readonly number[] => {
  const between = betweenOf(burr);
  const misread = MISREAD.share * shareSeen(between, 0, MISREAD.scatter);
  return LAWS.map(({ mean, scatter }) => (1 - MISREAD.share) * shareSeen(between, mean, scatter) + misread);
});

/**
 * How much rounder this tool’s edges are found than the word for them says, by its own burrs: Bayes over a grid of
 * mean and scatter of the logarithm, each burr an interval between the last look in vain and the strokes it stood after.
 * @returns undefined where no burr was looked for
 */
export const tipsFound: (seen: readonly TipSeen[]) => TipsFound | undefined = remembered((seen) => {
  const [last] = seen.slice(-1);
  return last && foundIn(seen, last);
});

function foundIn(seen: readonly TipSeen[], last: TipSeen): TipsFound {
  const burrs = seen.map(chancesOf);
  let [all, sum, squares, within] = [0, 0, 0, 0];
  LAWS.forEach(({ scatter, mean, before }, i) => {
    const chance = burrs.reduce((product, chances) => product * (chances[i] as number), before);
    all += chance;
    sum += chance * mean;
    squares += chance * mean ** 2;
    within += chance * scatter ** 2;
  });
  const mean = sum / all;
  return {
    times: Math.exp(mean),
    sd: Math.sqrt(Math.max(0, squares / all - mean ** 2) + within / all),
    from: seen.length,
    on: last.on,
  };
}
