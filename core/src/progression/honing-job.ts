import { conditionRecessionMm, faultMm, type Condition } from '../edge/dulling.js';
import { includedDeg, type Edge } from '../edge/edge.js';
import { sinDeg } from '../measure/trig.js';
import { insist } from '../refusal.js';
import { honedSection, type HonedSection } from './honed-section.js';

/** The steel one honing of an edge has to move. */
export interface HoningJob {
  /** How far the edge goes back, mm: at the corner that goes back most, where it was out of square. */
  readonly recessionMm: number;
  readonly removeMm3: number;
  /** The face being honed, as it is when the honing is done. */
  readonly contactMm2: number;
  readonly landBeforeMm: number;
  readonly landAfterMm: number;
  /** The bevel is one facet: the secondary reaches the upper face, or there is none. */
  readonly wholeBevel: boolean;
}

/** How much steeper a rounded-over edge is taken to end than its bevel, degrees (estimate). */
export const ROUNDING_DEG = 10;

/**
 * The work of bringing an edge back from a condition. Every place goes back by the worn tip and the
 * deepest nick, pit or lost temper; out of square by q, one corner goes back q further and the steel is
 * the mean over the width (Simpson’s rule, exact for the square law of a land). A rounding m long sinks
 * the facet by m·sin 10° without moving the edge, like a recession of that ÷ sin of the honed angle.
 * @throws Refusal on `condition` when there is nothing to hone, on `landMm` when the land is wider than
 * the blade allows
 */
export function honingJob(edge: Edge, condition: Condition, landMm?: number): HoningJob {
  const evenMm = conditionRecessionMm(condition, includedDeg(edge));
  insist(evenMm > 0, 'condition', 'There is nothing to hone off: say how dull the edge is.');
  const section = honedSection(edge, landMm);
  const squareMm = faultMm(condition, 'out-of-square');
  const sunkMm = sinkMm(condition) / sinDeg(honedAngleDeg(edge));
  const at = (share: number): number => section.steelMm2(evenMm + sunkMm + share * squareMm);
  const meanMm2 = (at(0) + 4 * at(0.5) + at(1)) / 6;
  const deepest = evenMm + sunkMm + squareMm;
  return {
    recessionMm: evenMm + squareMm,
    removeMm3: meanMm2 * section.lengthMm,
    contactMm2: section.faceMm(deepest) * section.lengthMm,
    landBeforeMm: section.landMm(0),
    landAfterMm: section.landMm(deepest),
    wholeBevel: isWhole(section, deepest),
  };
}

/** How far a rounded-over facet has to go down before it is flat to the edge again, mm. */
export const sinkMm = (condition: Condition): number =>
  faultMm(condition, 'rounded-over') * sinDeg(ROUNDING_DEG);

const isWhole = (section: HonedSection, recessionMm: number): boolean =>
  section.landMm(recessionMm) >= section.wholeMm - 1e-9;

function honedAngleDeg(edge: Edge): number {
  return edge.form === 'single-bevel' ? (edge.secondaryDeg ?? edge.primaryDeg) : includedDeg(edge);
}
