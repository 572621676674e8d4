import type { DoubleBevelEdge, Edge, KnifeEdge, SingleBevelEdge } from './edge.js';
import { FAMILIES, type Family, familyFacts } from './families.js';
import type { Tool } from './tool.js';

/** A family’s usual edge, to begin with (common practice; sizes of curved edges are examples). */
export function usualEdge(family: Family): Edge {
  const { form, widthMm, thicknessMm, primaryDeg, secondaryDeg } = familyFacts(family);
  const [deg] = primaryDeg;
  switch (form) {
    case 'single-bevel':
      return {
        form,
        widthMm,
        thicknessMm,
        primaryDeg: deg,
        ...(secondaryDeg && { secondaryDeg: secondaryDeg[0] }),
        grind: 'flat',
        back: 'flat',
        front: family === 'scrub-iron' ? { shape: 'arc', radiusMm: 75 } : { shape: 'straight' },
      } satisfies SingleBevelEdge;
    case 'double-bevel':
      return {
        form,
        widthMm,
        thicknessMm,
        leftDeg: deg,
        rightDeg: deg,
        skewDeg: family === 'skew' ? 25 : 0,
        grind: 'flat',
      } satisfies DoubleBevelEdge;
    case 'knife':
      return {
        form,
        lengthMm: 80,
        widthMm,
        spineMm: thicknessMm,
        leftDeg: deg,
        rightDeg: deg,
        grind: 'flat',
      } satisfies KnifeEdge;
    case 'gouge':
      return {
        form,
        widthMm,
        depthMm: widthMm / 4,
        thicknessMm,
        cannel: 'out',
        bevelDeg: deg,
        counterBevelDeg: 5,
      };
    case 'v':
      return { form, wingMm: 9, openingDeg: 60, thicknessMm, bevelDeg: deg, keelRadiusMm: 0.4 };
    case 'hook':
      return { form, make: 'hollow-inside', lengthMm: 55, innerRadiusMm: 22, thicknessMm, includedDeg: deg };
    case 'knife-set':
      return { form, count: 3, lengthMm: 260, widthMm, thicknessMm, bevelDeg: deg };
    case 'scraping':
      return { form, lengthMm: 60, thicknessMm, bevelDeg: deg, burrSide: 'right' };
  }
}

/** A tool of a family as it usually is, named after it. */
export const usualTool = (family: Family): Tool => ({
  name: FAMILIES[family].label,
  family,
  steel: 'high-carbon',
  edge: usualEdge(family),
});
