import { kindFacts } from '../abrasive/abrasive.js';
import type { SizedAbrasive } from '../abrasive/placing.js';
import type { SingleBevelEdge } from '../blade/edge.js';
import { landOn, recessionForLand } from '../blade/land-growth.js';
import { LAND_READ_SD_MM } from './land-doubt.js';
import type { SessionStep } from './session.js';
import type { Tool } from '../blade/tool.js';
import { unworked } from '../work/edge-at-work.js';
import { clearingMm } from '../work/found.js';
import { steelToGoBackMm3 } from '../work/worked.js';
import type { HistoryEntry } from './edge-state.js';
import { takenBy, type Taken } from './taken.js';

/** How a recession came to be known. */
type ReadingBy = 'measured' | 'nick' | 'land' | 'burr';

/** Steel that is known, and the strokes that took it: how their stone cut against what was assumed. */
export interface RateReading {
  readonly abrasiveId: string;
  readonly sessionId: string;
  readonly toolId: string;
  /** ISO 8601 instant. */
  readonly at: string;
  readonly by: ReadingBy;
  /** Rate over the one assumed. */
  readonly ratio: number;
  /** How far off that may be for what was measured, one standard deviation. */
  readonly sd: number;
  /** Over how many honings. */
  readonly honings: number;
  /**
   * Its burr was looked for on the way: the rate is the ratio at least, and no more than `upTo`, by the last look in vain.
   * One that stood at the first look says nothing of how much sooner it would have.
   */
  readonly looked?: { readonly upTo?: number };
  /** Steel that other stones took at their assumed rates, as a share of what this one was reckoned to. */
  readonly beside: number;
}

/** Fewer strokes than this say more of the counting than of the stone. */
const LEAST_STROKES = 3;
/** Steel is read off one stone only where that took at least this share of it. */
const MOST_OF_IT = 0.8;
/** How far off a nick and a recession are as people measure them, mm (estimates). */
const NICK_SD_MM = 0.03;
const RECESSION_SD_MM = 0.003;
/** A tip that only a word tells may be so much rounder, or less, as a share (estimate). */
const WORD_SD = 0.5;
/** Honed until it is gone, an edge is honed a little further: that much of the strokes (estimate). */
const OVERSHOOT = 0.1;
/** Two lands are set against each other once what is expected between them stands out of that by so much. */
const TELLING_SD = 0.35;
/** No reading says less than this of a stone. */
const LEAST_RATIO = 0.05;

/**
 * What a tool's record says of the stones it was honed on: the inverse of work. Read is steel that is known:
 * measured at the step; a nick of measured depth honed out, or a tip of measured radius honed to a burr all
 * along; two lands measured some honings apart. Then the stone that did nearly all of it is asked for what the
 * others, at their assumed rates, did not take. What was only called dull says nothing: its strokes were the
 * plan's own. Only flat-backed blades are known well enough; whether a reading counts goes by what was to be
 * expected, never by what came out, so that the lucky ones are not picked.
 */
export function rateReadings(
  tool: Tool,
  history: readonly HistoryEntry[],
  bench: ReadonlyMap<string, SizedAbrasive>,
): readonly RateReading[] {
  const { edge } = tool;
  if (edge.form !== 'single-bevel') return [];
  return [...honingReadings(tool, edge, history, bench), ...landReadings(tool, edge, history, bench)].sort(
    (a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0),
  );
}

function honingReadings(
  tool: Tool,
  edge: SingleBevelEdge,
  history: readonly HistoryEntry[],
  bench: ReadonlyMap<string, SizedAbrasive>,
): readonly RateReading[] {
  return history.flatMap(({ session, before }): RateReading[] => {
    if (session.kind !== 'honing') return [];
    const { steps = [], landMm, conditionBefore: condition, outcome } = session;
    const start = landMm === undefined ? before.work : unworked(edge, landOn(edge, landMm));
    const measured = steps.filter(({ recessionMm }) => recessionMm !== undefined);
    if (measured.length > 0) {
      const taken = takenBy(tool, session, bench);
      return measured.flatMap((step) => {
        const own = taken.find((each) => each.step === step);
        const mm = step.recessionMm ?? 0;
        const known = { mm3: steelToGoBackMm3(edge, start, mm), sd: RECESSION_SD_MM / Math.max(mm, 1e-9) };
        return own ? readOff([own], known, session, 'measured') : [];
      });
    }
    const { nickMm = 0, tipRadiusUm, faults = [] } = condition ?? {};
    if (!condition || outcome?.burr !== 'all-along' || faults.length > 0) return [];
    if (nickMm === 0 && tipRadiusUm === undefined) return [];
    const mm = clearingMm(edge, condition);
    // How round it was behind its nick only the word says.
    const tipSd = tipRadiusUm === undefined ? WORD_SD * (mm - nickMm) : 0;
    const sd = Math.hypot(nickMm > 0 ? NICK_SD_MM : 0, tipSd) / mm + OVERSHOOT;
    const by = nickMm > 0 ? 'nick' : 'burr';
    const known = { mm3: steelToGoBackMm3(edge, start, mm), sd };
    const taken = takenBy(tool, session, bench);
    return readOff(taken, known, session, by).map((reading) => ({
      ...reading,
      ...lookedFor(reading, taken),
    }));
  });
}

