import { curveAfter } from '../work/placed.js';
import type { Adviser, ByPlace, Deed, Looked } from './advisers.js';
import {
  freshness,
  LAND_LEFT_MM,
  MARKS_MM,
  MOST_STROKES,
  SET_UP,
  strokeMm3,
  STROKES_PER_MIN,
} from './at-the-stones.js';
import { COSTS } from './costs.js';
import { depthMm, regroundMm3, steelMm3, stroppedTo, wears } from './edge-truth.js';
import { minutesOf, setDeg } from './hidden-shop.js';
import { planedMore } from './curve-in-use.js';

/** What a honing takes as it is usually done, min: what an edge's life is weighed at. */
const HONING_MIN = 5;
const GRIND_MIN = 10;

/** What one spell costs from a state of use, and what is left of the edge after it, as a share of a honing. */
function spellCost(next: Looked['truth']['next'], used: number): number {
  const end = used + next.wear;
  const dullMin = end <= 1 ? 0 : used >= 1 ? next.minutes : (next.minutes * (end - 1)) / next.wear;
  const givesOut = end > 1 && used < 1 ? COSTS.givesOut : 0;
  return COSTS.dull * dullMin + givesOut - HONING_MIN * Math.max(0, 1 - end);
}

/** What costs least before a spell: to use it, to strop it where it is a knife, to hone it, to grind it first. */
function cheapest(looked: Looked, costOf: (usedTo: (used: number) => number) => number): Deed {
  const { of, truth } = looked;
  const { edge } = truth;
  const knife = of.tool.edge.form === 'knife';
  const ways: readonly (readonly [Deed, number])[] = [
    ['use', costOf((used) => used) + (edge.chipMm > 0 ? HONING_MIN : 0)],
    ...(knife && edge.chipMm === 0
      ? [['strop', SET_UP.strop + costOf((used) => stroppedTo(used, edge.strops))] as const]
      : []),
    ['hone', HONING_MIN + costOf(() => 0)],
  ];
  const [deed] = ways.reduce((best, way) => (way[1] < best[1] ? way : best));
  // Ground once a honing takes more over the first than all of them did so far, the wheel with them.
  const { honings, extraMin, firstMin } = edge.since;
  const grinds =
    deed === 'hone' &&
    !knife &&
    firstMin !== undefined &&
    honings > 0 &&
    regroundMm3(of, edge.faceMm, LAND_LEFT_MM) > 0 &&
    honingMin(looked) - firstMin >= (GRIND_MIN + extraMin) / honings;
  return grinds ? 'grind' : deed;
}

/** One who knows how an edge stands, what the next spell will do, and every stone. */
export const ORACLE: Adviser = {
  rack: (looked): Deed =>
    cheapest(looked, (usedTo) => spellCost(looked.truth.next, usedTo(looked.truth.edge.used))),
  plan: (looked) => {
    const [coarse, fine] = needed(looked);
    return { coarse, fine, untilBurr: true, proved: true };
  },
  angle: ({ of }) => (of.tool.edge.form === 'knife' ? of.bestDeg : setDeg(of)),
  care: (looked, stone) => {
    const { shop, truth } = looked;
    const strokes = needed(looked)[stone];
    const slow = 1 - freshness(shop.stones[stone], truth.tired[stone] ?? 0);
    // What its being tired costs this time, beside half of what flattening does: about where both together cost least.
    return (strokes * slow) / STROKES_PER_MIN > SET_UP.flatten / 2;
  },
  camber: {
    reads: () => undefined,
    presses: (looked) => ({ made: toTheCurve(looked), kept: [EVENLY, EVENLY] }),
  },
};

/** An iron that is honed is planed with for so much of its life until the next time. */
const PLANED_SHARE = 0.7;
/** A curve is kept by strokes that go to every place alike. */
const EVENLY = [1, 1, 1, 1, 1] as const;

