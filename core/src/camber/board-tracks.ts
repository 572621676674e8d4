import { formatNumber } from '../base/number.js';
import { sinDeg, toDeg } from '../base/trig.js';
import { insist } from '../base/refusal.js';

export interface BoardTracksInput {
  readonly widthMm: number;
  readonly bedDeg: number;
  /** The step left along each side of a pass, felt or measured, mm; 0 for none. */
  readonly leftMm: number;
  readonly rightMm: number;
  /** From one ridge to the next across the board, where they repeat. */
  readonly spacingMm?: number;
  /** A raised line inside a pass, mm high. */
  readonly lineMm?: number;
}

type TrackCause = 'tilted' | 'too-flat' | 'nicked' | 'none';

/** One thing a board's tracks say, with its cheapest cure first. */
interface TrackFinding {
  readonly cause: TrackCause;
  readonly says: string;
  readonly cures: readonly string[];
  /** How far the iron is tilted to the sole, how much camber it lacks, how deep its nick: degrees or mm. */
  readonly figure?: number;
}

/** A step no finger feels, mm (common practice speaks of a hundredth; no source). */
const FELT_MM = 0.005;

/**
 * What ridges on a planed board say of the iron: one side higher than the other is tilt, what both have is
 * want of camber, a raised line inside a pass is a nick. Plane geometry: a corner that cuts h deep stands h
 * below the sole, and h/sin β short along the back. Which cure is cheapest is common practice.
 * @throws Refusal on `spacingMm` wider than the iron, on `leftMm` where there are ridges of no height
 */
export function boardTracks(input: BoardTracksInput): readonly TrackFinding[] {
  const { widthMm, bedDeg, leftMm, rightMm, spacingMm, lineMm = 0 } = input;
  insist(
    spacingMm === undefined || spacingMm <= widthMm,
    'spacingMm',
    `Ridges ${spacingMm} mm apart are not this iron’s: it is ${widthMm} mm wide and leaves them no further apart.`,
  );
  insist(
    spacingMm === undefined || Math.max(leftMm, rightMm, lineMm) > 0,
    'leftMm',
    'Ridges that far apart but of no height contradict each other: say how high they stand.',
  );
  const tilt = Math.abs(leftMm - rightMm);
  const both = Math.min(leftMm, rightMm);
  const deep = leftMm > rightMm ? 'left' : 'right';
  const short = (mm: number): string => `${formatNumber(mm * 1000, 0)} µm`;
  const found: TrackFinding[] = [];
  if (tilt > FELT_MM) {
    found.push({
      cause: 'tilted',
      figure: toDeg(Math.atan(tilt / widthMm)),
      says: `The ${deep} side of each pass lies ${short(tilt)} deeper: the iron is tilted in the plane.`,
      cures: [
        `Move the lateral lever until the ${deep} corner comes up; it costs nothing.`,
        'If it comes back, the edge is out of square: read it with the caliper and hone the other side more.',
      ],
    });
  }
  if (both > FELT_MM) {
    found.push({
      cause: 'too-flat',
      figure: both / sinDeg(bedDeg),
      says: `Both sides of a pass leave a step of ${short(both)}: the corners dig in. The edge lacks about ${short(both / sinDeg(bedDeg))} of camber for this shaving.`,
      cures: [
        'Take a thinner shaving; with a fine one the corners may stay out.',
        'Ease the two corners with a few strokes each.',
        'Give it more camber: outer places, by the plan under Make.',
      ],
    });
  }
  if (lineMm > FELT_MM) {
    found.push({
      cause: 'nicked',
      figure: lineMm / sinDeg(bedDeg),
      says: `A raised line inside the pass is a nick about ${short(lineMm / sinDeg(bedDeg))} deep in the edge.`,
      cures: [
        'Shift the next pass so that sound edge goes over the line; good enough to finish the board.',
        'Hone it out; past about half a millimetre grind it.',
      ],
    });
  }
  if (found.length > 0) return found;
  return [{ cause: 'none', says: 'No step a finger would feel: leave the iron as it is.', cures: [] }];
}
