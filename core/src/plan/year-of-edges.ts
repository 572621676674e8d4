import type { StonesRecord } from '../abrasive/at-work.js';
import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { unlessRefused } from '../base/refusal.js';
import { honedDeg, type SingleBevelEdge } from '../blade/edge.js';
import { edgeKeep } from '../blade/edge-keep.js';
import { landGrowth } from '../blade/land-growth.js';
import type { Tool } from '../blade/tool.js';
import { STOP_SHORT_MM } from '../grinding/grinding-work.js';
import type { EdgeLife } from '../record/edge-lives.js';
import { planOf } from './compose.js';
import type { PlanRequest } from './plan-request.js';
import { onOneBevel, regrindAdvice } from './regrind-advice.js';

/** A year of a tool’s edges, kept at one angle and in one way. */
export interface YearOfEdges {
  readonly angleDeg: number;
  readonly bevels: 'one' | 'two';
  /** What an edge then lasts, in the measure of its life, and whether the record has edges at that angle. */
  readonly lasts: number;
  /** Where that lies four times in five, as far as the record tells. */
  readonly lastsLow: number;
  readonly lastsHigh: number;
  readonly seen: boolean;
  readonly honings: number;
  /** Minutes a year: at the stones, set-up and care with them, and at the wheel. */
  readonly honingMin: number;
  readonly grindingMin: number;
}

/** Angles beside the one it is honed at, ° from it. */
const BESIDE_DEG = [-5, 0, 5];
/** Edges of single bevels are honed between these. */
const ANGLES_DEG = { least: 15, most: 50 } as const;
/** A secondary flatter than so much over its primary is none. */
const OVER_PRIMARY_DEG = 2;

/**
 * What this tool would ask in a year by angle, with one bevel and with two: how long an edge lasts at each (by its own
 * record where it has edges at that angle, else by the share of useful wear it keeps), so how many honings, each as a
 * plan has it, and with two bevels the grinding at its best interval. An estimate, as plans and lives are.
 * @param regrindMin what one regrinding takes
 * @returns least minutes first; empty for tools whose use of a year is not known, or whose edge is no single bevel
 */
export function yearOfEdges(
  tool: Tool,
  request: PlanRequest,
  bench: readonly OwnedAbrasive[],
  record: StonesRecord,
  life: EdgeLife,
  regrindMin: number,
): readonly YearOfEdges[] {
  const { edge } = tool;
  const { yearly } = life;
  if (edge.form !== 'single-bevel' || yearly === undefined) return [];
  const asked: PlanRequest = { ...request, condition: { kind: 'dull' }, grind: undefined, camber: undefined };
  const nowDeg = honedDeg(edge);
  const { microDeg: _micro, microLandMm: _microLand, ...plain } = edge;
  const minutes = (each: Tool, landMm?: number): number | undefined =>
    unlessRefused(() => planOf(each, bench, { ...asked, landMm }, record))?.totalMin;

  const one = (at: SingleBevelEdge): Minutes | undefined => {
    const honing = minutes(onOneBevel({ ...tool, edge: at }));
    return honing === undefined ? undefined : { honing, grinding: 0 };
  };
  const two = (at: SingleBevelEdge): Minutes | undefined => {
    const ground = { ...tool, edge: at };
    const advice = unlessRefused(() =>
      regrindAdvice(
        ground,
        planOf(ground, bench, { ...asked, landMm: STOP_SHORT_MM }, record),
        asked,
        bench,
        record,
        regrindMin,
      ),
    );
    if (!advice) return undefined;
    const { honings } = advice.best;
    const { primaryDeg, secondaryDeg, recessionPerHoningMm } = advice.input;
    // Half way from one grinding to the next.
    const { landMm } = landGrowth({
      primaryDeg,
      secondaryDeg,
      recessionMm: (recessionPerHoningMm * honings) / 2,
    });
    const honing = minutes(ground, Math.max(STOP_SHORT_MM, landMm));
    return honing === undefined ? undefined : { honing, grinding: regrindMin / honings };
  };

  return BESIDE_DEG.map((by) => nowDeg + by)
    .filter((deg) => deg >= ANGLES_DEG.least && deg <= ANGLES_DEG.most)
    .flatMap((angleDeg) => {
      const at = { ...plain, secondaryDeg: angleDeg };
      const rises = angleDeg >= edge.primaryDeg + OVER_PRIMARY_DEG;
      const lasting = lastsAt(life, angleDeg, nowDeg);
      const honings = yearly / lasting.lasts;
      return (['one', 'two'] as const).flatMap((bevels) => {
        const each = bevels === 'one' ? one(at) : rises ? two(at) : undefined;
        return each
          ? [
              {
                angleDeg,
                bevels,
                ...lasting,
                honings,
                honingMin: honings * each.honing,
                grindingMin: honings * each.grinding,
              },
            ]
          : [];
      });
    })
    .sort((a, b) => a.honingMin + a.grindingMin - (b.honingMin + b.grindingMin));
}

interface Minutes {
  readonly honing: number;
  readonly grinding: number;
}

/** By its own edges at that angle, else by the wear an edge of it keeps. */
function lastsAt(
  { amount, low, high, atDeg }: EdgeLife,
  angleDeg: number,
  nowDeg: number,
): Pick<YearOfEdges, 'lasts' | 'lastsLow' | 'lastsHigh' | 'seen'> {
  const own = atDeg.find(({ of, blunt }) => of === Math.round(angleDeg) && blunt > 0);
  if (own) return { lasts: own.amount, lastsLow: own.low, lastsHigh: own.high, seen: true };
  const { ratio } = edgeKeep({ angleDeg, referenceDeg: nowDeg });
  const seen = Math.round(angleDeg) === Math.round(nowDeg);
  return { lasts: ratio * amount, lastsLow: ratio * low, lastsHigh: ratio * high, seen };
}
