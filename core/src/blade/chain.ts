import type { Edge } from './edge.js';
import { flatBacked, type FlatBacked } from './flat-backed.js';
import type { ChainFacet, EdgeChain } from './section.js';
import { twoSided } from './two-sided.js';

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
      return flatBacked(
        {
          ...plain(edge.thicknessMm, edge.bevelDeg),
          grind: 'hollow',
          ...(edge.grindRadiusMm !== undefined && { grindRadiusMm: edge.grindRadiusMm }),
        },
        bladeMm,
      );
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

const plain = (thicknessMm: number, primaryDeg: number): FlatBacked => ({
  thicknessMm,
  primaryDeg,
  grind: 'flat',
});

/** A flat-backed section of a curved or set edge keeps its angle in another field, or in none. */
function relabelled(chain: EdgeChain, angleField: string | undefined): EdgeChain {
  const rename = ({ angleField: _old, ...facet }: ChainFacet): ChainFacet =>
    angleField && facet.side === 'upper' ? { ...facet, angleField } : facet;
  return { ...chain, upper: chain.upper.map(rename), lower: chain.lower.map(rename) };
}
