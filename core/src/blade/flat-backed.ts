import { insist } from '../base/refusal.js';
import { cosDeg, sinDeg } from '../base/trig.js';
import { backBevelDeg, type SingleBevelEdge } from './edge.js';
import { bevelArc, chord, steps } from './ground-face.js';
import { ASSUMED_LAND_MM } from './land-growth.js';
import { ASSUMED, type ChainFacet, type EdgeChain, type FacetName, type Point } from './section.js';

/** What the section of a flat-backed edge rests on; a gouge, a V and a scraper have one too, in fields of their own. */
export type FlatBacked = Pick<
  SingleBevelEdge,
  | 'thicknessMm'
  | 'primaryDeg'
  | 'secondaryDeg'
  | 'microDeg'
  | 'landMm'
  | 'microLandMm'
  | 'grind'
  | 'grindRadiusMm'
> &
  Partial<
    Pick<
      SingleBevelEdge,
      'back' | 'polishedMm' | 'hollowMm' | 'hollows' | 'hollowDeepMm' | 'shimMm' | 'shimAtMm' | 'form'
    >
  >;

const EDGE: Point = { x: 0, y: 0 };

/** Shorter than this nothing is there, mm. */
const NOTHING_MM = 1e-9;

/**
 * The section of a flat-backed edge, its back along the axis.
 * @param bladeMm how much blade to draw behind the heel
 * @param counterDeg a bevel on the other side, of the counter's usual length
 */
export function flatBacked(edge: FlatBacked, bladeMm?: number, counterDeg?: number): EdgeChain {
  const { thicknessMm, primaryDeg } = edge;
  insist(thicknessMm > 0, 'thicknessMm', 'A blade has some thickness: give more than 0 mm.');
  insist(primaryDeg > 0 && primaryDeg < 90, 'primaryDeg', 'Choose a primary angle between 0° and 90°.');
  const under = underside(edge, counterDeg);
  const dropMm = -(under?.points.at(-1)?.y ?? 0);
  const honed = honedFacets(edge, thicknessMm - dropMm);
  const { primary, lost } = ground(edge, honed, dropMm);
  const upper = primary.lengthMm > NOTHING_MM ? [...honed, primary] : honed;
  const heelMm = endOf(upper).x;
  const endMm = heelMm + (bladeMm ?? Math.max(heelMm * 0.5, thicknessMm));
  const lower = [...(under ? [under] : []), ...polished(edge, endMm)];
  const downUnder = under ? under.points.slice(1) : [];
  const downHoned = downFrom(honed);
  return {
    upper,
    lower,
    outline: [
      EDGE,
      ...downUnder,
      ...hollowIn(edge, endMm),
      { x: endMm, y: hollowAt(edge, endMm) - dropMm },
      { x: endMm, y: thicknessMm - dropMm },
      ...downFrom(upper).slice(0, -1),
    ],
    gone: downHoned.length > 1 || under ? [...lost, ...downHoned.slice(1), ...downUnder] : [],
    heelMm,
    thicknessMm,
  };
}

/** The bevel on the other side, which lifts the edge off the plane of the back; no deeper than half the blade. */
function underside(edge: FlatBacked, counterDeg: number | undefined): ChainFacet | undefined {
  const counter = counterDeg !== undefined;
  const deg = counterDeg ?? (isBlade(edge) ? backBevelDeg(edge) : 0);
  if (deg <= 0) return undefined;
  const wantedMm = counter ? ASSUMED.counterMm : (edge.polishedMm ?? ASSUMED.backBevelMm);
  return straight(EDGE, -deg, Math.min(wantedMm, edge.thicknessMm / 2 / sinDeg(deg)), {
    ...(counter
      ? { name: 'counter', angleField: 'counterBevelDeg' }
      : { name: 'back-bevel', lengthField: 'polishedMm' }),
  });
}

/** A facet honed on the ground bevel: what it is called, its angle and length, and their fields. */
interface Honed {
  readonly name: FacetName;
  readonly deg: number;
  readonly lengthMm: number;
  readonly angleField: string;
  readonly lengthField: string;
}

/** The facets honed on the bevel, from the edge up, as far as the blade is thick. */
function honedFacets(edge: FlatBacked, topMm: number): readonly ChainFacet[] {
  const { microDeg, microLandMm, secondaryDeg, landMm } = edge;
  const micro: Honed | undefined =
    microDeg === undefined
      ? undefined
      : {
          name: 'micro',
          deg: microDeg,
          lengthMm: microLandMm ?? ASSUMED.microLandMm,
          angleField: 'microDeg',
          lengthField: 'microLandMm',
        };
  const secondary: Honed | undefined =
    secondaryDeg === undefined
      ? undefined
      : {
          name: 'secondary',
          deg: secondaryDeg,
          lengthMm: landMm ?? ASSUMED_LAND_MM,
          angleField: 'secondaryDeg',
          lengthField: 'landMm',
        };
  const wanted = [micro, secondary].filter((each) => each !== undefined);
  wanted.forEach(({ name, deg, angleField }, i) => {
    insist(
      deg > edge.primaryDeg && deg < (wanted[i - 1]?.deg ?? 90),
      angleField,
      `Each bevel nearer the edge is steeper than the one behind it: the ${name} at ${deg}° is not.`,
    );
  });
  return wanted.reduce<readonly ChainFacet[]>((upper, { deg, lengthMm, ...kept }) => {
    const from = endOf(upper);
    const long = Math.min(lengthMm, (topMm - from.y) / sinDeg(deg));
    return long > NOTHING_MM ? [...upper, straight(from, deg, long, kept)] : upper;
  }, []);
}

