import type { DoubleBevelEdge, SingleBevelEdge } from '../blade/edge.js';
import { unworked, facetsNow, tipUmOf, withTip } from './edge-at-work.js';
import { worked, type WorkItem } from './worked.js';

export interface EdgeWorkInput {
  readonly edge:
    | ({ readonly form: 'single-bevel' } & Pick<
        SingleBevelEdge,
        'widthMm' | 'thicknessMm' | 'primaryDeg' | 'secondaryDeg'
      >)
    | ({ readonly form: 'double-bevel' } & Pick<
        DoubleBevelEdge,
        'widthMm' | 'thicknessMm' | 'leftDeg' | 'rightDeg'
      >);
  /** The secondary’s length as it begins. */
  readonly landMm?: number;
  readonly tipUm: number;
  readonly marksUm: number;
  /** In order. */
  readonly works: readonly Pick<
    WorkItem,
    'removalMm3PerNm' | 'forceN' | 'strokeMm' | 'strokes' | 'marksUm'
  >[];
  readonly steelFactor?: number;
}

interface EdgeWork {
  /** Along the back, or along the centre plane of a double bevel. */
  readonly recessionMm: number;
  /** The secondary’s length afterwards; only where there is one. */
  readonly landMm?: number;
  /** The deepest marks left on any facet worked. */
  readonly marksUm: number;
  readonly steelMm3: number;
  /** The worn tip is gone: a burr will stand. */
  readonly reached: boolean;
}

/**
 * What strokes do to an edge, as {@link worked} has it, each work after the other on the facet at the edge;
 * both sides of a double bevel alike.
 * @throws Refusal where the land is wider than the blade allows
 * @example 25/30°, 45 × 3 mm, land 0.5, tip 3 µm, ten strokes of 0.0143547 mm³ → 0.012055 mm back, land 0.558455
 */
export function edgeWork({ edge, landMm, tipUm, marksUm, works, steelFactor = 1 }: EdgeWorkInput): EdgeWork {
  const whole =
    edge.form === 'single-bevel'
      ? { ...edge, grind: 'flat' as const, back: 'flat' as const, front: { shape: 'straight' as const } }
      : { ...edge, skewDeg: 0, grind: 'flat' as const };
  const first = unworked(whole, landMm);
  const facets = facetsNow(whole, first).map(({ facet }) => facet);
  const before = {
    ...withTip(first, tipUm),
    marksUm: Object.fromEntries(facets.map((facet) => [facet, marksUm])),
  };
  const after = works.reduce((state, work) => worked(whole, state, { ...work, steelFactor }), before);
  const land = facetsNow(whole, after).find(({ facet }) => facet === 'secondary');
  const atTheEdge = edge.form === 'single-bevel' ? facets.slice(-1) : facets;
  return {
    recessionMm: after.recessionMm,
    ...(land && { landMm: land.lengthMm }),
    marksUm: Math.max(...atTheEdge.map((facet) => after.marksUm[facet] ?? 0)),
    steelMm3: after.steelMm3,
    reached: tipUmOf(whole, after) === 0,
  };
}
