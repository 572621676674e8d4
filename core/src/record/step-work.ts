import { kindFacts, type Abrasive } from '../abrasive/abrasive.js';
import { assumedRate } from '../abrasive/at-work.js';
import type { SizedAbrasive } from '../abrasive/placing.js';
import { scratchOf } from '../abrasive/removal.js';
import { remembered } from '../base/remembered.js';
import type { Edge } from '../blade/edge.js';
import { USUAL_PUSH_N, cuttingMm } from '../work/pace.js';
import type { SessionSetting } from '../guide/setting.js';
import type { SessionStep } from './session.js';
import { STEELS, type Tool } from '../blade/tool.js';
import type { Facet } from '../work/facet.js';
import { sidesOf } from '../work/sides.js';
import type { WorkItem } from '../work/worked.js';

/** Push, N, and length that cut, mm, of each stroke of a step: as noted, else the stone's, else as plans have it. */
export const strokeOf = (
  { forceN, bothWays }: SessionStep,
  stone: Pick<Abrasive, 'strokeMm' | 'forceN'>,
): { readonly forceN: number; readonly strokeMm: number } => ({
  forceN: forceN ?? stone.forceN ?? USUAL_PUSH_N,
  strokeMm: cuttingMm(stone.strokeMm, bothWays ? 'both' : 'pull'),
});

/** What an abrasive does at every stroke, by itself; none of one that takes no strokes. */
const doneBy = remembered(
  (abrasive: SizedAbrasive): Pick<WorkItem, 'removalMm3PerNm' | 'marksUm' | 'strop'> | undefined => {
    const { factor, strop } = kindFacts(abrasive.kind);
    return factor === undefined
      ? undefined
      : {
          removalMm3PerNm: assumedRate(abrasive, abrasive.sizeUm),
          marksUm: scratchOf(abrasive),
          // A strop polishes; what it takes of an edge is not counted.
          strop: strop === true,
        };
  },
);

/** A step of a session as work on its tool’s edge; none where its abrasive is not known or takes no strokes. */
export function itemOf(
  { edge, steel }: Tool,
  step: SessionStep,
  setting: Pick<SessionSetting, 'angleDeg'> | undefined,
  bench: ReadonlyMap<string, SizedAbrasive>,
): WorkItem | undefined {
  const abrasive = bench.get(step.abrasiveId);
  const does = abrasive && doneBy(abrasive);
  if (!does) return undefined;
  const facet = step.facet ?? facetSetAt(edge, setting?.angleDeg);
  return {
    ...(facet && { facet }),
    ...strokeOf(step, abrasive),
    strokes: step.strokes,
    ...(step.places && { places: step.places }),
    ...does,
    steelFactor: STEELS[steel].factor,
  };
}

/** Two settings nearer than this are the same facet, degrees. */
const SAME_FACET_DEG = 0.6;

/** The facet a setting honed: the steepest of those at its angle; none where none is, or both sides are. */
function facetSetAt(edge: Edge, angleDeg: number | undefined): Facet | undefined {
  const { one, other } = sidesOf(edge);
  if (angleDeg === undefined || other) return undefined;
  return one.facets.findLast(({ deg }) => Math.abs(deg - angleDeg) <= SAME_FACET_DEG)?.facet;
}