/**
 * The primary from where the honed facets end to the heel, on the line or the arc it was ground to; and the part
 * of that line ahead of it, from the back up, that is gone.
 */
function ground(
  edge: FlatBacked,
  honed: readonly ChainFacet[],
  dropMm: number,
): { readonly primary: ChainFacet; readonly lost: readonly Point[] } {
  const { thicknessMm, primaryDeg, grind } = edge;
  const angleField = isBlade(edge) ? 'primaryDeg' : 'bevelDeg';
  const arc = bevelArc(edge, thicknessMm, primaryDeg, angleField);
  const from = endOf(honed);
  const fromMm = from.y + dropMm;
  const metBackAt = from.x - arc(fromMm);
  insist(
    metBackAt <= NOTHING_MM || honed.length === 0,
    honed.at(-1)?.angleField ?? 'grindRadiusMm',
    'A bevel rounded this much is steeper at its edge than the facet honed on it: flatten the rounding or hone steeper.',
  );
  const faceBetween = (low: number, high: number): readonly Point[] =>
    steps(low, high, grind).map((height) => ({ x: metBackAt + arc(height), y: height - dropMm }));
  const face = faceBetween(fromMm, thicknessMm);
  const primary: ChainFacet = {
    name: 'primary',
    side: 'upper',
    angleDeg: primaryDeg,
    lengthMm: chord(face),
    points: [from, ...face.slice(1)],
    angleField,
  };
  return { primary, lost: faceBetween(0, fromMm) };
}

/** How high the back’s hollow stands over its plane at a distance from the edge, mm; an arc as flat as this one is a parabola. */
function hollowAt(edge: FlatBacked, atMm: number): number {
  const { back, polishedMm = ASSUMED.rimMm, hollowMm, hollows = 1, hollowDeepMm = 0 } = edge;
  if (!isBlade(edge) || back !== 'hollowed' || !hollowMm) return 0;
  const from = ((atMm - polishedMm) / hollowMm) * hollows;
  const along = from % 1;
  return from > 0 && from < hollows ? 4 * hollowDeepMm * along * (1 - along) : 0;
}

/** The line of that hollow as far as the blade is drawn. */
function hollowIn(edge: FlatBacked, endMm: number): readonly Point[] {
  const { polishedMm = ASSUMED.rimMm, hollowMm = 0, hollows = 1 } = edge;
  const each = hollowMm / hollows;
  if (hollowAt(edge, polishedMm + each / 2) === 0) return [];
  return Array.from({ length: hollows }, (_, i) => polishedMm + i * each)
    .flatMap((from) => steps(from, from + each, 'hollow'))
    .filter((x) => x < endMm)
    .map((x) => ({ x, y: hollowAt(edge, x) }));
}

/** What of the back is polished: the whole of it, a rim behind the edge, nothing where a shim lifted it. */
function polished(edge: FlatBacked, endMm: number): readonly ChainFacet[] {
  const { back = 'flat', polishedMm = ASSUMED.rimMm } = edge;
  if (!isBlade(edge) || back === 'shim') return [];
  const rim = back !== 'flat';
  const lengthMm = rim ? Math.min(polishedMm, endMm) : endMm;
  return [
    straight(EDGE, 0, lengthMm, { name: 'polished', ...(rim && { lengthField: 'polishedMm' }) }, 'lower'),
  ];
}

/** A straight facet from a point, at an angle above the axis or, less than 0, below it. */
function straight(
  from: Point,
  deg: number,
  lengthMm: number,
  kept: Pick<ChainFacet, 'name' | 'angleField' | 'lengthField'>,
  side: ChainFacet['side'] = deg < 0 ? 'lower' : 'upper',
): ChainFacet {
  const to = { x: from.x + lengthMm * cosDeg(deg), y: from.y + lengthMm * sinDeg(deg) };
  return { side, angleDeg: Math.abs(deg), lengthMm, points: [from, to], ...kept };
}

const isBlade = (edge: FlatBacked): edge is SingleBevelEdge => edge.form === 'single-bevel';

/** Where facets that begin at the edge end. */
const endOf = (facets: readonly ChainFacet[]): Point => facets.at(-1)?.points.at(-1) ?? EDGE;

/** The points of facets from their end down to the edge. */
const downFrom = (facets: readonly ChainFacet[]): readonly Point[] => [
  ...facets.flatMap(({ points }) => points.slice(1)).reverse(),
  EDGE,
];
