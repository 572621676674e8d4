import { conditionRecessionMm, type Condition } from '../edge/dulling.js';
import { includedDeg, type Edge, type SingleBevelEdge } from '../edge/edge.js';
import { ASSUMED_LAND_MM, landGrowth, recessionForLand, widestLandMm } from '../edge/land-growth.js';
import { sinDeg } from '../measure/trig.js';
import { Refusal, insist } from '../refusal.js';

/** The steel one honing of an edge has to move. */
export interface HoningJob {
  /** How far the edge goes back, mm. */
  readonly recessionMm: number;
  readonly removeMm3: number;
  /** The face being honed, as it is when the honing is done. */
  readonly contactMm2: number;
  readonly landBeforeMm: number;
  readonly landAfterMm: number;
  /** The bevel has become one facet again: the secondary reaches the upper face. */
  readonly wholeBevel: boolean;
}

/**
 * The work of bringing a flat-backed edge back from a condition, honing only the bevel.
 * With a secondary, the steel between the land as it is and the land as it will be
 * (`land-growth`); with one bevel, A = e·t.
 * @throws Refusal on `edge.form` for edges this version cannot plan, on `landMm` when the land is
 * wider than the blade allows.
 */
export function honingJob(edge: Edge, condition: Condition, landMm?: number): HoningJob {
  if (edge.form !== 'single-bevel') {
    throw new Refusal(
      'edge.form',
      'This version plans flat-backed blades with one bevel; this tool’s record is kept, its plan comes later.',
    );
  }
  const recessionMm = conditionRecessionMm(condition, includedDeg(edge));
  insist(recessionMm > 0, 'condition', 'There is nothing to hone off: say how dull the edge is.');
  return edge.secondaryDeg === undefined
    ? wholeBevelJob(edge, recessionMm)
    : landJob(edge, edge.secondaryDeg, recessionMm, landMm ?? edge.landMm ?? ASSUMED_LAND_MM);
}

function wholeBevelJob(edge: SingleBevelEdge, recessionMm: number): HoningJob {
  const faceMm = edge.thicknessMm / sinDeg(edge.primaryDeg);
  return {
    recessionMm,
    removeMm3: recessionMm * edge.thicknessMm * edge.widthMm,
    contactMm2: faceMm * edge.widthMm,
    landBeforeMm: faceMm,
    landAfterMm: faceMm,
    wholeBevel: true,
  };
}

function landJob(
  edge: SingleBevelEdge,
  secondaryDeg: number,
  recessionMm: number,
  landBeforeMm: number,
): HoningJob {
  const widest = widestLandMm(edge.thicknessMm, secondaryDeg);
  insist(
    landBeforeMm <= widest,
    'landMm',
    `On a blade ${edge.thicknessMm} mm thick the ${secondaryDeg}° bevel is at most ${widest.toFixed(2)} mm long; measure the land again.`,
  );
  const grown = (recession: number): ReturnType<typeof landGrowth> =>
    landGrowth({ ...edge, secondaryDeg, recessionMm: recession });
  const startMm = recessionForLand(edge.primaryDeg, secondaryDeg, landBeforeMm);
  const [before, after] = [grown(startMm), grown(startMm + recessionMm)];
  return {
    recessionMm,
    removeMm3: (after.steelMm2 - before.steelMm2) * edge.widthMm,
    contactMm2: after.landMm * edge.widthMm,
    landBeforeMm,
    landAfterMm: after.landMm,
    wholeBevel: after.landMm >= widest - 1e-9,
  };
}
