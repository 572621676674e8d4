import { FOUR_IN_FIVE_SD } from '../base/normal.js';
import type { StonesRecord } from '../abrasive/at-work.js';
import { PRIOR_SD } from '../abrasive/learned-rate.js';
import type { Condition } from '../blade/dulling.js';
import type { Edge } from '../blade/edge.js';
import type { ToolAtWork } from '../work/edge-at-work.js';
import { tipsFor } from '../work/found.js';

/** Spreads in ln (estimates): a tip said in a word or measured, a face assumed or measured, marks by their grain. */
const TIP_SD = { said: 0.4, measured: 0.15 } as const;
const LAND_SD = { assumed: 0.4, known: 0.15, whole: 0.05 } as const;
const MARKS_SD = 0.3;
/** How uneven a back nobody polished is. */
export const BACK_SD = 0.5;

/** Where a figure lies in four of five cases. */
interface Likely {
  readonly low: number;
  readonly high: number;
}

/** How sure the steel of a plan is, as standard deviations of its logarithm. */
export interface Spreads {
  /** What the first stone takes, and what each later one clears. */
  readonly wornSd: number;
  readonly clearingSd: number;
  /** The stone whose rate is in `wornSd` already: its own burrs were counted on it. */
  readonly knows?: string;
}

/**
 * By how the tip was said, and whether the face that is honed was measured; by the tool’s own burrs where they were
 * counted.
 * @param land the spread of the face, where that is known
 */
export function spreadsOf(
  { edge, tips: found }: Pick<ToolAtWork, 'edge' | 'tips'>,
  condition: Condition,
  landMm: number | undefined,
  land = landSd(edge, landMm),
): Spreads {
  const clearingSd = Math.hypot(MARKS_SD, land);
  const tips = tipsFor(condition, found);
  if (tips) return { wornSd: tips.sd, clearingSd, knows: tips.on };
  const tip = condition.tipRadiusUm === undefined ? TIP_SD.said : TIP_SD.measured;
  return { wornSd: Math.hypot(tip, land), clearingSd };
}

/** How sure the strokes of a step are: the spread of its steel, and of the rate of its stone. */
export const spreadOn = (
  { wornSd, clearingSd, knows }: Spreads,
  step: number,
  id: string,
  rate: number,
): readonly [steelSd: number, rateSd: number] =>
  step > 0 ? [clearingSd, rate] : [wornSd, id === knows ? 0 : rate];

function landSd(edge: Edge, landMm: number | undefined): number {
  if (edge.form !== 'single-bevel' || edge.secondaryDeg === undefined) return LAND_SD.whole;
  return (landMm ?? edge.landMm) === undefined ? LAND_SD.assumed : LAND_SD.known;
}

/** Spread of the rate an abrasive is taken to cut at: the prior’s until readings narrowed it. */
export const rateSd = (record: StonesRecord, id: string): number => record[id]?.rate.sd ?? PRIOR_SD;

/**
 * Strokes in four of five cases, whole ones: log-normal about the figure, by the spread of steel and of rate.
 * @example likelyStrokes(10, 0.5, 0) // { low: 5, high: 19 }
 */
export function likelyStrokes(strokes: number, steelSd: number, rate: number): Likely {
  const times = Math.exp(FOUR_IN_FIVE_SD * Math.hypot(steelSd, rate));
  return { low: Math.max(1, Math.floor(strokes / times)), high: Math.ceil(strokes * times) };
}

/** Minutes in four of five cases: the steps’ own ranges, independent of each other, beside what does not vary. */
export function likelyMinutes(
  totalMin: number,
  steps: readonly (Partial<Likely> & { readonly strokes: number })[],
  strokesPerMin: number,
): Likely {
  const aside = (of: 'low' | 'high'): number =>
    Math.hypot(...steps.map((step) => (step[of] ?? step.strokes) - step.strokes)) / strokesPerMin;
  return { low: totalMin - aside('low'), high: totalMin + aside('high') };
}
