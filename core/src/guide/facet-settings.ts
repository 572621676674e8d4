import type { Edge } from '../blade/edge.js';
import { attempt, Refusal } from '../base/refusal.js';
import type { Tool } from '../blade/tool.js';
import { projectionUncertaintyMm } from './guide-calibration.js';
import { guideProjection } from './guide-projection.js';
import {
  isRoller,
  seatCalibration,
  seatForWidth,
  seatGeometry,
  seatTakes,
  type Guide,
  type GuideForm,
  type GuideGeometry,
  type GuideSeat,
  type RollerGuide,
} from './guide.js';
import { wheelSupport } from './wheel-support.js';

export type HonedFacet = 'primary' | 'secondary' | 'micro' | 'left' | 'right' | 'bevel';

/** What a facet that is set to an angle is called. */
export const FACET_NAMES: Readonly<Record<HonedFacet, string>> = {
  primary: 'Primary',
  secondary: 'Secondary',
  micro: 'Micro-bevel',
  left: 'Left bevel',
  right: 'Right bevel',
  bevel: 'Bevel',
};

/** Where to set a guide for one facet. */
export interface FacetSetting {
  readonly facet: HonedFacet;
  readonly angleDeg: number;
  /** On a roller guide: nose to edge. Absent when it cannot give the angle; then `refusal` says why. */
  readonly projectionMm?: number;
  readonly degPerMm?: number;
  /** Half the 95 % interval of the projection, where the seat was measured. */
  readonly plusMinusMm?: number;
  /** On a wet wheel's jig: the support bar's centre to the wheel's rim. */
  readonly gapMm?: number;
  readonly refusal?: string;
}

/** The facets of an edge that are set to an angle of their own, the ground one first. */
export function facetsOf(edge: Edge): readonly { readonly facet: HonedFacet; readonly angleDeg: number }[] {
  switch (edge.form) {
    case 'single-bevel':
      return (
        [
          ['primary', edge.primaryDeg],
          ['secondary', edge.secondaryDeg],
          ['micro', edge.microDeg],
        ] as const
      ).flatMap(([facet, angleDeg]) => (angleDeg === undefined ? [] : [{ facet, angleDeg }]));
    case 'double-bevel':
    case 'knife':
      return [
        { facet: 'left', angleDeg: edge.leftDeg },
        { facet: 'right', angleDeg: edge.rightDeg },
      ];
    case 'hook':
      return [
        {
          facet: 'bevel',
          angleDeg: edge.make === 'bevelled-both-sides' ? edge.includedDeg / 2 : edge.includedDeg,
        },
      ];
    default:
      return [{ facet: 'bevel', angleDeg: edge.bevelDeg }];
  }
}

/** The angle the facet that meets the edge is honed at: the steepest one. */
export const honedAtDeg = (edge: Edge): number => Math.max(...facetsOf(edge).map(({ angleDeg }) => angleDeg));

/** Where the seat stands for this blade: a double bevel's edge lies in the middle of its thickness. */
export function bladeGeometry(
  edge: Edge,
  guide: RollerGuide,
  seat: GuideSeat,
  camRiseMm = 0,
): { readonly guide: GuideGeometry; readonly thicknessMm?: number } {
  const geometry = seatGeometry(guide, seat, camRiseMm);
  const thicknessMm = edge.form === 'knife' ? edge.spineMm : edge.thicknessMm;
  const middle = edge.form === 'double-bevel' ? thicknessMm / 2 : 0;
  return { guide: { ...geometry, seatHeightMm: geometry.seatHeightMm - middle }, thicknessMm };
}

/** How wide a blade is where a guide clamps it: machine and scraping knives lie along their edge. */
export function clampedWidthMm(edge: Edge): number {
  if (edge.form === 'knife-set' || edge.form === 'scraping') return edge.lengthMm;
  return 'widthMm' in edge ? edge.widthMm : 0;
}

/** The order guides are thought of in where none was chosen: a jig made for it, a roller, hands, a wheel. */
const FIRST_THOUGHT: Readonly<Record<GuideForm, number>> = {
  'pair-jig': 0,
  'side-clamping-roller': 1,
  'top-clamping-roller': 1,
  'wide-roller': 1,
  freehand: 2,
  'wet-wheel-jig': 3,
};

/** The guide to begin with for an edge: the first, in the order of their forms, that can hold it. */
export function usualGuide<G extends Guide>(edge: Edge, guides: readonly G[]): G | undefined {
  const held = guides.filter((guide) => {
    const seat = isRoller(guide) ? seatForWidth(guide, clampedWidthMm(edge)) : undefined;
    const fits = seat === undefined || seatTakes(seat, clampedWidthMm(edge));
    return fits && facetSettings({ edge }, guide, seat).every(({ refusal }) => refusal === undefined);
  });
  return [...held].sort((a, b) => FIRST_THOUGHT[a.form] - FIRST_THOUGHT[b.form])[0] ?? guides[0];
}

/** A roller guide clamps straight, stiff blades: these cannot be held in one. */
const NOT_CLAMPED: Partial<Readonly<Record<Edge['form'], string>>> = {
  gouge: 'A curved edge is rolled along its arc; a roller guide would hold it still.',
  v: 'The two wings are honed one by one as small chisels, by hand; a roller guide holds neither flat.',
  knife: 'A knife is laid flat and its spine lifted; a roller guide does not hold it.',
  hook: 'A hooked blade is braced and the abrasive moved round it; a roller guide does not hold it.',
};

/**
 * A guide's setting for every facet of an edge.
 * @param seat of a roller guide; the first that takes the blade where it is left out
 */
export function facetSettings(
  { edge }: Pick<Tool, 'edge'>,
  guide: Guide,
  seat?: GuideSeat,
): readonly FacetSetting[] {
  return facetsOf(edge).map(({ facet, angleDeg }) => ({
    facet,
    angleDeg,
    ...settingOf(edge, guide, seat, angleDeg),
  }));
}

function settingOf(
  edge: Edge,
  guide: Guide,
  seat: GuideSeat | undefined,
  angleDeg: number,
): Omit<FacetSetting, 'facet' | 'angleDeg'> {
  if (isRoller(guide)) {
    const refusal = NOT_CLAMPED[edge.form];
    const chosen = seat ?? seatForWidth(guide, clampedWidthMm(edge));
    if (refusal !== undefined || !chosen) return { refusal: refusal ?? 'This guide has no seat yet.' };
    const fitted = seatCalibration(guide, chosen);
    return orRefusal(() => ({
      ...guideProjection({ ...bladeGeometry(edge, guide, chosen), angleDeg }),
      ...(fitted && { plusMinusMm: projectionUncertaintyMm(fitted, angleDeg) }),
    }));
  }
  switch (guide.form) {
    case 'wet-wheel-jig':
      return orRefusal(() => ({ gapMm: wheelSupport({ ...guide, angleDeg }).gapMm }));
    case 'pair-jig':
      if (edge.form !== 'knife-set') return { refusal: 'This jig holds machine knives, two at a time.' };
      return Math.abs(angleDeg - guide.fixedDeg) > 0.5
        ? {
            refusal: `This jig holds every knife at ${guide.fixedDeg}°, and this bevel is ${angleDeg}°: honed in it, the edge takes the jig’s angle.`,
          }
        : {};
    case 'freehand':
      return {};
  }
}

function orRefusal(
  setting: () => Omit<FacetSetting, 'facet' | 'angleDeg'>,
): Omit<FacetSetting, 'facet' | 'angleDeg'> {
  const result = attempt(() => setting());
  return result instanceof Refusal ? { refusal: result.message } : result;
}
