import { cosDeg, sinDeg, tanDeg, toDeg } from '../base/trig.js';
import { chordTurnDeg, hollowGrind } from './hollow-grind.js';
import { Refusal, attempt, insist } from '../base/refusal.js';
import {
  backBevelDeg,
  type DoubleBevelEdge,
  type Edge,
  type Grind,
  type KnifeEdge,
  type SingleBevelEdge,
} from './edge.js';
import { ASSUMED_LAND_MM } from './land-growth.js';

/** A point of the blade's section, mm: x back along the blade from the edge, y up. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A facet's place in the chain from the edge up: which surface it is. */
type FacetName = 'micro' | 'secondary' | 'primary' | 'left' | 'right' | 'polished' | 'back-bevel' | 'counter';

/** One surface of the section, from the edge's end to the far one. */
export interface ChainFacet {
  readonly name: FacetName;
  /** Above the blade's axis (the bevel), or below it (the back, the right-hand side). */
  readonly side: 'upper' | 'lower';
  /** To the blade's axis; a ground facet's chord where it is hollow or convex. */
  readonly angleDeg: number;
  /** Its length along the face, mm. */
  readonly lengthMm: number;
  /** Two points where it is straight, more along an arc. */
  readonly points: readonly Point[];
  /** The fields of the edge that its angle and its length are kept in, where they are its own. */
  readonly angleField?: string;
  readonly lengthField?: string;
}

/** A blade's section as its facets, mm: the edge at the origin, x back along the blade, y up. */
export interface EdgeChain {
  /** From the edge up the bevel, and from the edge along the other side. */
  readonly upper: readonly ChainFacet[];
  readonly lower: readonly ChainFacet[];
  /** Closed outline of the stretch of blade, anticlockwise from the edge. */
  readonly outline: readonly Point[];
  /** Steel ground or honed away ahead of the edge since the primary met the back. */
  readonly gone: readonly Point[];
  /** Furthest point of any bevel back from the edge, and the thickness of the blade behind it. */
  readonly heelMm: number;
  readonly thicknessMm: number;
}

/** Taken where nobody measured it, mm (estimates). */
export const ASSUMED = {
  microLandMm: 0.15,
  backBevelMm: 0.5,
  rimMm: 2,
  counterMm: 1,
  hollowRadiusMm: 75,
  convexRadiusMm: 40,
} as const;

const ARC_POINTS = 48;

/**
 * The section of any edge. A flat-backed blade lies with its back along the axis; a double bevel
 * with its centre plane there.
 * @param bladeMm how much blade to draw behind the heel; as much again by half as the bevel without it
 * @throws Refusal on the field that leaves no such blade: a facet less steep than the one behind it, a
 * wheel too small for the bevel, bevels that overrun a knife's width.
 */
export function edgeChain(edge: Edge, bladeMm?: number): EdgeChain {
  switch (edge.form) {
    case 'single-bevel':
      return flatBacked(edge, bladeMm);
    case 'double-bevel':
    case 'knife':
      return twoSided(edge, bladeMm);
    case 'gouge':
      return flatBacked(plain(edge.thicknessMm, edge.bevelDeg), bladeMm, edge.counterBevelDeg);
    case 'v':
    case 'knife-set':
      return flatBacked(plain(edge.thicknessMm, edge.bevelDeg), bladeMm);
    case 'scraping':
      return flatBacked({ ...plain(edge.thicknessMm, edge.bevelDeg), grind: 'hollow' }, bladeMm);
    case 'hook': {
      const { thicknessMm, includedDeg } = edge;
      if (edge.make !== 'bevelled-both-sides') {
        return relabelled(flatBacked(plain(thicknessMm, includedDeg), bladeMm), 'includedDeg');
      }
      const half = includedDeg / 2;
      const both = { thicknessMm, leftDeg: half, rightDeg: half, grind: 'flat' } as const;
      return relabelled(
        twoSided({ form: 'double-bevel', widthMm: 1, skewDeg: 0, ...both }, bladeMm),
        undefined,
      );
    }
  }
}

