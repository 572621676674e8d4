import { faultMm, type Condition } from '../blade/dulling.js';
import type { Tool } from '../blade/tool.js';
import { aheadMm, partsMm, PROUD } from '../curve/uneven.js';
import { fastestOf, perStrokeMm3 } from './fastest.js';
import type { ProgressionInput } from './progression.js';

/** Strokes by part that bring what stands proud of a curved edge back to the rest of it. */
export interface EveningStep {
  readonly id: string;
  /** Of a gouge from its left corner to its right; of a V-tool left wing, right wing, keel. Together they are `strokes`. */
  readonly places: readonly number[];
  readonly strokes: number;
  readonly minutes: number;
  /** Push on it, N, where it is not the plan’s. */
  readonly forceN?: number;
}

/** A part that stands no further ahead than this is let be, mm (estimate: less is honed away with the rest). */
const LET_BE_MM = 0.01;

/**
 * The strokes that even a gouge or a V-tool which is not even at its edge, on the fastest stone: each part goes back by
 * what it stands ahead, over its whole bevel, so its steel is ahead · thickness · length.
 * @returns nothing for an edge that is even, or of another form
 */
export function eveningStep(
  { edge }: Pick<Tool, 'edge'>,
  condition: Condition,
  { abrasives, job }: Pick<ProgressionInput, 'abrasives' | 'job'>,
  firstId?: string,
): EveningStep | undefined {
  const stone = fastestOf(abrasives, job);
  if ((edge.form !== 'gouge' && edge.form !== 'v') || !stone) return undefined;
  const perStroke = perStrokeMm3(stone, job);
  const found = PROUD.flatMap((kind) => {
    const mm = faultMm(condition, kind);
    return mm > 0 ? [aheadMm(kind, mm)] : [];
  });
  const places = partsMm(edge).map((lengthMm, i) => {
    const ahead = found.reduce((sum, each) => sum + (each[i] ?? 0), 0);
    return ahead > LET_BE_MM ? Math.ceil((ahead * edge.thicknessMm * lengthMm) / perStroke - 1e-9) : 0;
  });
  const strokes = places.reduce((sum, each) => sum + each, 0);
  if (strokes === 0) return undefined;
  return {
    id: stone.id,
    places,
    strokes,
    minutes: strokes / job.strokesPerMin + (stone.id === firstId ? 0 : stone.overheadMin),
    ...(stone.forceN !== undefined && { forceN: stone.forceN }),
  };
}

/**
 * Strokes on a V-tool’s wings and keel, in that order, as their lengths ask: wing, wing, keel.
 * @example wingsAndKeel(v, 21).places // [10, 10, 1]
 */
export function wingsAndKeel(
  edge: Parameters<typeof partsMm>[0],
  strokes: number,
): { readonly places: readonly number[]; readonly strokes: number } {
  const parts = partsMm(edge);
  const whole = parts.reduce((sum, mm) => sum + mm, 0);
  // Both wings alike, or the apex shows it.
  const places = parts.map((mm) => Math.ceil((strokes * mm) / whole - 1e-9));
  return { places, strokes: places.reduce((sum, each) => sum + each, 0) };
}
