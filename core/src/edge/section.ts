import { insist } from '../refusal.js';
import { cosDeg, sinDeg, tanDeg, toDeg } from '../measure/trig.js';

/** A point of the blade's section, mm: x back along the flat from the edge, y up from the back. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Facet {
  readonly name: 'secondary' | 'primary';
  readonly from: Point;
  readonly to: Point;
  readonly angleDeg: number;
}

export interface BevelSection {
  /** From the edge up the bevel, facet by facet; the last ends on the blade's upper face. */
  readonly facets: readonly Facet[];
  /** Closed outline of the drawn stretch of blade, starting at the edge, anticlockwise. */
  readonly outline: readonly Point[];
  /** Where the bevel ends on the upper face, back from the edge. */
  readonly heelMm: number;
  /** Where the primary would meet the back: the edge as it was ground, ahead of it as it is. */
  readonly groundEdge: Point;
}

export interface BevelSectionInput {
  readonly thicknessMm: number;
  readonly primaryDeg: number;
  readonly secondaryDeg?: number;
  /** Length of the secondary along its face; it is cut short where the blade ends. */
  readonly landMm?: number;
  /** How much blade to draw behind the heel. */
  readonly bladeMm?: number;
}

/**
 * The section of a flat-backed blade: back on y = 0, edge at the origin, upper face at the
 * blade's thickness.
 * @throws Refusal when an angle or the thickness leaves no blade to draw.
 */
export function bevelSection(input: BevelSectionInput): BevelSection {
  const { thicknessMm, primaryDeg, secondaryDeg, landMm = 0, bladeMm = thicknessMm * 2 } = input;
  insist(thicknessMm > 0, 'thicknessMm', 'A blade has some thickness: give more than 0 mm.');
  insist(primaryDeg > 0 && primaryDeg < 90, 'primaryDeg', 'Choose a primary angle between 0° and 90°.');
  const edge: Point = { x: 0, y: 0 };
  const facets: Facet[] = [];
  if (secondaryDeg !== undefined && landMm > 0) {
    insist(
      secondaryDeg > primaryDeg && secondaryDeg < 90,
      'secondaryDeg',
      `A secondary bevel is steeper than the primary: choose more than ${primaryDeg}°, or leave it out.`,
    );
    const length = Math.min(landMm, thicknessMm / sinDeg(secondaryDeg));
    const to = { x: length * cosDeg(secondaryDeg), y: length * sinDeg(secondaryDeg) };
    facets.push({ name: 'secondary', from: edge, to, angleDeg: secondaryDeg });
  }
  const from = facets[0]?.to ?? edge;
  const heelMm = from.x + (thicknessMm - from.y) / tanDeg(primaryDeg);
  const heel: Point = { x: heelMm, y: thicknessMm };
  if (thicknessMm - from.y > 1e-12) {
    facets.push({ name: 'primary', from, to: heel, angleDeg: primaryDeg });
  }
  const end = heelMm + bladeMm;
  const outline = [
    edge,
    { x: end, y: 0 },
    { x: end, y: thicknessMm },
    ...facets.map((facet) => facet.to).reverse(),
  ];
  return { facets, outline, heelMm, groundEdge: { x: from.x - from.y / tanDeg(primaryDeg), y: 0 } };
}

/**
 * The angle of the facet from `from` through a point dragged to `to`, degrees, held within
 * `least`..`most` so that a drawing never leaves the range its field accepts.
 */
export function facetAngleThrough(from: Point, to: Point, least: number, most: number): number {
  const deg = toDeg(Math.atan2(to.y - from.y, to.x - from.x));
  return Math.min(most, Math.max(least, deg));
}