type Flat = Pick<
  SingleBevelEdge,
  | 'thicknessMm'
  | 'primaryDeg'
  | 'secondaryDeg'
  | 'microDeg'
  | 'landMm'
  | 'microLandMm'
  | 'grind'
  | 'grindRadiusMm'
> &
  Partial<Pick<SingleBevelEdge, 'back' | 'polishedMm' | 'shimMm' | 'shimAtMm' | 'form'>>;

const plain = (thicknessMm: number, primaryDeg: number): Flat => ({ thicknessMm, primaryDeg, grind: 'flat' });

/** A flat-backed section of a curved or set edge keeps its angle in another field, or in none. */
function relabelled(chain: EdgeChain, angleField: string | undefined): EdgeChain {
  const rename = ({ angleField: _old, ...facet }: ChainFacet): ChainFacet =>
    angleField && facet.side === 'upper' ? { ...facet, angleField } : facet;
  return { ...chain, upper: chain.upper.map(rename), lower: chain.lower.map(rename) };
}

function flatBacked(edge: Flat, bladeMm: number | undefined, counterDeg?: number): EdgeChain {
  const { thicknessMm, primaryDeg, secondaryDeg, microDeg, back = 'flat' } = edge;
  insist(thicknessMm > 0, 'thicknessMm', 'A blade has some thickness: give more than 0 mm.');
  insist(primaryDeg > 0 && primaryDeg < 90, 'primaryDeg', 'Choose a primary angle between 0° and 90°.');
  const underDeg = counterDeg ?? (edge.form === 'single-bevel' ? backBevelDeg(edge as SingleBevelEdge) : 0);
  const underMm = counterDeg === undefined ? (edge.polishedMm ?? ASSUMED.backBevelMm) : ASSUMED.counterMm;
  // A back bevel lifts the edge off the plane of the back.
  const drop = Math.min(underDeg > 0 ? underMm * sinDeg(underDeg) : 0, thicknessMm / 2);
  const ownForm = edge.form === 'single-bevel';
  const upper: ChainFacet[] = [];
  let at: Point = { x: 0, y: 0 };
  let below = 90;
  const top = thicknessMm - drop;
  const climb = (
    name: FacetName,
    deg: number,
    lengthMm: number,
    angleField: string,
    lengthField: string,
  ): void => {
    insist(
      deg > primaryDeg && deg < below,
      angleField,
      `Each bevel nearer the edge is steeper than the one behind it: the ${name} at ${deg}° is not.`,
    );
    below = deg;
    const length = Math.min(lengthMm, (top - at.y) / sinDeg(deg));
    if (length <= 1e-9) return;
    const to = { x: at.x + length * cosDeg(deg), y: at.y + length * sinDeg(deg) };
    upper.push({
      name,
      side: 'upper',
      angleDeg: deg,
      lengthMm: length,
      points: [at, to],
      angleField,
      lengthField,
    });
    at = to;
  };
  if (microDeg !== undefined) {
    climb('micro', microDeg, edge.microLandMm ?? ASSUMED.microLandMm, 'microDeg', 'microLandMm');
  }
  if (secondaryDeg !== undefined) {
    climb('secondary', secondaryDeg, edge.landMm ?? ASSUMED_LAND_MM, 'secondaryDeg', 'landMm');
  }
  const arc = bevelArc(edge, thicknessMm, primaryDeg, ownForm ? 'primaryDeg' : 'bevelDeg');
  const ground = at.x - arc(at.y + drop);
  insist(
    ground <= 1e-9 || upper.length === 0,
    upper.at(-1)?.angleField ?? 'grindRadiusMm',
    'A bevel rounded this much is steeper at its edge than the facet honed on it: flatten the rounding or hone steeper.',
  );
  const heights = steps(at.y + drop, thicknessMm, edge.grind);
  const face = heights.map((h) => ({ x: ground + arc(h), y: h - drop }));
  if (thicknessMm - drop - at.y > 1e-9) {
    upper.push({
      name: 'primary',
      side: 'upper',
      angleDeg: primaryDeg,
      lengthMm: chord(face),
      points: [at, ...face.slice(1)],
      angleField: ownForm ? 'primaryDeg' : 'bevelDeg',
    });
  }
  const lower: ChainFacet[] = [];
  let backFrom: Point = { x: 0, y: 0 };
  if (drop > 0) {
    backFrom = { x: (drop / sinDeg(underDeg)) * cosDeg(underDeg), y: -drop };
    lower.push({
      name: counterDeg === undefined ? 'back-bevel' : 'counter',
      side: 'lower',
      angleDeg: underDeg,
      lengthMm: drop / sinDeg(underDeg),
      points: [{ x: 0, y: 0 }, backFrom],
      ...(counterDeg === undefined ? { lengthField: 'polishedMm' } : { angleField: 'counterBevelDeg' }),
    });
  }
  const heelMm = (face.at(-1) ?? at).x;
  const endX = heelMm + (bladeMm ?? Math.max(heelMm * 0.5, thicknessMm));
  if (back !== 'shim' && ownForm) {
    const to = back === 'rim' ? Math.min(edge.polishedMm ?? ASSUMED.rimMm, endX) : endX;
    lower.push({
      name: 'polished',
      side: 'lower',
      angleDeg: 0,
      lengthMm: to,
      points: [
        { x: 0, y: 0 },
        { x: to, y: 0 },
      ],
      ...(back === 'rim' && { lengthField: 'polishedMm' }),
    });
  }
  const honed = upper.filter(({ name }) => name !== 'primary');
  const lost = steps(0, at.y + drop, edge.grind).map((h) => ({ x: ground + arc(h), y: h - drop }));
  return {
    upper,
    lower,
    outline: [
      { x: 0, y: 0 },
      ...(drop > 0 ? [backFrom] : []),
      { x: endX, y: -drop },
      { x: endX, y: top },
      ...upper.flatMap(({ points }) => points.slice(1)).reverse(),
    ],
    gone:
      lost.length > 1 && (at.y > 0 || drop > 0)
        ? [
            ...lost,
            ...honed.reverse().flatMap(({ points }) => [...points].reverse().slice(1)),
            ...(drop > 0 ? [backFrom] : []),
          ]
        : [],
    heelMm,
    thicknessMm,
  };
}

