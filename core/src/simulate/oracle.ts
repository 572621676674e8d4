import type { Adviser, Deed, Looked } from './advisers.js';
import { COSTS } from './costs.js';
import { depthMm, regroundMm3, steelMm3, stroppedTo } from './edge-truth.js';

/** What a honing takes as it is usually done, min: what an edge's life is weighed at. */
const HONING_MIN = 5;
const STROP_MIN = 1;
const GRIND_MIN = 10;
const FLATTEN_MIN = 2;
const STROKES_PER_MIN = 45;

/** What one spell costs from a state of use, and what is left of the edge after it, as a share of a honing. */
function spellCost({ truth: { next } }: Looked, used: number): number {
  const end = used + next.wear;
  const dullMin = end <= 1 ? 0 : used >= 1 ? next.minutes : (next.minutes * (end - 1)) / next.wear;
  const givesOut = end > 1 && used < 1 ? COSTS.givesOut : 0;
  return COSTS.dull * dullMin + givesOut - HONING_MIN * Math.max(0, 1 - end);
}

/** One who knows how an edge stands, what the next spell will do, and every stone. */
export const ORACLE: Adviser = {
  rack: (looked): Deed => {
    const { of, truth } = looked;
    const { edge } = truth;
    const knife = of.tool.edge.form === 'knife';
    const ways: readonly (readonly [Deed, number])[] = [
      ['use', spellCost(looked, edge.used) + (edge.chipMm > 0 ? HONING_MIN : 0)],
      ...(knife && edge.chipMm === 0
        ? [['strop', STROP_MIN + spellCost(looked, stroppedTo(edge.used, edge.strops))] as const]
        : []),
      ['hone', HONING_MIN + spellCost(looked, 0)],
    ];
    const [deed] = ways.reduce((best, way) => (way[1] < best[1] ? way : best));
    // Ground once a honing takes more over the first than all of them did so far, the wheel with them.
    const { honings, extraMin, firstMin } = edge.since;
    const grinds =
      deed === 'hone' &&
      !knife &&
      firstMin !== undefined &&
      honings > 0 &&
      regroundMm3(of, edge.faceMm, 0.3) > 0 &&
      honingMin(looked) - firstMin >= (GRIND_MIN + extraMin) / honings;
    return grinds ? 'grind' : deed;
  },
  plan: (looked) => {
    const [coarse, fine] = needed(looked);
    return { coarse, fine, untilBurr: true };
  },
  angle: ({ of, truth }) => (of.tool.edge.form === 'knife' ? of.bestDeg : truth.edge.madeDeg),
  care: (looked, stone) => {
    const { shop, truth } = looked;
    const strokes = needed(looked)[stone];
    const slow = 1 - 2 ** (-(truth.tired[stone] ?? 0) / shop.stones[stone].tiresAt);
    // What its being tired costs this time, beside half of what flattening does: about where both together cost least.
    return (strokes * slow) / STROKES_PER_MIN > FLATTEN_MIN / 2;
  },
};

const MARKS_MM = 0.0015;
const PUSH_N = 20;

function needed(looked: Looked): readonly [number, number] {
  const { of, shop, truth } = looked;
  const { edge, tired } = truth;
  const strokes = (stone: 0 | 1, mm3: number): number => {
    const { mm3PerNm, tiresAt, stone: owned } = shop.stones[stone];
    const each = ((mm3PerNm * PUSH_N * owned.strokeMm) / 1000) * 2 ** (-(tired[stone] ?? 0) / tiresAt);
    return Math.ceil(mm3 / each);
  };
  return [strokes(0, steelMm3(of, edge, depthMm(of, edge))), strokes(1, steelMm3(of, edge, MARKS_MM))];
}

const honingMin = (looked: Looked): number => 2 + needed(looked).reduce((a, b) => a + b) / STROKES_PER_MIN;
