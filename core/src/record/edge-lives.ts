import type { LifeInterval } from './edge-life.js';
import { familyFacts, type UseMeasure } from '../blade/families.js';
import type { Tool } from '../blade/tool.js';
import { edgesOf, edgesOfHistory, edgeSpans, type Edges, type EdgeSpan, type Entry } from './edge-spans.js';
import { lastingOf, usualOf, withOther, type Lasting, type Span } from './lasting.js';
import { usedIn, type Session } from './session.js';
import { yearly } from './yearly.js';

/** A median of edges, and where it lies four times in five. */
interface Usual {
  readonly amount: number;
  readonly low: number;
  readonly high: number;
}

/** The usual life of edges that had something in common. */
export interface UsualOf<T> extends Usual {
  readonly of: T;
  /** How many were used until they were blunt, and how many there were in all. */
  readonly blunt: number;
  readonly edges: number;
  /** What a honing for one of them took, its share of the grinding with it, as a mean, min; absent where none was timed. */
  readonly honingMin?: number;
}

/** How long an edge of this tool lasts, from its own record: the law its rack goes by. */
export interface EdgeLaw extends Lasting, Usual {
  readonly measure: UseMeasure;
  /** Edges used until they no longer cut, and those that ended sooner or still cut. */
  readonly blunt: number;
  readonly unended: number;
  /** What one spell of use comes to, as a median of the latest. */
  readonly spell?: number;
  /** Like tools it was judged beside, and their blunt edges. */
  readonly lent?: { readonly tools: number; readonly blunt: number };
}

/** The same, and how long those lasted that had something in common. */
export interface EdgeLife extends EdgeLaw {
  /** What it is used in a year, where the record is long enough to tell. */
  readonly yearly?: number;
  readonly inWood: readonly UsualOf<string>[];
  readonly atDeg: readonly UsualOf<number>[];
  /** By the angles of its sides, where those were set each by itself: `14/9`, left and right, degrees. */
  readonly atSides?: readonly UsualOf<string>[];
  /** By who used it most. */
  readonly byHand: readonly UsualOf<string>[];
}

/** Fewer edges that went blunt in use, own and of like tools, say nothing about the next. */
const EDGES_TO_JUDGE_BY = 3;
/** What an edge lasts before anything is known, and how little that counts (estimates). */
const UNKNOWN = { minutes: 100, metresPlaned: 200, mortises: 15 } as const satisfies Record<
  UseMeasure,
  number
>;
const UNKNOWN_WORTH = 0.5;
/** Hands, woods and stones change: after so many edges one counts half. */
const HALF_FORGOTTEN = 100;
/** The edges of one wood, or at one angle, are believed to last as all do, as firmly as so many would show. */
const COMMON_WORTH = 2;
/** Like tools count as so many blunt edges, no more than they have, and the less the more they differ. */
const LENT_WORTH = 2;
/** How far like tools are thought to lie apart before several are seen: standard deviation of the logarithm (estimate). */
const TOOLS_APART = 0.35;
/** Spells that end blunt and are so much shorter than the others were stopped when the edge gave out. */
const STOPPED_SHARE = 0.75;
const SPELLS_TO_TELL = 4;
const LATEST_SPELLS = 12;

/** What this tool's use was last counted in, else what its family's is. */
export function measureOf(tool: Tool, history: readonly { readonly session: Session }[]): UseMeasure {
  const use = history.findLast(({ session }) => session.kind === 'use')?.session.use;
  if (use?.metresPlaned !== undefined) return 'metresPlaned';
  if (use?.mortises !== undefined) return 'mortises';
  return use?.minutes === undefined ? familyFacts(tool.family).usedIn : 'minutes';
}

/**
 * The spans as a law of lives takes them. An edge found blunt after a spell went so somewhere in it: half way, unless
 * the spells that end blunt are markedly shorter than the others, as they are where one stops at once.
 */
function livesOf(
  spans: readonly Pick<EdgeSpan, 'amount' | 'cutTo' | 'ended'>[],
  cutting: Edges['cutting'],
): readonly Span[] {
  const ends = spans.filter(({ ended, cutTo }) => ended === 'blunt' && cutTo > 0);
  const usual = cutting.amount / cutting.spells;
  const stopped =
    ends.length >= SPELLS_TO_TELL &&
    cutting.spells >= SPELLS_TO_TELL &&
    mean(ends.map(({ amount, cutTo }) => amount - cutTo)) < STOPPED_SHARE * usual;
  return spans.map(({ amount, cutTo, ended }, i) => ({
    amount: ended === 'blunt' && cutTo > 0 && !stopped ? (amount + cutTo) / 2 : amount,
    ended: ended === 'blunt',
    weight: 0.5 ** ((spans.length - 1 - i) / HALF_FORGOTTEN),
  }));
}

/**
 * How long this tool's edges last: a Weibull law over all of them, those sharpened while they still cut as lives that
 * nobody saw the end of. What is expected before counts half an edge.
 * @param history in order of time
 * @returns undefined where nothing was used
 */
export function edgeLawOf(measure: UseMeasure, history: readonly Entry[]): EdgeLaw | undefined {
  const { edges, cutting } = edgesOfHistory(measure, history);
  if (edges.length === 0) return undefined;
  const lasting = lastingOf(livesOf(edges, cutting), { scale: UNKNOWN[measure], worth: UNKNOWN_WORTH });
  const blunt = edges.filter(({ ended }) => ended === 'blunt').length;
  const spell = medianOf(latestSpells(measure, history));
  return {
    ...lasting,
    ...usualOf(lasting),
    measure,
    blunt,
    unended: edges.length - blunt,
    ...(spell !== undefined && { spell }),
  };
}