function twoSided(edge: DoubleBevelEdge | KnifeEdge, bladeMm: number | undefined): EdgeChain {
  const thicknessMm = edge.form === 'knife' ? edge.spineMm : edge.thicknessMm;
  insist(thicknessMm > 0, 'thicknessMm', 'A blade has some thickness: give more than 0 mm.');
  const half = thicknessMm / 2;
  const side = (name: 'left' | 'right', deg: number): ChainFacet => {
    const angleField = `${name}Deg`;
    insist(deg > 0 && deg < 90, angleField, 'Choose an angle between 0° and 90° for this side.');
    const arc = bevelArc(edge, half, deg, angleField);
    const sign = name === 'left' ? 1 : -1;
    const points = steps(0, half, edge.grind).map((h) => ({ x: arc(h), y: sign * h }));
    return {
      name,
      side: name === 'left' ? 'upper' : 'lower',
      angleDeg: deg,
      lengthMm: chord(points),
      points,
      angleField,
    };
  };
  const [left, right] = [side('left', edge.leftDeg), side('right', edge.rightDeg)];
  const heelMm = Math.max(...[left, right].map(({ points }) => (points.at(-1) as Point).x));
  if (edge.form === 'knife') {
    insist(
      heelMm <= edge.widthMm,
      edge.leftDeg < edge.rightDeg ? 'leftDeg' : 'rightDeg',
      () =>
        `A blade ${edge.widthMm} mm wide and ${thicknessMm} mm thick at the spine tapers at ${toDeg(Math.atan(half / edge.widthMm)).toFixed(1)}° a side already: choose a steeper bevel.`,
    );
  }
  const endX =
    edge.form === 'knife' && bladeMm === undefined ? edge.widthMm : heelMm + (bladeMm ?? heelMm * 0.5);
  return {
    upper: [left],
    lower: [right],
    outline: [
      ...right.points,
      { x: endX, y: -half },
      { x: endX, y: half },
      ...left.points.slice(1).reverse(),
    ],
    gone: [],
    heelMm,
    thicknessMm,
  };
}

