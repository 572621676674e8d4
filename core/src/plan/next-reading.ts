import type { StonesRecord } from '../abrasive/at-work.js';
import { READING_SD } from '../abrasive/learned-rate.js';
import type { ToolAtWork } from '../work/edge-at-work.js';
import { rateSd, spreadOn, spreadsOf } from './how-sure.js';
import type { PlanRequest } from './plan-request.js';

/** The one reading that would narrow a plan most. */
export interface NextReading {
  /** The land before the first stroke; or the land before and after, which tells how fast a stone cuts. */
  readonly what: 'land' | 'rate';
  /** The stone whose rate it tells. */
  readonly id?: string;
  /** What taking it costs once, and what it saves of every plan like this one it serves, as a mean, min. */
  readonly costMin: number;
  readonly savesMin: number;
}

/** A rule and a lens on the land, min (estimate). */
const LAND_MIN = 0.4;
/** A rate serves more than one honing: what it costs is shared out over so many (estimate). */
const HONINGS_SERVED = 5;
/** Less than that is not worth a word, min (estimate). */
const WORTH_TELLING_MIN = 0.25;
/** A land just measured is good to this share of itself (standard deviation, an estimate). */
const MEASURED_SD = 0.05;
/** Mean distance from the middle of a normal distribution, in standard deviations: √(2/π). */
const MEAN_OFF = Math.sqrt(2 / Math.PI);

interface Step {
  readonly id: string;
  readonly strokes: number;
}

/**
 * Which reading would save most: strokes that are off by so much are made for nothing, or have to be begun again, so a
 * plan costs its mean distance from the truth, √(2/π)·sd·minutes; a reading saves what it takes off that. An estimate,
 * as the spreads are.
 * @returns undefined where no reading saves what it costs
 */
export function nextReading(
  tool: Pick<ToolAtWork, 'edge' | 'tips'>,
  { condition, landMm, strokesPerMin }: Pick<PlanRequest, 'condition' | 'landMm' | 'strokesPerMin'>,
  record: StonesRecord,
  steps: readonly Step[],
): NextReading | undefined {
  const { edge } = tool;
  const known = spreadsOf(tool, condition, landMm);
  const measured = spreadsOf(tool, condition, landMm, MEASURED_SD);
  const off = (spread: typeof known, sdOf: (id: string) => number): number =>
    steps.reduce((sum, { id, strokes }, i) => {
      const sd = Math.hypot(...spreadOn(spread, i, id, sdOf(id)));
      return sum + (MEAN_OFF * sd * strokes) / strokesPerMin;
    }, 0);
  const now = off(known, (id) => rateSd(record, id));
  const land: NextReading = {
    what: 'land',
    costMin: LAND_MIN,
    savesMin: now - off(measured, (id) => rateSd(record, id)),
  };
  const rates = steps.map(({ id }): NextReading => ({
    what: 'rate',
    id,
    costMin: 2 * LAND_MIN,
    savesMin:
      now - off(known, (other) => (other === id ? afterOneMore(rateSd(record, id)) : rateSd(record, other))),
  }));
  const worth = edge.form === 'single-bevel' && edge.secondaryDeg !== undefined ? [land, ...rates] : [];
  return worth
    .filter((each) => gain(each) > WORTH_TELLING_MIN)
    .reduce<NextReading | undefined>(
      (best, each) => (best && gain(best) >= gain(each) ? best : each),
      undefined,
    );
}

const gain = ({ what, savesMin, costMin }: NextReading): number =>
  savesMin - (what === 'rate' ? costMin / HONINGS_SERVED : costMin);

/** The spread of a rate, as standard deviation of its logarithm, after one more reading of it. */
export const afterOneMore = (sd: number): number => 1 / Math.hypot(1 / sd, 1 / READING_SD);
