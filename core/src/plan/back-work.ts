import type { Condition } from '../edge/dulling.js';
import type { SingleBevelEdge } from '../edge/edge.js';
import type { Tool } from '../tool/tool.js';
import { POLISHED_MM } from '../work/worked.js';
import { progression, type Progression, type ProgressionInput } from './progression.js';

/** Strokes of the back on one stone. */
export interface BackStep {
  readonly id: string;
  readonly strokes: number;
  readonly minutes: number;
  /** Push on it, N, where it is not the plan’s. */
  readonly forceN?: number;
  /** First preparation, or only the burr. */
  readonly prepares: boolean;
}

/** Strokes that take the burr off on the finest stone (common practice, no source: 10–20 short passes). */
export const BURR_STROKES = 10;
/** How uneven a back is taken to be, new from a maker or of unknown history, µm (estimates). */
const UNEVEN_UM = { new: 15, unknown: 40 } as const;

/**
 * The work on a flat back. Once it is flat, only the finest stone of the plan touches it, to take the
 * burr off; a new or unknown blade's is prepared first, on every stone of the plan: the unevenness of
 * its rim, then the scratches of each stone before.
 * @returns nothing for edges without a flat back
 */
export function backWork(
  tool: Tool,
  condition: Condition,
  input: ProgressionInput,
  chosen: Progression,
): readonly BackStep[] | undefined {
  const { edge } = tool;
  const finest = chosen.steps.at(-1);
  if ((edge.form !== 'single-bevel' && edge.form !== 'knife-set') || !finest) return undefined;
  const burr: BackStep = {
    id: finest.id,
    strokes: BURR_STROKES,
    minutes: BURR_STROKES / input.job.strokesPerMin,
    prepares: false,
  };
  if (edge.form !== 'single-bevel' || (condition.kind !== 'new' && condition.kind !== 'unknown'))
    return [burr];
  return [...prepared(edge, UNEVEN_UM[condition.kind], input, chosen), burr];
}

function prepared(
  edge: SingleBevelEdge,
  unevenUm: number,
  input: ProgressionInput,
  chosen: Progression,
): readonly BackStep[] {
  const rimMm = edge.polishedMm ?? POLISHED_MM;
  const contactMm2 = rimMm * edge.widthMm;
  const stones = chosen.steps.flatMap(({ id }) => input.abrasives.filter((abrasive) => abrasive.id === id));
  const { steps } = progression({
    ...input,
    // A limit on strokes chooses among stones for the bevel; the back wants what it wants.
    abrasives: stones.map((stone) => ({ ...stone, overheadMin: 0, mostStrokes: undefined })),
    job: { ...input.job, contactMm2, removeMm3: (contactMm2 * unevenUm) / 1000 },
    maxRatio: undefined,
    startUm: undefined,
    stones: stones.length,
  });
  return steps.map(({ id, strokes, minutes }) => ({ id, strokes, minutes, prepares: true }));
}
