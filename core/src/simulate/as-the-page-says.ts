import { stonesAtWork, type StoneAtWork, type StonesRecord } from '../abrasive/at-work.js';
import type { LearnedRate } from '../abrasive/learned-rate.js';
import { inOrder, type SizedAbrasive } from '../abrasive/placing.js';
import { rateFromReadings } from '../abrasive/rate-from-readings.js';
import { remembered } from '../base/remembered.js';
import { unlessRefused } from '../base/refusal.js';
import { planAnswer, type AnsweredStep, type PlanAnswer } from '../plan/plan-answer.js';
import { edgeHistory, type HistoryEntry, type RecordedSession } from '../record/edge-state.js';
import { landPmMm } from '../record/land-doubt.js';
import { rateReadings, type RateReading } from '../record/rate-readings.js';
import { nextCamberReading } from '../record/next-camber-reading.js';
import { readiness } from '../record/readiness.js';
import { stonesRecord, usesOfStones, type UseOfStone } from '../record/stones-record.js';
import type { NextAngle } from '../record/next-angle.js';
import { nextAngleOf, type Standing, standingOf } from '../record/tool-record.js';
import type { Adviser, Looked, Said } from './advisers.js';
import type { HiddenShop, HiddenTool } from './hidden-shop.js';

/** What was reckoned of a tool, as far as its record went. */
interface Kept {
  readonly history: readonly HistoryEntry[];
  readonly at: readonly StoneAtWork[];
  readonly record: Standing;
  readonly entries: number;
  /** What its edges say of the next angle; asked for of a honing only. */
  readonly next: () => NextAngle | undefined;
}

/** What a tool’s record says of the stones, as far as it went. */
interface ToStones {
  readonly history: readonly HistoryEntry[];
  readonly uses: readonly UseOfStone[];
  readonly readings: readonly RateReading[];
}

/**
 * The application's own advice, from what is put down and nothing else: rack, plan, next angle and care by the very
 * functions the page goes by. One for each shop: it remembers what it reckoned.
 */
