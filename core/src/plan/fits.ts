import { servesShape, type Abrasive } from '../abrasive/abrasive.js';
import { shapeOfEdge, type Edge } from '../blade/edge.js';
import { gougeArc } from '../curve/gouge-arc.js';

/** A rod as tight as its hollow still goes in, within what a rule can tell, mm. */
const TIGHT_MM = 0.25;

/**
 * The radius of the hollow something round has to go into, mm: of a hook honed inside its own; of a gouge that of its arc
 * less its wall, for its bevel where that is inside, for the small one there where it is not. Nothing of any other edge.
 */
export function hollowOfMm(edge: Edge): number | undefined {
  if (edge.form === 'hook') return edge.make === 'flat-inside' ? undefined : edge.innerRadiusMm;
  if (edge.form !== 'gouge') return undefined;
  const innerMm = gougeArc(edge).radiusMm - edge.thicknessMm;
  return innerMm > 0 ? innerMm : undefined;
}

/** Only the small bevel of a gouge bevelled outside is honed in its hollow. */
const isHonedOutside = (edge: Edge): boolean => edge.form === 'gouge' && edge.cannel === 'out';

const isTooLarge = (hollowMm: number, radiusMm: number): boolean => radiusMm > hollowMm + TIGHT_MM;

/**
 * Why something round does not go into the hollow of an edge: larger than that it touches two lines and never the middle.
 * A little smaller is right (common practice, no source); nothing is said of what nobody measured.
 * @example tooLarge(hook, { radiusMm: 200 }) // 'Its radius of 200 mm is larger than the hollow’s 22: …'
 */
export function tooLarge(edge: Edge, { radiusMm }: Pick<Abrasive, 'radiusMm'>): string | undefined {
  const hollowMm = hollowOfMm(edge);
  if (hollowMm === undefined || radiusMm === undefined || isHonedOutside(edge)) return undefined;
  if (!isTooLarge(hollowMm, radiusMm)) return undefined;
  const hollow = Number(hollowMm.toFixed(1));
  return `Its radius of ${String(radiusMm)} mm is larger than the hollow’s ${String(hollow)}: it touches at two lines and never between them. Take one of ${String(hollow)} mm or a little less.`;
}

/** A channel so much wider than a gouge’s outside leaves its corners off the leather (estimate). */
const WIDE_SHARE = 1.5;

/**
 * Whether a profiled strop’s channel takes a gouge’s outside: no tighter than that, or it rides on its two corners, and
 * not half as wide again. True where nobody measured it, and of whatever has no outside curve.
 */
export function channelFits(edge: Edge, { radiusMm }: Pick<Abrasive, 'radiusMm'>): boolean {
  if (edge.form !== 'gouge' || edge.cannel !== 'out' || radiusMm === undefined) return true;
  const outsideMm = gougeArc(edge).radiusMm;
  return radiusMm >= outsideMm - TIGHT_MM && radiusMm <= WIDE_SHARE * outsideMm;
}

/** Something round so much tighter than its hollow touches but a narrow strip of it (estimate). */
const SMALL_SHARE = 0.6;

/** How something round goes into the hollow of an edge: a little under is right. */
export type RoundFit = 'fits' | 'small' | 'large';

/** The round abrasives that may go into an edge’s hollow, the best fitting first; nothing of what nobody measured. */
export function roundFits<S extends Pick<Abrasive, 'radiusMm' | 'kind' | 'serves'>>(
  edge: Edge,
  bench: readonly S[],
): readonly { readonly stone: S; readonly radiusMm: number; readonly fit: RoundFit }[] {
  const hollowMm = hollowOfMm(edge);
  if (hollowMm === undefined) return [];
  const shape = isHonedOutside(edge) ? 'inside-curve' : shapeOfEdge(edge);
  return bench
    .flatMap((stone) => {
      const { radiusMm } = stone;
      if (radiusMm === undefined || !servesShape(stone, shape)) return [];
      const small = radiusMm < SMALL_SHARE * hollowMm;
      const fit: RoundFit = isTooLarge(hollowMm, radiusMm) ? 'large' : small ? 'small' : 'fits';
      return [{ stone, radiusMm, fit }];
    })
    .sort((a, b) => Number(a.fit === 'large') - Number(b.fit === 'large') || b.radiusMm - a.radiusMm);
}
