import { hollowGrind } from '../blade/hollow-grind.js';
import { cosDeg, sinDeg, tanDeg } from '../base/trig.js';

/** A plane honed or ground on a side of a blade. */
interface Plane {
  /** To the back, or to the centre plane of a blade bevelled on both sides. */
  readonly deg: number;
  /** Where it meets that, mm behind the edge the side began with. */
  readonly atMm: number;
}

/** A hollow’s chord and the wheel that ground it; `atMm` is where the chord meets the back. */
export interface Hollow {
  readonly deg: number;
  readonly wheelRadiusMm: number;
  readonly atMm: number;
}

/**
 * One side of a blade in section, from the back (or the centre plane) at height 0 up to its thickness. What
 * was cut away lies before the deepest of its planes and the hollow a wheel left.
 */
export interface Profile {
  readonly thicknessMm: number;
  readonly planes: readonly Plane[];
  /** A hollow ground from edge to heel: its chord's angle and the wheel's radius. */
  readonly hollow?: Hollow | undefined;
}

/** A surface of the side: how far behind the first edge it lies at a height, and that summed up from 0. */
interface Surface {
  depth(height: number): number;
  sum(height: number): number;
}

/** A whole blade's thickness at most is looked for this closely, mm. */
const CLOSE_MM = 1e-9;

/**
 * Cross-section that planes and hollow have taken before the side, against a blade whose end stands upright at
 * the first edge, mm². Only differences mean something.
 * @example areaMm2({ thicknessMm: 3, planes: [{ deg: 45, atMm: 0 }] }) // 4.5
 */
export function areaMm2(profile: Profile): number {
  if (!profile.hollow) return measured(profile, -1).areaMm2;
  return deepest(profile).reduce(
    (sum, { surface, from, to }) => sum + surface.sum(to) - surface.sum(from),
    0,
  );
}

/** How far the side's edge lies behind the first one, mm. */
export function edgeAtMm({ planes, hollow }: Profile): number {
  let deepestMm = hollow?.atMm ?? -Infinity;
  for (const { atMm } of planes) deepestMm = Math.max(deepestMm, atMm);
  return deepestMm;
}

/** Length of a plane's faces along itself, mm; a hollow leaves it two. */
export function faceMm(profile: Profile, plane: number): number {
  const { deg } = profile.planes[plane] as Plane;
  if (!profile.hollow) return measured(profile, plane).height / sinDeg(deg);
  const height = deepest(profile)
    .filter(({ index }) => index === plane)
    .reduce((sum, { from, to }) => sum + to - from, 0);
  return height / sinDeg(deg);
}

/**
 * Area before a side of planes alone, and the height over which one of them is its surface: from the back up, the
 * next to lie deepest is always a flatter one.
 */
function measured(
  { planes, thicknessMm }: Profile,
  plane: number,
): { readonly areaMm2: number; readonly height: number } {
  const slopes = planes.map(({ deg }) => 1 / tanDeg(deg));
  const at = (i: number): number => (planes[i] as Plane).atMm;
  const slope = (i: number): number => slopes[i] as number;
  let here = 0;
  for (let i = 1; i < planes.length; i++) {
    if (at(i) > at(here) || (at(i) === at(here) && slope(i) > slope(here))) here = i;
  }
  let [from, area, height] = [0, 0, 0];
  while (from < thicknessMm) {
    let [to, next] = [thicknessMm, here];
    for (let i = 0; i < planes.length; i++) {
      if (slope(i) <= slope(here)) continue;
      const crossing = (at(here) - at(i)) / (slope(i) - slope(here));
      if (crossing < to || (crossing === to && next !== here && slope(i) > slope(next)))
        [to, next] = [crossing, i];
    }
    to = Math.max(from, Math.min(to, thicknessMm));
    area += (to - from) * (at(here) + (slope(here) * (from + to)) / 2);
    if (here === plane) height += to - from;
    if (next === here) break;
    [from, here] = [to, next];
  }
  return { areaMm2: area, height };
}

