import type { Abrasive, OwnedAbrasive } from '../abrasive/abrasive.js';
import { grit } from '../abrasive/grit.js';
import type { SizedAbrasive } from '../abrasive/placing.js';
import type { SingleBevelEdge } from '../blade/edge.js';
import { cutBy, edgeAtMm } from '../work/profile.js';

/** A flat-backed blade for specs: only what matters to one is given. */
export const flatBlade = (figures: Partial<SingleBevelEdge>): SingleBevelEdge => ({
  form: 'single-bevel',
  widthMm: 20,
  thicknessMm: 3,
  primaryDeg: 25,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
  ...figures,
});

/** How far back an edge is once more has come off the bevel that meets it, mm, by its profile. */
export function goneBackMm(
  blade: { readonly primaryDeg: number; readonly secondaryDeg?: number; readonly thicknessMm: number },
  fromMm: number,
  steelMm2: number,
): number {
  const { primaryDeg, secondaryDeg, thicknessMm } = blade;
  const planes =
    secondaryDeg === undefined
      ? [{ deg: primaryDeg, atMm: fromMm }]
      : [
          { deg: primaryDeg, atMm: 0 },
          { deg: secondaryDeg, atMm: fromMm },
        ];
  return edgeAtMm(cutBy({ thicknessMm, planes }, planes.length - 1, steelMm2));
}

/** A water stone for specs, by its grain in µm or its JIS grade: only what matters to one is given besides. */
export const abrasive = (
  id: string,
  grain: number | string,
  more: Partial<Abrasive> = {},
): OwnedAbrasive => ({
  id,
  name: id,
  kind: 'water-stone',
  grade:
    typeof grain === 'number' ? { standard: 'UM', grade: String(grain) } : { standard: 'JIS', grade: grain },
  lubricant: 'water',
  strokeMm: 150,
  overheadMin: 0.5,
  ...more,
});

/** One with the grain it counts as. */
export const waterStone = (
  id: string,
  grade: Abrasive['grade'],
  sizeUm = grit(grade).sizeUm,
): SizedAbrasive => ({ ...abrasive(id, sizeUm), grade, sizeUm });