export function asThePageSays(): Adviser {
  const kept = new Map<string, Kept>();
  const parts = new Map<string, ToStones>();
  const rates = new Map<string, LearnedRate>();
  // Readings come seldom, and a rate is asked for after every honing.
  const rateOf = (readings: readonly RateReading[]): LearnedRate => {
    const asked = JSON.stringify(readings);
    const rate = rates.get(asked) ?? rateFromReadings(readings);
    rates.set(asked, rate);
    return rate;
  };
  const honingsOf = honingsIn();
  let stones: StonesRecord = {};
  let known: StonesRecord | undefined;
  let seen = -1;
  const benchIn = remembered(({ stones: own, strop }: HiddenShop): readonly SizedAbrasive[] =>
    inOrder([...own.map(({ stone }) => stone), strop]),
  );
  const idsOf = remembered(
    (bench: readonly SizedAbrasive[]) => new Map(bench.map((each) => [each.id, each])),
  );
  const benchOf = ({ shop }: Looked): readonly SizedAbrasive[] => benchIn(shop);
  const stonesNow = (looked: Looked): StonesRecord => {
    const { cares } = looked;
    // Only what was done on stones, and a land that was read with it, says anything of them.
    let count = cares.length;
    for (const entries of looked.all.values()) count += honingsOf(entries);
    if (known && count === seen) return known;
    seen = count;
    const bench = benchOf(looked);
    const byId = idsOf(bench);
    const all = looked.shop.tools.map((of) => partOf(of, looked.all.get(of.tool.id) ?? [], bench, byId));
    known = stonesRecord(
      bench,
      all.flatMap(({ uses }) => uses),
      cares,
      all.flatMap(({ readings }) => readings),
      rateOf,
    );
    // Rates that stand keep what was reckoned at them.
    if (JSON.stringify(ratesOf(known)) !== JSON.stringify(ratesOf(stones))) stones = known;
    return known;
  };
  const partOf = (
    of: HiddenTool,
    entries: readonly RecordedSession[],
    bench: readonly SizedAbrasive[],
    byId: ReadonlyMap<string, SizedAbrasive>,
  ): ToStones => {
    const before = parts.get(of.tool.id);
    if (before?.history.length === entries.length) return before;
    const history = edgeHistory(of.tool, entries, bench, before?.history);
    const part = {
      history,
      uses: usesOfStones(of.tool, entries, byId),
      readings: rateReadings(of.tool, history, byId),
    };
    parts.set(of.tool.id, part);
    return part;
  };
  const keptNow = (looked: Looked): Kept => {
    stonesNow(looked);
    const { of, entries } = looked;
    const before = kept.get(of.tool.id);
    const at = atWork(looked);
    if (before?.at === at && before.entries === entries.length) return before;
    const history = edgeHistory(of.tool, entries, at, before?.at === at ? before.history : []);
    const now: Kept = {
      ...{ history, at, record: standingOf(of.tool, history), entries: entries.length },
      next: once(() => nextAngleOf(of.tool, history)),
    };
    kept.set(of.tool.id, now);
    return now;
  };
  let atRates: { readonly of: StonesRecord; readonly at: readonly StoneAtWork[] } | undefined;
  const atWork = (looked: Looked): readonly StoneAtWork[] => {
    if (atRates?.of !== stones) atRates = { of: stones, at: stonesAtWork(benchOf(looked), stones) };
    return atRates.at;
  };
  let planned: PlanAnswer | undefined;
  let plannedFor: readonly unknown[] = [];
  const planNow = (looked: Looked): PlanAnswer | undefined => {
    const { record } = keptNow(looked);
    const by = [record, stonesNow(looked)];
    if (by.some((each, i) => each !== plannedFor[i])) planned = planAnew(looked);
    plannedFor = by;
    return planned;
  };
  const planAnew = (looked: Looked): PlanAnswer | undefined => {
    const { of } = looked;
    const { record } = keptNow(looked);
    return unlessRefused(() =>
      planAnswer(
        {
          tool: setTo(of.tool, angleOf(looked)),
          bench: benchOf(looked),
          record,
          stones: stonesNow(looked),
        },
        { stropOnly: false },
      ),
    );
  };
  const angleOf = (looked: Looked): number => {
    const { next, record } = keptNow(looked);
    return next()?.deg ?? record.state.lastSetting?.angleDeg ?? looked.truth.edge.madeDeg;
  };
  return {
    rack: (looked) => {
      const { state } = readiness(looked.of.tool, keptNow(looked).record);
      if (state === 'ready') return 'use';
      if (state === 'regrind' || state === 'repair')
        return looked.of.tool.edge.form === 'knife' ? 'hone' : 'grind';
      return state;
    },
    plan: (looked) => {
      const { shop } = looked;
      planned = planNow(looked);
      const strokesOf = (id: string | undefined, behind: boolean): number =>
        (planned?.steps ?? [])
          .filter(
            ({ abrasiveId, facet, curve }) =>
              (id ?? abrasiveId) === abrasiveId && isBehind(facet) === behind && !curve,
          )
          .reduce((sum, { strokes }) => sum + strokes, 0);
      const [coarse, fine] = shop.stones;
      return {
        coarse: strokesOf(coarse.stone.id, false),
        fine: Math.max(1, strokesOf(fine.stone.id, false)),
        behind: strokesOf(undefined, true),
        ...(planned && { condition: planned.request.condition }),
        untilBurr: true,
        looksAtStone: true,
        proved: true,
      };
    },
    angle: angleOf,
    camber: {
      reads: (looked) => {
        const { curve: wants, tool } = looked.of;
        const { camber } = keptNow(looked).record.state;
        if (!wants || !camber || tool.edge.form !== 'single-bevel') return undefined;
        const step = planNow(looked)?.steps.find(({ curve }) => curve);
        return nextCamberReading(camber, {
          ...{ widthMm: tool.edge.widthMm, bedDeg: wants.bedDeg, shavingMm: wants.shavingMm },
          planned: step && { minutes: step.minutes, wantedMm: wants.wantedMm },
        })?.by;
      },
      presses: ({ shop: { stones } }) => {
        const steps = planned?.steps ?? [];
        const onStone =
          (i: 0 | 1) =>
          (step: AnsweredStep): boolean =>
            step.abrasiveId === stones[i].stone.id && step.places !== undefined;
        const kept = (i: 0 | 1): readonly number[] | undefined =>
          steps.find((step) => onStone(i)(step) && !step.curve)?.places;
        const made = steps.find(({ curve }) => curve);
        return {
          made: made?.places && { stone: onStone(0)(made) ? 0 : 1, places: made.places },
          kept: [kept(0), kept(1)],
        };
      },
    },
    care: (looked, stone) =>
      stonesNow(looked)[looked.shop.stones[stone].stone.id]?.care.due?.kind === 'flattened',
    says: (looked) => {
      const { next, record } = keptNow(looked);
      const { state, life } = record;
      const atEdge = (planned?.steps ?? []).filter(({ facet, curve }) => !isBehind(facet) && !curve);
      const first = atEdge.filter(({ abrasiveId }) => abrasiveId === atEdge[0]?.abrasiveId);
      const said: Said[] =
        first.length === 1 ? first.map(({ low, high }) => ({ claim: 'strokes', low, high })) : [];
      const { rate } = stonesNow(looked)[looked.shop.stones[0].stone.id] ?? {};
      if (rate && rate.readings > 0) said.push({ claim: 'rate', low: rate.low, high: rate.high });
      const angle = next();
      if (angle) said.push({ claim: 'angle', low: angle.lowDeg, high: angle.highDeg });
      if (looked.of.tool.edge.form !== 'single-bevel') return said;
      const { landMm, camber } = state;
      if (camber && looked.of.curve)
        said.push({
          claim: 'camber',
          low: camber.camberMm - camber.pmMm,
          high: camber.camberMm + camber.pmMm,
        });
      if (landMm !== undefined) {
        const pm = landPmMm(state);
        said.push({ claim: 'land', low: landMm - pm, high: landMm + pm });
      }
      if (life) said.push({ claim: 'life', low: life.low, high: life.high });
      return said;
    },
  };
}

/** Honings among entries that are only added to. */
function honingsIn(): (entries: readonly RecordedSession[]) => number {
  const known = new WeakMap<readonly RecordedSession[], { upTo: number; honings: number }>();
  return (entries) => {
    const counted = known.get(entries) ?? { upTo: 0, honings: 0 };
    for (; counted.upTo < entries.length; counted.upTo++)
      if (entries[counted.upTo]?.kind === 'honing') counted.honings += 1;
    known.set(entries, counted);
    return counted.honings;
  };
}

function once<T>(reckon: () => T): () => T {
  let known: { readonly value: T } | undefined;
  return () => (known ??= { value: reckon() }).value;
}

/** Work that does not reach the edge: a back, a body that is thinned. */
const isBehind = (facet: string): boolean => facet === 'back' || facet === 'body';

/** The tool as it stands once the advice on its angle is taken: a knife’s sides are set to it before it is planned. */
const setTo = (tool: HiddenTool['tool'], deg: number): HiddenTool['tool'] =>
  tool.edge.form === 'knife' ? { ...tool, edge: { ...tool.edge, leftDeg: deg, rightDeg: deg } } : tool;

const ratesOf = (record: StonesRecord): readonly (readonly [string, number])[] =>
  Object.entries(record).map(([id, { rate }]) => [id, rate.factor]);