/** The side with one plane moved back by so much, mm; forward where it is negative. */
export function moved(profile: Profile, plane: number, byMm: number): Profile {
  const planes = profile.planes.map((each, i) => (i === plane ? { ...each, atMm: each.atMm + byMm } : each));
  return { ...profile, planes };
}

/**
 * The side once a plane has cut away a further cross-section, mm². A plane that did not touch it comes up to it
 * first.
 */
export function cutBy(profile: Profile, plane: number, steelMm2: number): Profile {
  if (steelMm2 <= 0) return profile;
  const first = both(profile, plane, 0);
  const from = first.height > 0 ? 0 : reachMm(profile, plane);
  const wanted = first.areaMm2 + steelMm2;
  // Steel rises with the way ever faster, by the height of the face: from beyond, Newton’s steps only come nearer.
  let byMm = from + (first.height > 1e-6 ? steelMm2 / first.height : 1e-3);
  let now = both(profile, plane, byMm);
  while (now.areaMm2 < wanted && byMm < 1e6) {
    byMm = from + 2 * (byMm - from);
    now = both(profile, plane, byMm);
  }
  // While the face grows evenly, the way is the root of a square equation.
  const growth = (now.height - first.height) / (byMm - from);
  const root = Math.sqrt(first.height ** 2 + 2 * growth * steelMm2);
  if (root > 0) {
    byMm = from + (2 * steelMm2) / (first.height + root);
    now = both(profile, plane, byMm);
  }
  for (let i = 0; i < 60; i++) {
    const step = (now.areaMm2 - wanted) / now.height;
    if (!(Math.abs(step) > 1e-11 * Math.max(1e-3, byMm))) break;
    byMm -= step;
    now = both(profile, plane, byMm);
  }
  return moved(profile, plane, byMm);
}

/** Area before the side and the height of a plane’s face, with that moved. */
const both = (
  profile: Profile,
  plane: number,
  byMm: number,
): { readonly areaMm2: number; readonly height: number } => {
  const there = byMm === 0 ? profile : moved(profile, plane, byMm);
  if (!profile.hollow) return measured(there, plane);
  return {
    areaMm2: areaMm2(there),
    height: faceMm(there, plane) * sinDeg((profile.planes[plane] as Plane).deg),
  };
};

/** The side with a plane moved to where its face is so long, mm; the longest there is where none is that long. */
export function withFace(profile: Profile, plane: number, faceLengthMm: number): Profile {
  if (faceLengthMm <= 0) return profile;
  const touching = moved(profile, plane, reachMm(profile, plane));
  const face = (byMm: number): number => faceMm(moved(touching, plane, byMm), plane);
  const whole = profile.thicknessMm / sinDeg((profile.planes[plane] as Plane).deg);
  return moved(touching, plane, rising(face, Math.min(faceLengthMm, whole - CLOSE_MM)));
}

/** How far back a plane has to go to touch the side somewhere, mm; 0 where it already does. */
function reachMm(profile: Profile, plane: number): number {
  if (!profile.hollow && measured(profile, plane).height > 0) return 0;
  const others = { ...profile, planes: profile.planes.filter((_, i) => i !== plane) };
  const surfaces = surfacesOf(others);
  if (surfaces.length === 0) return 0;
  const [own] = surfacesOf({ ...profile, hollow: undefined, planes: [profile.planes[plane] as Plane] });
  const gaps = [0, profile.thicknessMm, ...crossings(others)]
    .filter((height) => height >= 0 && height <= profile.thicknessMm)
    .map(
      (height) => Math.max(...surfaces.map((each) => each.depth(height))) - (own as Surface).depth(height),
    );
  return Math.max(0, Math.min(...gaps));
}

