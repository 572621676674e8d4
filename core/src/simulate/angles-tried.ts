import { nextAngle, type EdgeTried } from '../record/next-angle.js';

/** A made-up knife, its wood and the hand that hones it, by laws the advice does not share. */
export interface HiddenKnife {
  /** The angle its edges last longest at, and what is advised to anyone, degrees. */
  readonly bestDeg: number;
  readonly advisedDeg: number;
  /** What an edge lasts at best, min; how many degrees flatter, or steeper, halve it. */
  readonly bestMin: number;
  readonly halfFlatterDeg: number;
  readonly halfSteeperDeg: number;
  /** Spread of the logarithm of what edges of one angle last. */
  readonly scatter: number;
  /** How far the hand misses the angle it means, degrees (standard deviation). */
  readonly handDeg: number;
}

/** Who chooses the next angle, from the edges so far. */
export type Chooser = (edges: readonly EdgeTried[], advisedDeg: number) => number;

/** What is told to anyone: one angle, always. */
export const fixedAdvice: Chooser = (_edges, advisedDeg) => advisedDeg;

/** Edges without a chip after which a degree less is tried. */
const NEVER = 3;

/** Steeper when it chips, flatter when it never does (common practice, no source). */
export const tradesRule: Chooser = (edges, advisedDeg) => {
  const last = edges.at(-1);
  if (!last) return advisedDeg;
  if (last.ended === 'chipped') return last.deg + 1;
  const since = edges.slice(-NEVER);
  const never =
    since.length === NEVER && since.every(({ deg, ended }) => deg === last.deg && ended === 'blunt');
  return never ? last.deg - 1 : last.deg;
};

/** What the application says. */
export const asToldNext: Chooser = (edges, advisedDeg) => nextAngle(edges)?.deg ?? advisedDeg;

/** What became of one hand and knife. */
export interface AnglesTried {
  /** Minutes of cut lost against the best angle, edge by edge, until the angle first lay within a degree of it. */
  readonly lostUntilMin: number;
  /** The same over all edges. */
  readonly lostMin: number;
  /** Edges until then; all of them where it never did. */
  readonly until: number;
}

/** What an edge lasts on average at an angle: it falls on either side of the best, each in its own way. */
function lastsMin({ bestDeg, bestMin, halfFlatterDeg, halfSteeperDeg }: HiddenKnife, deg: number): number {
  const off = deg - bestDeg;
  return bestMin * 2 ** -(Math.abs(off) / (off < 0 ? halfFlatterDeg : halfSteeperDeg));
}

/** One hand and one knife, edge after edge, the next angle chosen as `chooser` does. */
export function anglesTried(
  knife: HiddenKnife,
  chooser: Chooser,
  edges: number,
  normal: () => number,
  uniform: () => number,
): AnglesTried {
  const tried: EdgeTried[] = [];
  let [lostUntilMin, lostMin, until] = [0, 0, edges];
  for (let i = 0; i < edges; i++) {
    const deg = chooser(tried, knife.advisedDeg);
    const made = deg + knife.handDeg * normal();
    const lost = knife.bestMin - lastsMin(knife, deg);
    lostMin += lost;
    if (until === edges) {
      if (Math.abs(deg - knife.bestDeg) <= 1) until = i;
      else lostUntilMin += lost;
    }
    const amount = lastsMin(knife, made) * Math.exp(knife.scatter * normal() - knife.scatter ** 2 / 2);
    // Chips come of knots as much as of thinness: some at any angle, more on the flatter side.
    const chip = uniform() < Math.min(0.9, 0.08 + 0.12 * Math.max(0, knife.bestDeg + 1 - made));
    tried.push({ deg, amount, ended: chip ? 'chipped' : 'blunt' });
  }
  return { lostUntilMin, lostMin, until };
}