/** Strokes at both corners, or in the middle, from the curve as it is to the one wanted, at what they truly do; none where they cost more than it. */
function toTheCurve({ of, shop, truth: { edge, tired } }: Looked): ByPlace | undefined {
  const { curve: wants, tool, lifeMin } = of;
  const costs = planedMore(of, edge) * PLANED_SHARE * lifeMin * COSTS.planing;
  if (!wants || !edge.curve || costs === 0 || tool.edge.form !== 'single-bevel') return undefined;
  const changeMm = wants.wantedMm - edge.curve.camberMm;
  const each = changeMm > 0 ? [1, 0, 0, 0, 1] : [0, 0, 1, 0, 0];
  // As curved as it is half way.
  const half = { ...edge.curve, camberMm: edge.curve.camberMm + changeMm / 2 };
  const eachMm3 = wants.rate * strokeMm3(shop.stones[0], tired[0] ?? 0);
  const byEachMm = curveAfter(tool.edge, half, each, edge.faceMm, eachMm3).camberMm - half.camberMm;
  const times = Math.min(MOST_STROKES, Math.round(changeMm / byEachMm));
  const places = each.map((count) => count * times);
  const takesMin = places.reduce((sum, count) => sum + count, 0) / STROKES_PER_MIN;
  return times > 0 && costs > takesMin ? { stone: 0, places } : undefined;
}

/** Strokes on the coarse and on the fine stone; none on the coarse one where the fine one alone is as soon done. */
function needed(looked: Looked): readonly [number, number] {
  const { of, shop, truth } = looked;
  const { edge, tired } = truth;
  const strokes = (stone: 0 | 1, mm3: number): number => {
    const each = strokeMm3(shop.stones[stone], tired[stone] ?? 0);
    return Math.min(MOST_STROKES, Math.ceil(mm3 / each));
  };
  const wornMm3 = steelMm3(of, edge, depthMm(of, edge));
  const both = [strokes(0, wornMm3), strokes(1, steelMm3(of, edge, MARKS_MM))] as const;
  const fineAlone = strokes(1, wornMm3);
  return fineAlone <= both[0] + both[1] ? [0, fineAlone] : both;
}

const honingMin = (looked: Looked): number =>
  SET_UP.hone + needed(looked).reduce((a, b) => a + b) / STROKES_PER_MIN;

/** Ninths of the normal law, each by its middle: what an edge may bear; and what a spell may be beside the usual. */
const MAY_BEAR = [-1.59, -0.97, -0.59, -0.28, 0, 0.28, 0.59, 0.97, 1.59];
const MAY_LAST = [0.68, 1, 1.48];

/** How much an edge was used by what was put down, where each bears the usual. */
function usedByRecord({ shop, of, entries, truth: { edge } }: Looked): number {
  const from = entries.findLastIndex(({ kind }) => kind === 'honing');
  let strops = 0;
  return entries.slice(from + 1).reduce((used, { kind, use }) => {
    if (kind === 'stropping') return stroppedTo(used, strops++);
    const hardness = use?.wood === 'oak' ? shop.hardWood : 1;
    return used + wears(of, { ...edge, bears: 1 }, minutesOf(of, use ?? {}), hardness);
  }, 0);
}

/**
 * One who knows every law of a shop, and takes a tool up by what was put down of its edge alone; its strokes, angle and
 * stones are those of one who knows all.
 */
export const KNOWS_THE_LAWS: Adviser = {
  ...ORACLE,
  rack: (looked): Deed => {
    const { shop, of, entries, truth } = looked;
    const last = entries.at(-1);
    const gone = last?.kind === 'use' && (last.use?.stillCutting === false || last.chips !== undefined);
    const used = usedByRecord(looked);
    const hardness = last?.use?.wood === 'oak' ? shop.hardWood : 1;
    const bears = MAY_BEAR.map((z) => Math.exp(of.spread * z));
    const still = gone ? bears : bears.filter((each) => used < each);
    const may = still.length > 0 ? still : bears.slice(-1);
    return cheapest(looked, (usedTo) => {
      const costs = may.flatMap((bear) =>
        MAY_LAST.map((long) => {
          const minutes = long * of.spellMin;
          const wear = wears(of, { ...truth.edge, bears: bear }, minutes, hardness);
          return spellCost({ minutes, wear }, usedTo(gone ? Math.max(1, used / bear) : used / bear));
        }),
      );
      return costs.reduce((sum, each) => sum + each, 0) / costs.length;
    });
  },
};
