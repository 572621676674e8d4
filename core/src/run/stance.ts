import { edgeChain } from '../blade/chain.js';
import type { Point } from '../blade/section.js';
import type { Edge } from '../blade/edge.js';
import { facetsOf } from '../guide/facet-settings.js';
import { cosDeg, sinDeg, toDeg } from '../base/trig.js';
import { unlessRefused } from '../base/refusal.js';
import { facetsNow, unworked } from '../work/edge-at-work.js';
import { byTurns, taperDeg } from '../work/sides.js';

/** Which surface of a blade lies on the abrasive: of two sides the first or the other, a ground primary, the secondary under a micro-bevel, a knife’s body, the back. */
export type Face = 'bevel' | 'other' | 'primary' | 'secondary' | 'body' | 'back' | 'inside';

/**
 * A blade on an abrasive seen from its side, mm: the edge at the origin, x along the abrasive away from it, y up
 * from its surface. A burr raised so stands on the side that looks up.
 */
interface Stance {
  readonly blade: readonly Point[];
  /** Between the blade’s axis and the abrasive. */
  readonly angleDeg: number;
  /** Where a finger presses, on the side that looks up. */
  readonly press: Point;
}

/** A finger lies this far up the stretch of blade that is drawn. */
const FINGER = 0.45;

/**
 * How a blade lies on an abrasive: the face named flat on it, at its own angle; of two sides the other one turned
 * over; a back flat with the bevel up.
 * @param bladeMm how much blade to draw behind the heel; a knife’s whole width without it
 * @param lowerDeg laid so much lower than its bevel, on a strop that gives
 * @returns undefined where no blade has this edge
 * @example stanceOf(chisel, 'bevel', 12)?.angleDeg // 30, its secondary
 */
export function stanceOf(edge: Edge, face: Face, bladeMm?: number, lowerDeg = 0): Stance | undefined {
  const outline = face === 'body' ? taperedOutline(edge) : undefined;
  const chain = unlessRefused(() => edgeChain(edge, bladeMm));
  if (!chain) return undefined;
  const blade = outline ?? chain.outline;
  const angleDeg = Math.max(0, (outline ? bodyDegOf(outline) : faceDeg(edge, face)) - lowerDeg);
  // A back lies as it is drawn, and so does the other side; a bevel is turned down onto the abrasive.
  const turn =
    face === 'back' ||
    face === 'inside' ||
    (face === 'other' && chain.lower.some(({ name }) => name === 'right'))
      ? 1
      : -1;
  const place = ({ x, y }: Point): Point => ({
    x: x * cosDeg(angleDeg) - turn * y * sinDeg(angleDeg),
    y: x * sinDeg(angleDeg) + turn * y * cosDeg(angleDeg),
  });
  const reach = Math.max(...blade.map(({ x }) => x));
  const top = Math.max(...blade.map(({ y }) => turn * y));
  const lain = blade.map(place);
  // On its body the heels of its facets lie down, and its edge is clear of the stone.
  const upMm = face === 'body' ? -Math.min(...lain.map(({ y }) => y)) : 0;
  const lifted = ({ x, y }: Point): Point => ({ x, y: y + upMm });
  return {
    blade: lain.map(lifted),
    angleDeg,
    press: lifted(place({ x: FINGER * reach, y: turn * top })),
  };
}

/** A knife from its edge to its spine, its facets as long as they are at first; nothing of any other edge. */
function taperedOutline(edge: Edge): readonly Point[] | undefined {
  if (edge.form !== 'knife') return undefined;
  const { widthMm, spineMm } = edge;
  const heel = (side: 'left' | 'right', deg: number): Point => {
    const { lengthMm = 0 } = facetsNow(edge, unworked(edge)).find(({ facet }) => facet === side) ?? {};
    return { x: lengthMm * cosDeg(deg), y: (side === 'left' ? 1 : -1) * lengthMm * sinDeg(deg) };
  };
  return [
    { x: 0, y: 0 },
    heel('right', edge.rightDeg),
    { x: widthMm, y: -spineMm / 2 },
    { x: widthMm, y: spineMm / 2 },
    heel('left', edge.leftDeg),
  ];
}

/** How its body leans to its centre plane, from the heel of its left facet to its spine. */
function bodyDegOf(outline: readonly Point[]): number {
  const [spine, heel] = outline.slice(-2) as [Point, Point];
  return toDeg(Math.atan2(spine.y - heel.y, spine.x - heel.x));
}

function faceDeg(edge: Edge, face: Face): number {
  const angles = facetsOf(edge).map(({ angleDeg }) => angleDeg);
  const [first, last] = [angles[0] ?? 0, angles.at(-1) ?? 0];
  if (face === 'back') return 0;
  if (face === 'inside') return edge.form === 'gouge' ? (edge.counterBevelDeg ?? 0) : 0;
  if (face === 'primary') return first;
  if (face === 'secondary') return edge.form === 'single-bevel' ? (edge.secondaryDeg ?? last) : last;
  // Of two sides the first is the left one; of one side the steepest facet meets the edge.
  return byTurns(edge) && face === 'bevel' ? first : last;
}

/** A stroke that rolls, degrees to the stone: where it begins and where it ends. */
interface Roll {
  readonly fromDeg: number;
  readonly toDeg: number;
}

/**
 * A convex facet is laid flat on what lies behind it and tipped as the stroke comes, until at its end it lies at the
 * angle of the very edge; on a strop it keeps that angle all the way (common practice, no source).
 * @returns undefined of any other edge
 * @example rollOf(chipKnife, 'bevel') // 3.96 to 10, of a blade 13 mm wide and 1.8 mm at its spine
 */
export function rollOf(edge: Edge, face: Face): Roll | undefined {
  if (!('grind' in edge) || edge.grind !== 'convex' || face === 'back' || face === 'body') return undefined;
  const fromDeg = edge.form === 'knife' ? taperDeg(edge) : 0;
  const to = faceDeg(edge, face);
  return to > fromDeg ? { fromDeg, toDeg: to } : undefined;
}
