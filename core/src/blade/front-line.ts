import { insist } from '../base/refusal.js';
import type { FrontLine } from './edge.js';

/** A place across the edge and how far it stands back from the foremost point, mm. */
export interface FrontPoint {
  readonly atMm: number;
  readonly backMm: number;
}

/**
 * The edge seen from the front, from −w/2 to w/2.
 * @throws Refusal on `radiusMm` when an arc is too tight for the width.
 */
export function frontProfile(front: FrontLine, widthMm: number, points = 41): readonly FrontPoint[] {
  const half = widthMm / 2;
  if (front.shape === 'arc') {
    insist(
      front.radiusMm >= half,
      'radiusMm',
      `An edge ${widthMm} mm wide cannot have a radius below ${half} mm; give a larger one.`,
    );
  }
  return Array.from({ length: points }, (_, i) => {
    const atMm = -half + (widthMm * i) / (points - 1);
    return { atMm, backMm: setBack(front, half, Math.abs(atMm)) };
  });
}

function setBack(front: FrontLine, half: number, off: number): number {
  switch (front.shape) {
    case 'straight':
      return 0;
    case 'arc':
      return front.radiusMm - Math.sqrt(Math.max(0, front.radiusMm ** 2 - off ** 2));
    case 'corners-relieved': {
      const into = Math.max(0, off - (half - front.widthMm)) / front.widthMm;
      return front.depthMm * into ** 2;
    }
  }
}
