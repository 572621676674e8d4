import {
  type Edge,
  type Family,
  type SingleBevelEdge,
  type Steel,
  type Tool,
  familyFacts,
} from '@mellow-anvil/core';

/** A tool being typed: numbers may be missing (undefined) or unreadable (NaN) for now. */
export interface BladeDraft {
  readonly name: string;
  readonly family: Family;
  readonly steel: Steel;
  readonly edge: SingleBevelDraft;
}

type Figures = 'widthMm' | 'thicknessMm' | 'primaryDeg' | 'secondaryDeg' | 'microDeg' | 'landMm';
export type SingleBevelDraft = Omit<SingleBevelEdge, Figures> & { readonly [K in Figures]?: number };

/** The families this release's screens can make and change. */
export const OFFERED: readonly Family[] = [
  'bench-chisel',
  'paring-chisel',
  'mortise-chisel',
  'plane-iron',
  'low-angle-iron',
  'scrub-iron',
];

/** A family's usual blade, to begin with (common practice). */
export function usualBlade(family: Family): SingleBevelDraft {
  const { widthMm, thicknessMm, primaryDeg, secondaryDeg } = familyFacts(family);
  return {
    form: 'single-bevel',
    widthMm,
    thicknessMm,
    primaryDeg: primaryDeg[0],
    secondaryDeg: secondaryDeg?.[0],
    grind: 'flat',
    back: 'flat',
    front: family === 'scrub-iron' ? { shape: 'arc', radiusMm: 75 } : { shape: 'straight' },
  };
}

export const isSingleBevel = (edge: Edge): edge is SingleBevelEdge => edge.form === 'single-bevel';

/** A one-line description of an edge for a list: its angles and its size. */
export function edgeWords({ edge }: Tool, length: (mm: number) => string): string {
  switch (edge.form) {
    case 'single-bevel': {
      const angles = [edge.primaryDeg, edge.secondaryDeg, edge.microDeg].filter((deg) => deg !== undefined);
      return `${angles.join(' / ')}° · ${length(edge.widthMm)}`;
    }
    case 'double-bevel':
    case 'knife':
      return `${edge.leftDeg} + ${edge.rightDeg}° · ${length(edge.form === 'knife' ? edge.lengthMm : edge.widthMm)}`;
    case 'gouge':
      return `${edge.bevelDeg}°, ${edge.cannel}-cannel · ${length(edge.widthMm)}`;
    case 'v':
      return `${edge.bevelDeg}°, wings at ${edge.openingDeg}° · ${length(edge.wingMm)}`;
    case 'hook':
      return `${edge.includedDeg}° · radius ${length(edge.innerRadiusMm)}`;
    case 'knife-set':
      return `${edge.count} of ${edge.bevelDeg}° · ${length(edge.lengthMm)}`;
    case 'scraping':
      return `${edge.bevelDeg}° · burr on the ${edge.burrSide} · ${length(edge.lengthMm)}`;
  }
}
