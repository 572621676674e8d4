import type { Edge } from '../blade/edge.js';
import type { EdgeAtWork } from '../work/edge-at-work.js';
import { fastestOf, perStrokeMm3 } from './fastest.js';
import type { ProgressionAbrasive } from './progression.js';

/** A primary made flatter on a stone: the fastest, at the primary’s own setting, a land left standing. */
export interface ShapingStep {
  readonly id: string;
  readonly strokes: number;
  /** Strokes in four of five cases. */
  readonly low?: number;
  readonly high?: number;
  readonly minutes: number;
  /** Push on it, N, where it is not the plan’s. */
  readonly forceN?: number;
}

/** Spread of what has to come off a bevel whose angle was measured, ln (estimate). */
export const SHAPED_SD = 0.2;

interface Pace {
  readonly forceN: number;
  readonly strokesPerMin: number;
  readonly steelFactor: number;
  readonly minStrokes: number;
}

/** Where an edge’s primary was found too steep, the strokes that give it its angle; else none. */
export function shapingStep(
  edge: Edge,
  { steepMm2 = 0 }: EdgeAtWork,
  abrasives: readonly ProgressionAbrasive[],
  { forceN, strokesPerMin, steelFactor, minStrokes }: Pace,
): ShapingStep | undefined {
  if (steepMm2 === 0 || edge.form !== 'single-bevel') return undefined;
  const push = { forceN, steelFactor };
  const fastest = fastestOf(abrasives, push);
  if (!fastest) return undefined;
  const perStroke = perStrokeMm3(fastest, push);
  const strokes = Math.max(minStrokes, Math.ceil((steepMm2 * edge.widthMm) / perStroke - 1e-9));
  return {
    id: fastest.id,
    strokes,
    minutes: strokes / strokesPerMin + fastest.overheadMin,
    ...(fastest.forceN !== undefined && { forceN: fastest.forceN }),
  };
}