/**
 * x of a ground face at a height above where it begins, 0..`rise`: straight, or on the circle of the
 * wheel that hollowed it (of the rounding, for a convex one) through both ends of its chord.
 */
function bevelArc(
  { grind, grindRadiusMm }: { readonly grind: Grind; readonly grindRadiusMm?: number },
  rise: number,
  deg: number,
  angleField: string,
): (height: number) => number {
  if (grind === 'flat') return (height) => height / tanDeg(deg);
  const hollow = grind === 'hollow';
  const radius = grindRadiusMm ?? (hollow ? ASSUMED.hollowRadiusMm : ASSUMED.convexRadiusMm);
  const field = grindRadiusMm === undefined ? angleField : 'grindRadiusMm';
  const ground = hollow
    ? attempt(() => hollowGrind({ wheelRadiusMm: radius, thicknessMm: rise, bevelDeg: deg }))
    : undefined;
  if (ground instanceof Refusal) throw new Refusal(field, ground.message);
  const face = rise / sinDeg(deg);
  const turn = chordTurnDeg(face, radius);
  insist(
    hollow || (turn < deg && deg + turn < 90),
    field,
    `A rounding of ${radius} mm radius bends a ${face.toFixed(1)} mm face further than the blade allows: take a larger radius.`,
  );
  const off = Math.sqrt(radius * radius - (face * face) / 4);
  const sign = hollow ? 1 : -1;
  const centre = {
    x: (face / 2) * cosDeg(deg) - sign * off * sinDeg(deg),
    y: (face / 2) * sinDeg(deg) + sign * off * cosDeg(deg),
  };
  return (height) => centre.x + sign * Math.sqrt(Math.max(0, radius * radius - (height - centre.y) ** 2));
}

function steps(from: number, to: number, grind: Grind): readonly number[] {
  const pieces = grind === 'flat' ? 1 : ARC_POINTS;
  return Array.from({ length: pieces + 1 }, (_, i) => from + ((to - from) * i) / pieces);
}

function chord(points: readonly Point[]): number {
  const [from, to] = [points[0] as Point, points.at(-1) as Point];
  return Math.hypot(to.x - from.x, to.y - from.y);
}

/** A tip worn round: the circle that touches both faces, mm. */
export interface WornTip {
  readonly centre: Point;
  readonly radiusMm: number;
  /** Where it leaves the upper and the lower face. */
  readonly upper: Point;
  readonly lower: Point;
}

/** The rounded tip between faces at `upperDeg` above and `lowerDeg` below the axis, edge at the origin. */
export function wornTip(upperDeg: number, lowerDeg: number, radiusUm: number): WornTip {
  const radiusMm = radiusUm / 1000;
  const half = (upperDeg + lowerDeg) / 2;
  insist(half > 0 && half < 90, 'includedDeg', 'Choose an included angle between 0° and 180°.');
  const along = (length: number, deg: number): Point => ({
    x: length * cosDeg(deg),
    y: length * sinDeg(deg),
  });
  const touching = radiusMm / tanDeg(half);
  return {
    centre: along(radiusMm / sinDeg(half), (upperDeg - lowerDeg) / 2),
    radiusMm,
    upper: along(touching, upperDeg),
    lower: along(touching, -lowerDeg),
  };
}

/**
 * The angle of the facet from `from` through a point dragged to `to`, degrees, held within
 * `least`..`most` so that a drawing never leaves the range its field accepts.
 */
export function facetAngleThrough(from: Point, to: Point, least: number, most: number): number {
  const deg = toDeg(Math.atan2(to.y - from.y, to.x - from.x));
  return Math.min(most, Math.max(least, deg));
}
