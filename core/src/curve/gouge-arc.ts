import { arcRadiusMm } from '../base/arc.js';
import { toDeg } from '../base/trig.js';

interface GougeArcInput {
  /** Chord between the corners, on the surface that is measured. */
  readonly widthMm: number;
  /** Depth of the curve below that chord. */
  readonly depthMm: number;
}

interface GougeArc {
  readonly radiusMm: number;
  readonly arcDeg: number;
  /** Length along the curve. */
  readonly arcMm: number;
}

/** The arc of a gouge or another curved edge; past a half circle too. Plane geometry. */
export function gougeArc({ widthMm, depthMm }: GougeArcInput): GougeArc {
  const radiusMm = arcRadiusMm(widthMm, depthMm);
  const half = Math.atan2(widthMm / 2, radiusMm - depthMm);
  return { radiusMm, arcDeg: toDeg(2 * half), arcMm: 2 * radiusMm * half };
}