/** {@link edgeLawOf} with how long those edges lasted that had something in common. */
export function edgeLifeOf(measure: UseMeasure, history: readonly Entry[]): EdgeLife | undefined {
  const law = edgeLawOf(measure, history);
  if (!law) return undefined;
  const sessions = history.map(({ session }) => session);
  const spans = edgeSpans(measure, sessions);
  const lives = livesOf(spans, edgesOfHistory(measure, history).cutting);
  const used = yearly(sessions, (session) => (session.kind === 'use' ? usedIn(measure, session) : 0));
  return {
    ...law,
    ...(used !== undefined && { yearly: used }),
    inWood: usualBy(spans, lives, law, ({ wood }) => wood),
    atDeg: usualBy(spans, lives, law, ({ deg }) => (deg === undefined ? undefined : Math.round(deg))),
    ...(spans.some(({ rightDeg }) => rightDeg !== undefined) && {
      atSides: usualBy(spans, lives, law, ({ leftDeg, rightDeg }) =>
        leftDeg === undefined || rightDeg === undefined ? undefined : `${leftDeg}/${rightDeg}`,
      ),
    }),
    byHand: usualBy(spans, lives, law, ({ who }) => who),
  };
}

/** The same lives as an estimate that asks for no law takes them. */
export function edgeIntervals(measure: UseMeasure, sessions: readonly Session[]): readonly LifeInterval[] {
  const { edges, cutting } = edgesOf(measure, sessions);
  return livesOf(edges, cutting).map(({ amount, ended }) => ({
    minutes: amount,
    censored: !ended,
  }));
}

/** Whether enough is known to say anything of the next edge. */
export const tellsLife = ({ blunt, lent }: EdgeLaw): boolean =>
  blunt + (lent?.blunt ?? 0) >= EDGES_TO_JUDGE_BY;

function usualBy<T>(
  spans: readonly EdgeSpan[],
  lives: readonly Span[],
  { shape, scale }: Lasting,
  by: (span: EdgeSpan) => T | undefined,
): readonly UsualOf<T>[] {
  const kinds = [...new Set(spans.flatMap((span) => by(span) ?? []))];
  if (kinds.length < 2) return [];
  return kinds
    .map((of) => {
      const own = lives.filter((_, i) => by(spans[i] as EdgeSpan) === of);
      const ends = own.filter(({ ended }) => ended);
      const count = ends.reduce((sum, { weight = 1 }) => sum + weight, 0);
      const used = own.reduce((sum, { amount, weight = 1 }) => sum + weight * amount ** shape, 0);
      const worth = COMMON_WORTH + count;
      const power = (COMMON_WORTH * scale ** shape + used) / worth;
      const timed = spans.flatMap((span) => (by(span) === of ? (span.madeMin ?? []) : []));
      return {
        of,
        ...usualOf({ shape, scale: power ** (1 / shape), worth }),
        blunt: ends.length,
        edges: own.length,
        ...(timed.length > 0 && { honingMin: mean(timed) }),
      };
    })
    .sort((a, b) => b.edges - a.edges);
}

/**
 * The lives of several tools, each judged beside the others of its family used in the same measure: together those
 * count as two blunt edges more at most, as many as their own spread lets them tell, so that a tool with few of its
 * own leans on them and one with many does not.
 */
export function besideLikeTools(
  tools: readonly { readonly id: string; readonly family: Tool['family']; readonly life: EdgeLife }[],
): ReadonlyMap<string, EdgeLife> {
  return new Map(
    tools.map(({ id, family, life }) => {
      const like = tools
        .filter((other) => other.id !== id && other.family === family)
        .map((other) => other.life)
        .filter(({ measure, blunt }) => measure === life.measure && blunt > 0);
      const blunt = like.reduce((sum, each) => sum + each.blunt, 0);
      if (blunt === 0) return [id, life];
      // A mean of logarithms: half as long and twice as long lie equally far off.
      const scale = Math.exp(like.reduce((sum, each) => sum + each.blunt * Math.log(each.scale), 0) / blunt);
      const apart =
        like.reduce((sum, each) => sum + Math.log(each.scale / scale) ** 2, TOOLS_APART ** 2) / like.length;
      const worth = Math.min(LENT_WORTH, blunt, 1 / (life.shape ** 2 * apart));
      const lasting = withOther(life, { scale, worth });
      return [id, { ...life, ...lasting, ...usualOf(lasting), lent: { tools: like.length, blunt } }];
    }),
  );
}

/** What the latest spells of use came to. */
function latestSpells(measure: UseMeasure, history: readonly Entry[]): readonly number[] {
  const spells: number[] = [];
  for (let i = history.length - 1; i >= 0 && spells.length < LATEST_SPELLS; i--) {
    const { session } = history[i] as Entry;
    const amount = session.kind === 'use' ? usedIn(measure, session) : 0;
    if (amount > 0) spells.push(amount);
  }
  return spells;
}

const mean = (values: readonly number[]): number =>
  values.length === 0 ? NaN : values.reduce((sum, each) => sum + each, 0) / values.length;

function medianOf(values: readonly number[]): number | undefined {
  const inOrder = [...values].sort((a, b) => a - b);
  const middle = inOrder.length >> 1;
  return inOrder.length % 2 === 1
    ? inOrder[middle]
    : mean(inOrder.slice(middle - 1, middle + 1)) || undefined;
}