/** Between which rates its burr came, where a run noted when it was looked for. */
function lookedFor({ abrasiveId, ratio }: RateReading, taken: readonly Taken[]): Pick<RateReading, 'looked'> {
  const own = taken.filter(({ step }) => step.abrasiveId === abrasiveId);
  if (!own.some(({ step }) => step.noBurrAt !== undefined)) return {};
  const strokes = own.reduce((sum, { step }) => sum + step.strokes, 0);
  const inVain = own.reduce((sum, { step }) => sum + (step.noBurrAt ?? 0), 0);
  return { looked: inVain > 0 ? { upTo: (ratio * strokes) / inVain } : {} };
}

/** The land as it was measured, and again some honings later: far enough apart to stand out of the measuring. */
function landReadings(
  tool: Tool,
  edge: SingleBevelEdge,
  history: readonly HistoryEntry[],
  bench: ReadonlyMap<string, SizedAbrasive>,
): readonly RateReading[] {
  if (edge.secondaryDeg === undefined || edge.microDeg !== undefined) return [];
  const readings: RateReading[] = [];
  let from: number | undefined;
  let taken: readonly Taken[] = [];
  let last: HistoryEntry['session'] | undefined;
  let honings = 0;
  for (const { session } of history) {
    const { landMm, kind, steps = [] } = session;
    if (landMm !== undefined && from !== undefined && last) {
      const expected = taken.reduce((sum, { mm3 }) => sum + mm3, 0);
      // A land ends one span and begins the next: what it adds to the one it takes from the other.
      const sd = landSteelMm3(edge, from, from + LAND_READ_SD_MM * Math.SQRT2) / expected;
      if (expected > 0 && sd <= TELLING_SD) {
        const mm3 = landSteelMm3(edge, from, landMm);
        readings.push(...readOff(taken, { mm3, sd }, last, 'land', { per: expected, honings }));
        from = undefined;
      }
    }
    if (landMm !== undefined && from === undefined) [from, taken, last, honings] = [landMm, [], undefined, 0];
    if (kind === 'grinding') from = undefined;
    // What no land was measured before is set against nothing.
    if (kind !== 'honing' || from === undefined) continue;
    const here = takenBy(tool, session, bench);
    // Steel that nobody counted makes what was counted say too little; what was measured is read by itself.
    const counted = here.length > 0 && here.length === steps.filter(cuts(bench)).length;
    if (!counted || steps.some(({ recessionMm }) => recessionMm !== undefined)) from = undefined;
    taken = [...taken, ...here];
    honings += 1;
    last = session;
  }
  return readings;
}

const cuts =
  (bench: ReadonlyMap<string, SizedAbrasive>) =>
  ({ abrasiveId, strokes }: SessionStep): boolean => {
    const stone = bench.get(abrasiveId);
    return strokes > 0 && !(stone && kindFacts(stone.kind).strop);
  };

/** Steel between two lands of a secondary, mm³; less than 0 where the second is the shorter. */
function landSteelMm3(edge: SingleBevelEdge, fromMm: number, toMm: number): number {
  const { primaryDeg, secondaryDeg = NaN } = edge;
  const [short, long] = fromMm < toMm ? [fromMm, toMm] : [toMm, fromMm];
  const behind = (landMm: number): number => recessionForLand(primaryDeg, secondaryDeg, landOn(edge, landMm));
  const start = unworked(edge, landOn(edge, short));
  return Math.sign(toMm - fromMm) * steelToGoBackMm3(edge, start, behind(long) - behind(short));
}

/** Known steel set against the strokes of the stone that took nearly all of it. */
function readOff(
  taken: readonly Taken[],
  known: { readonly mm3: number; readonly sd: number },
  { id, toolId, startedAt }: HistoryEntry['session'],
  by: ReadingBy,
  { per, honings = 1 }: { readonly per?: number; readonly honings?: number } = {},
): RateReading[] {
  const byStone = new Map<string, { strokes: number; mm3: number }>();
  for (const { step, mm3 } of taken) {
    const sum = byStone.get(step.abrasiveId) ?? { strokes: 0, mm3: 0 };
    byStone.set(step.abrasiveId, { strokes: sum.strokes + step.strokes, mm3: sum.mm3 + mm3 });
  }
  const all = taken.reduce((sum, { mm3 }) => sum + mm3, 0);
  const [main] = [...byStone].sort(([, a], [, b]) => b.mm3 - a.mm3);
  if (!main) return [];
  const [abrasiveId, { strokes, mm3 }] = main;
  if (mm3 < MOST_OF_IT * all || strokes < LEAST_STROKES || mm3 <= 0) return [];
  const ratio = (known.mm3 - (all - mm3)) / mm3;
  // A share of what was known, or of what was expected, as a share of the stone’s own.
  const sd = known.sd * ((per ?? Math.max(known.mm3, 0)) / mm3);
  return [
    {
      abrasiveId,
      sessionId: id,
      toolId,
      at: startedAt,
      by,
      ratio: Math.max(LEAST_RATIO, ratio),
      sd,
      honings,
      beside: (all - mm3) / mm3,
    },
  ];
}
