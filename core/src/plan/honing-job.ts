import { faultMm, type Condition } from '../blade/dulling.js';
import { includedDeg, type Edge } from '../blade/edge.js';
import { widestLandMm } from '../blade/land-growth.js';
import { sinDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';
import { landMmOf, unworked, wholeLandMm, withLand, type EdgeAtWork } from '../work/edge-at-work.js';
import { clearingMm } from '../work/found.js';
import { contactMm2, setBack, steelToGoBackMm3 } from '../work/worked.js';

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
  return honingJobFrom(edge, startOf(edge, landMm), condition);
}

/** {@link honingJob} of an edge as work left it. */
export function honingJobFrom(edge: Edge, start: EdgeAtWork, condition: Condition): HoningJob {
  const evenMm = clearingMm(edge, condition);
  insist(evenMm > 0, 'condition', 'There is nothing to hone off: say how dull the edge is.');
  const squareMm = faultMm(condition, 'out-of-square');
  const sunkMm = sinkMm(condition) / sinDeg(honedAngleDeg(edge));
  const at = (share: number): number => steelToGoBackMm3(edge, start, evenMm + sunkMm + share * squareMm);
  const deepest = setBack(edge, start, evenMm + sunkMm + squareMm);
  const landAfterMm = landMmOf(edge, deepest);
  return {
    recessionMm: evenMm + squareMm,
    removeMm3: (at(0) + 4 * at(0.5) + at(1)) / 6,
    contactMm2: contactMm2(edge, deepest),
    landBeforeMm: landMmOf(edge, start),
    landAfterMm,
    wholeBevel: landAfterMm >= wholeLandMm(edge) - 1e-6,
  };
}

/** An edge with its land as measured, else as work left it, else as the tool has it, else assumed. @throws Refusal on `landMm` */
export function startOf(edge: Edge, landMm?: number, work?: EdgeAtWork): EdgeAtWork {
  if (landMm === undefined && work) return work;
  const land = landMm ?? (edge.form === 'single-bevel' ? edge.landMm : undefined);
  if (land !== undefined && edge.form === 'single-bevel') {
    const { secondaryDeg, thicknessMm, grind } = edge;
    const widest = wholeLandMm(edge);
    insist(
      land <= widest + 1e-9,
      'landMm',
      secondaryDeg !== undefined
        ? `On a blade ${thicknessMm} mm thick the ${secondaryDeg}° bevel is at most ${widestLandMm(thicknessMm, secondaryDeg).toFixed(2)} mm long; measure the land again.`
        : grind === 'hollow'
          ? `The hollow’s face is ${(2 * widest).toFixed(2)} mm, so a rim is at most half of that; measure it again.`
          : `The bevel is ${widest.toFixed(2)} mm long in all; measure it again.`,
    );
  }
  return work && landMm !== undefined ? withLand(edge, work, landMm) : unworked(edge, landMm);
}

/** How far a rounded-over facet has to go down before it is flat to the edge again, mm. */
export const sinkMm = (condition: Condition): number =>
  faultMm(condition, 'rounded-over') * sinDeg(ROUNDING_DEG);

function honedAngleDeg(edge: Edge): number {
  return edge.form === 'single-bevel' ? (edge.secondaryDeg ?? edge.primaryDeg) : includedDeg(edge);
}
