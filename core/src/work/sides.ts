import { gougeArc } from '../curve/gouge-arc.js';
import { ASSUMED } from '../blade/section.js';
import {
  edgeLengthMm,
  honedDeg,
  includedDeg,
  type DoubleBevelEdge,
  type Edge,
  type KnifeEdge,
  type SingleBevelEdge,
} from '../blade/edge.js';
import { ASSUMED_LAND_MM } from '../blade/land-growth.js';
import { hollowGrind } from '../blade/hollow-grind.js';
import { sinDeg, toDeg } from '../base/trig.js';
import { unlessRefused } from '../base/refusal.js';
import { remembered } from '../base/remembered.js';
import type { Facet } from './facet.js';
import type { Hollow } from './profile.js';

/** A facet and the angle it is honed at, to the back or the centre plane. */
interface FacetAngle {
  readonly facet: Facet;
  readonly deg: number;
}

/** One side of an edge that is worked. */
export interface Side {
  /** Flattest first, as the planes of its profile. */
  readonly facets: readonly FacetAngle[];
  readonly thicknessMm: number;
  readonly hollow?: Omit<Hollow, 'atMm'>;
  /**
   * A face that keeps its length whatever comes off it, mm: a convex one, worked along its curve, or rims
   * whose own measure nobody took.
   */
  readonly faceMm?: number;
}

/** The worked sides of an edge, as far as work goes: one against a back, or two about a centre plane. */
export interface Sides {
  readonly one: Side;
  readonly other?: Side;
  /** Along the edge, of every knife of a set, along a gouge's curve, mm. */
  readonly lengthMm: number;
  /** The angle between the faces at the very edge. */
  readonly includedDeg: number;
}

/** A carving gouge's inner curve is no shorter than this share of its outer one. */
const LEAST_INNER = 0.05;

/**
 * What is worked of any edge. A gouge bevelled outside is honed along the curve its width was measured on, one
 * bevelled inside along that less its wall; a hook by its make: hollow inside on its two rims, flat inside on
 * the outer bevel against the inside, bevelled on both sides as two halves.
 */
export const sidesOf: (edge: Edge) => Sides = remembered(madeOf);

/**
 * Whether an edge is worked on two sides by turns: two bevels, a scraping edge’s reverse and its scraping side, the
 * outside and the flat inside of a hook.
 */
export const byTurns = (edge: Edge): boolean =>
  edge.form === 'scraping' ||
  (edge.form === 'hook' && edge.make === 'flat-inside') ||
  sidesOf(edge).other !== undefined;

/** The one facet that meets the edge, the steepest; none where both sides are honed. */
export function honedFacet(edge: Edge): Facet | undefined {
  const { one, other } = sidesOf(edge);
  return other ? undefined : one.facets.at(-1)?.facet;
}

/** How much each side of a knife’s blade leans to its centre plane, degrees: straight from spine to edge. */
export const taperDeg = ({ spineMm, widthMm }: Pick<KnifeEdge, 'spineMm' | 'widthMm'>): number =>
  toDeg(Math.atan(spineMm / 2 / widthMm));