/** Where a function that only rises from 0 reaches a value. */
function rising(value: (by: number) => number, wanted: number): number {
  let [low, high] = [0, 1e-3];
  while (value(high) < wanted && high < 1e6) [low, high] = [high, 2 * high];
  for (let i = 0; i < 200 && high - low > CLOSE_MM * 1e-3 * Math.max(1, high); i++) {
    const middle = (low + high) / 2;
    if (value(middle) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** The deepest surface at every height, in pieces from below; `index` is a plane's, or −1 for the hollow. */
function deepest(profile: Profile): readonly {
  readonly surface: Surface;
  readonly index: number;
  readonly from: number;
  readonly to: number;
}[] {
  const surfaces = surfacesOf(profile);
  const heights = [0, profile.thicknessMm, ...crossings(profile)]
    .filter((height) => height >= 0 && height <= profile.thicknessMm)
    .sort((a, b) => a - b);
  return heights.slice(1).flatMap((to, i) => {
    const from = heights[i] as number;
    if (to - from <= 0) return [];
    const depths = surfaces.map((surface) => surface.depth((from + to) / 2));
    const first = depths.indexOf(Math.max(...depths));
    const surface = surfaces[first] as Surface;
    return [{ surface, index: profile.hollow ? first - 1 : first, from, to }];
  });
}

function surfacesOf({ planes, hollow, thicknessMm }: Profile): readonly Surface[] {
  const flat = planes.map(({ deg, atMm }): Surface => {
    const slope = 1 / tanDeg(deg);
    return {
      depth: (height) => atMm + height * slope,
      sum: (height) => height * (atMm + (height * slope) / 2),
    };
  });
  return hollow ? [arcOf(hollow, thicknessMm), ...flat] : flat;
}

interface Circle {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** The wheel, edge and heel on its rim, standing before the blade. */
function wheelOf({ deg, wheelRadiusMm: r, atMm }: Hollow, thicknessMm: number): Circle {
  const { faceMm: chord } = hollowGrind({ wheelRadiusMm: r, thicknessMm, bevelDeg: deg });
  const away = Math.sqrt(r * r - (chord / 2) ** 2);
  return {
    x: atMm + (chord / 2) * cosDeg(deg) - away * sinDeg(deg),
    y: (chord / 2) * sinDeg(deg) + away * cosDeg(deg),
    r,
  };
}

function arcOf(hollow: Hollow, thicknessMm: number): Surface {
  const { x, y, r } = wheelOf(hollow, thicknessMm);
  const off = (v: number): number => Math.sqrt(Math.max(0, r * r - v * v));
  const foot = off(y);
  return {
    depth: (height) => x + off(height - y),
    // Under the circle from the foot to a height: half of v·√(r² − v²) + r²·asin(v/r), as differences that stay exact
    // where a sliver of a large wheel is left.
    sum: (height) => {
      const [from, to] = [-y, height - y];
      const [here, span, both] = [off(to), height, to + from];
      const lower = foot + here > 0 ? (-span * both) / (here + foot) : 0;
      const chord = (span * (here + foot)) / 2 + (both * lower) / 2;
      const turn = Math.asin(Math.min(1, Math.max(-1, (span * foot - from * lower) / (r * r))));
      return x * height + (chord + r * r * turn) / 2;
    },
  };
}

/** Heights at which two surfaces cross. */
function crossings({ planes, hollow, thicknessMm }: Profile): readonly number[] {
  const flat = planes.flatMap((one, i) =>
    planes.slice(i + 1).map((other) => {
      const slopes = 1 / tanDeg(one.deg) - 1 / tanDeg(other.deg);
      return slopes === 0 ? NaN : (other.atMm - one.atMm) / slopes;
    }),
  );
  if (!hollow) return flat.filter(Number.isFinite);
  const { x, y, r } = wheelOf(hollow, thicknessMm);
  const round = planes.flatMap(({ deg, atMm }) => {
    // x = at + h·cot θ on the circle: a square equation in h.
    const slope = 1 / tanDeg(deg);
    const [a, half, c] = [slope * slope + 1, slope * (atMm - x) - y, (atMm - x) ** 2 + y * y - r * r];
    const root = Math.sqrt(half * half - a * c);
    return [(-half - root) / a, (-half + root) / a];
  });
  return [...flat, ...round].filter(Number.isFinite);
}
