import { edgeChain } from '../blade/chain.js';
import type { Point } from '../blade/section.js';
import type { Edge } from '../blade/edge.js';
import type { GuideGeometry } from './guide.js';
import { backHeightMm } from './seat-offsets.js';

/** A blade in a guide on a stone: x along the stone away from the edge, y up from the abrasive, mm. */
interface GuidePose {
  readonly blade: readonly Point[];
  readonly axle: Point;
  readonly rollerRadiusMm: number;
  /** Where the roller runs: 0 on the abrasive, lower beside it. */
  readonly rollerRunsAtMm: number;
  readonly edge: Point;
  /** The guide's nose, on the blade's back. */
  readonly nose: Point;
  /** Back of the blade above the axle, the far side of the guide's body. */
  readonly heel: Point;
}

interface GuidePoseInput {
  readonly guide: GuideGeometry;
  readonly angleDeg: number;
  readonly projectionMm: number;
  readonly edge: Edge;
  /** Of the blade in the seat, for one that holds the underside. */
  readonly thicknessMm?: number;
}

/**
 * Where everything is when a blade stands `projectionMm` out of a guide at `angleDeg`: the section
 * turned bevel down onto the stone, the edge at the origin.
 */
export function guidePose({ guide, angleDeg, projectionMm, edge, thicknessMm }: GuidePoseInput): GuidePose {
  const angle = (angleDeg * Math.PI) / 180;
  const place = (along: number, towardsStone: number): Point => ({
    x: along * Math.cos(angle) + towardsStone * Math.sin(angle),
    y: along * Math.sin(angle) - towardsStone * Math.cos(angle),
  });
  const reach = projectionMm + guide.noseMm;
  return {
    blade: edgeChain(edge, reach + guide.rollerRadiusMm).outline.map(({ x, y }) => place(x, y)),
    axle: place(reach, backHeightMm(guide, thicknessMm)),
    rollerRadiusMm: guide.rollerRadiusMm,
    rollerRunsAtMm: (guide.camRiseMm ?? 0) - (guide.rollerDropMm ?? 0),
    edge: { x: 0, y: 0 },
    nose: place(projectionMm, 0),
    heel: place(reach + guide.rollerRadiusMm, 0),
  };
}
