import type { EdgeShape } from '../abrasive/abrasive.js';
import { gougeArc } from '../curve/gouge-arc.js';
import { edgeLengthMm, type Edge, type SingleBevelEdge } from '../edge/edge.js';
import { ASSUMED_LAND_MM, landGrowth, recessionForLand, widestLandMm } from '../edge/land-growth.js';
import { honedHollow, hollowGrind } from '../grinding/hollow-grind.js';
import { sinDeg } from '../measure/trig.js';
import { insist } from '../refusal.js';

/** What honing meets at a millimetre of edge, as the edge goes back. */
export interface HonedSection {
  /** Length of edge in all: of every knife of a set, along a gouge's curve. */
  readonly lengthMm: number;
  /** Cross-section of steel taken by a further recession, mm². */
  steelMm2(recessionMm: number): number;
  /** Faces on the stone after that recession, all sides together, mm. */
  faceMm(recessionMm: number): number;
  /** The land or rim, as it is and after a recession, mm; the whole face of a single bevel. */
  landMm(recessionMm: number): number;
  /** The whole face, mm. */
  readonly wholeMm: number;
  /** What is on the stone: a land, the whole bevel, a hollow's two rims. */
  readonly what: 'land' | 'bevel' | 'rims';
}

/**
 * The steel behind any edge the product knows, honed on its bevels against a sound back or from both
 * sides: a secondary's land (`land-growth`), a whole bevel (e·t), a hollow grind's two rims.
 * @param landMm the land, or each rim of a hollow, as measured
 * @throws Refusal on `landMm` when it is wider than the blade allows
 */
export function honedSection(edge: Edge, landMm?: number): HonedSection {
  if (edge.form === 'single-bevel') {
    if (edge.secondaryDeg !== undefined) return landSection(edge, edge.secondaryDeg, landMm);
    if (edge.grind === 'hollow' && edge.grindRadiusMm !== undefined) {
      return rimSection(edge, edge.grindRadiusMm, landMm);
    }
  }
  const { thicknessMm, faceMm, lengthMm } = wholeFaces(edge);
  return {
    lengthMm,
    steelMm2: (e) => e * thicknessMm,
    faceMm: () => faceMm,
    landMm: () => faceMm,
    wholeMm: faceMm,
    what: edge.form === 'knife' ? 'land' : 'bevel',
  };
}

/** Which shape of edge a stone has to follow. */
export function shapeOfEdge(edge: Edge): EdgeShape {
  if (edge.form === 'gouge') return edge.cannel === 'in' ? 'inside-curve' : 'outside-curve';
  return edge.form === 'hook' ? 'hook' : 'straight';
}

function landSection(edge: SingleBevelEdge, secondaryDeg: number, measured?: number): HonedSection {
  const { thicknessMm, widthMm } = edge;
  const landMm = measured ?? edge.landMm ?? ASSUMED_LAND_MM;
  const wholeMm = widestLandMm(thicknessMm, secondaryDeg);
  insist(
    landMm <= wholeMm,
    'landMm',
    `On a blade ${thicknessMm} mm thick the ${secondaryDeg}° bevel is at most ${wholeMm.toFixed(2)} mm long; measure the land again.`,
  );
  const from = recessionForLand(edge.primaryDeg, secondaryDeg, landMm);
  const grown = (e: number): ReturnType<typeof landGrowth> =>
    landGrowth({ primaryDeg: edge.primaryDeg, secondaryDeg, thicknessMm, recessionMm: from + e });
  const before = grown(0).steelMm2;
  return {
    lengthMm: widthMm,
    steelMm2: (e) => grown(e).steelMm2 - before,
    faceMm: (e) => grown(e).landMm,
    landMm: (e) => (e === 0 ? landMm : grown(e).landMm),
    wholeMm,
    what: 'land',
  };
}

function rimSection(edge: SingleBevelEdge, wheelRadiusMm: number, measured?: number): HonedSection {
  const { thicknessMm, primaryDeg, widthMm } = edge;
  const hollow = { wheelRadiusMm, thicknessMm, bevelDeg: primaryDeg };
  const { faceMm: wholeMm, depthMm } = hollowGrind(hollow);
  const rimMm = measured ?? edge.landMm ?? ASSUMED_LAND_MM;
  insist(
    rimMm <= wholeMm / 2,
    'landMm',
    `The hollow’s face is ${wholeMm.toFixed(2)} mm, so a rim is at most half of that; measure it again.`,
  );
  // A rim of r leaves a hollow c = face − 2r wide, R − √(R² − c²/4) deep.
  const open = wholeMm - 2 * rimMm;
  const left = wheelRadiusMm - Math.sqrt(wheelRadiusMm ** 2 - (open / 2) ** 2);
  const from = (depthMm - left) / sinDeg(primaryDeg);
  const honed = (e: number): ReturnType<typeof honedHollow> => honedHollow(hollow, from + e);
  const before = honed(0).steelMm2;
  return {
    lengthMm: widthMm,
    steelMm2: (e) => honed(e).steelMm2 - before,
    faceMm: (e) => 2 * honed(e).rimMm,
    landMm: (e) => honed(e).rimMm,
    wholeMm: wholeMm / 2,
    what: 'rims',
  };
}

/** Bevels honed whole: how thick the steel behind them is, and what they show to the stone. */
function wholeFaces(edge: Edge): {
  readonly thicknessMm: number;
  readonly faceMm: number;
  readonly lengthMm: number;
} {
  const lengthMm = edgeLengthMm(edge);
  switch (edge.form) {
    case 'single-bevel':
      return { thicknessMm: edge.thicknessMm, faceMm: edge.thicknessMm / sinDeg(edge.primaryDeg), lengthMm };
    case 'double-bevel': {
      const half = edge.thicknessMm / 2;
      const faceMm = half / sinDeg(edge.leftDeg) + half / sinDeg(edge.rightDeg);
      return { thicknessMm: edge.thicknessMm, faceMm, lengthMm };
    }
    case 'knife': {
      // Only a facet along the edge is on the stone; its height is an estimate until it is measured.
      const thicknessMm = ASSUMED_LAND_MM * (sinDeg(edge.leftDeg) + sinDeg(edge.rightDeg));
      return { thicknessMm, faceMm: 2 * ASSUMED_LAND_MM, lengthMm };
    }
    case 'gouge':
      return {
        thicknessMm: edge.thicknessMm,
        faceMm: edge.thicknessMm / sinDeg(edge.bevelDeg),
        lengthMm: gougeArc(edge).arcMm,
      };
    case 'hook':
      return { thicknessMm: edge.thicknessMm, faceMm: edge.thicknessMm / sinDeg(edge.includedDeg), lengthMm };
    case 'knife-set':
      return {
        thicknessMm: edge.thicknessMm,
        faceMm: edge.thicknessMm / sinDeg(edge.bevelDeg),
        lengthMm: edge.lengthMm * edge.count,
      };
    case 'v':
    case 'scraping':
      return { thicknessMm: edge.thicknessMm, faceMm: edge.thicknessMm / sinDeg(edge.bevelDeg), lengthMm };
  }
}