function madeOf(edge: Edge): Sides {
  const common = { lengthMm: edgeLengthMm(edge), includedDeg: includedDeg(edge) };
  switch (edge.form) {
    case 'single-bevel':
      return { ...common, one: singleSide(edge) };
    case 'double-bevel': {
      const half = edge.thicknessMm / 2;
      return {
        ...common,
        one: halfSide('left', edge.leftDeg, half, edge),
        other: halfSide('right', edge.rightDeg, half, edge),
      };
    }
    case 'knife': {
      const bodyDeg = taperDeg(edge);
      const side = (facet: Facet, deg: number): Side => {
        // Hollowed by a wheel from heel to edge: what lies behind its heel is never touched.
        const hollow = hollowOf(edge, deg, edge.spineMm / 2);
        if (hollow) return { facets: [{ facet, deg }], thicknessMm: edge.spineMm / 2, hollow };
        const facets = [
          ...(bodyDeg > 0 && bodyDeg < deg ? [{ facet: 'body', deg: bodyDeg } as const] : []),
          { facet, deg },
        ];
        return {
          facets,
          thicknessMm: edge.spineMm / 2,
          // Worked along its curve from the body's slope to the edge's: R times the turn between them.
          ...(edge.grind === 'convex' && {
            faceMm:
              (edge.grindRadiusMm ?? ASSUMED.convexRadiusMm) * ((Math.max(0, deg - bodyDeg) * Math.PI) / 180),
          }),
        };
      };
      return { ...common, one: side('left', edge.leftDeg), other: side('right', edge.rightDeg) };
    }
    case 'gouge': {
      const { arcMm, radiusMm } = gougeArc(edge);
      const inner = Math.max(LEAST_INNER, 1 - edge.thicknessMm / radiusMm);
      return {
        ...common,
        lengthMm: edge.cannel === 'in' ? arcMm * inner : arcMm,
        one: wholeSide(edge.bevelDeg, edge.thicknessMm),
      };
    }
    case 'hook': {
      const { includedDeg: deg, thicknessMm, make } = edge;
      if (make === 'bevelled-both-sides') {
        const side = (facet: Facet): Side => ({
          facets: [{ facet, deg: deg / 2 }],
          thicknessMm: thicknessMm / 2,
        });
        return { ...common, one: side('left'), other: side('right') };
      }
      return make === 'flat-inside'
        ? { ...common, one: wholeSide(deg, thicknessMm) }
        : {
            ...common,
            one: { facets: [{ facet: 'rim', deg }], thicknessMm, faceMm: 2 * ASSUMED_LAND_MM },
          };
    }
    case 'knife-set':
      return {
        ...common,
        lengthMm: edge.lengthMm * edge.count,
        one: wholeSide(edge.bevelDeg, edge.thicknessMm),
      };
    case 'v':
      return { ...common, one: wholeSide(edge.bevelDeg, edge.thicknessMm) };
    case 'scraping': {
      const { bevelDeg, thicknessMm } = edge;
      const hollow = hollowOf({ ...edge, grind: 'hollow' }, bevelDeg, thicknessMm);
      return { ...common, one: { ...wholeSide(bevelDeg, thicknessMm), ...(hollow && { hollow }) } };
    }
  }
}

const wholeSide = (deg: number, thicknessMm: number): Side => ({
  facets: [{ facet: 'bevel', deg }],
  thicknessMm,
});

function singleSide(edge: SingleBevelEdge): Side {
  const { primaryDeg, secondaryDeg, microDeg, thicknessMm, grind } = edge;
  const hollow = hollowOf(edge, primaryDeg, thicknessMm);
  const whole = secondaryDeg === undefined;
  const facets: readonly FacetAngle[] = [
    { facet: whole ? 'bevel' : 'primary', deg: primaryDeg },
    ...(whole ? [] : [{ facet: 'secondary', deg: secondaryDeg } as const]),
    ...(microDeg === undefined ? [] : [{ facet: 'micro', deg: microDeg } as const]),
  ];
  const convex = grind === 'convex' && whole && microDeg === undefined;
  return {
    facets,
    thicknessMm,
    ...(hollow && { hollow }),
    ...(convex && { faceMm: thicknessMm / sinDeg(honedDeg(edge)) }),
  };
}

function halfSide(
  facet: 'left' | 'right',
  deg: number,
  thicknessMm: number,
  edge: Pick<DoubleBevelEdge, 'grind' | 'grindRadiusMm'>,
): Side {
  const hollow = hollowOf(edge, deg, thicknessMm);
  return {
    facets: [{ facet, deg }],
    thicknessMm,
    ...(hollow && { hollow }),
    ...(edge.grind === 'convex' && { faceMm: thicknessMm / sinDeg(deg) }),
  };
}

/** The hollow of a facet ground on a wheel, where that wheel can have left an edge at all. */
function hollowOf(
  {
    grind,
    grindRadiusMm: wheelRadiusMm = ASSUMED.hollowRadiusMm,
  }: Pick<DoubleBevelEdge, 'grind' | 'grindRadiusMm'>,
  deg: number,
  thicknessMm: number,
): Side['hollow'] {
  if (grind !== 'hollow') return undefined;
  return unlessRefused(() => hollowGrind({ wheelRadiusMm, thicknessMm, bevelDeg: deg }))
    ? { deg, wheelRadiusMm }
    : undefined;
}
