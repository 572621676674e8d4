import { insist } from '../base/refusal.js';
import { sinDeg, toDeg } from '../base/trig.js';

/** What of a curved face is rubbed at once: as far as it lies no further off the stone than this, mm (estimate). */
export const PATCH_DEEP_MM = 0.01;

/** A curved edge on a flat stone, or on something round inside its own curve. */
export interface RolledInput {
  /** Radius of the edge’s curve, on the face that is honed, and its length along that, mm. */
  readonly radiusMm: number;
  readonly arcMm: number;
  readonly bevelDeg: number;
  /** Of a rod or slip inside it, mm; flat where there is none. */
  readonly rodRadiusMm?: number;
  /** How much of each patch the next one covers again, 0 to under 1; a third unless said. */
  readonly overlap?: number;
  /** Its corners kept, unless they are to be eased: then the roll goes on over them. */
  readonly corners?: 'kept' | 'eased';
}

/** How a curved edge is rolled so that every part of it is rubbed, and no corner more than it should. */
export interface Rolled {
  /** What touches at once, along the edge, mm. */
  readonly patchMm: number;
  /** Places it is laid at so that the patches cover the edge; a roll passes through all of them. */
  readonly places: number;
  /** From one place to the next, and from the first to the last, degrees about the curve’s middle. */
  readonly stepDeg: number;
  readonly turnDeg: number;
  /** The middle of each patch along the edge, from its middle, mm. */
  readonly atMm: readonly number[];
}

const USUAL_OVERLAP = 1 / 3;

/**
 * How a curved edge is rolled over its abrasive. Two curves that touch lie within δ of each other over a chord of
 * 2√(2Rδ/sin θ), R the radius of one against the other: 1/R = 1/r less 1/R₀ for a rod of radius r inside a hollow R₀.
 * The outer patches end at the corners; to ease these, their middles lie on them. Hertz’s geometry of contact, the
 * bevel seen along the blade; δ is an estimate.
 * @throws Refusal on `rodRadiusMm` for a rod that is larger than its hollow, on `overlap` out of 0 to 1
 * @example rolled({ radiusMm: 12.5, arcMm: 23.182, bevelDeg: 22 }) // a patch 1.63 mm wide, 21 places, 98.8° in all
 */
export function rolled({
  radiusMm,
  arcMm,
  bevelDeg,
  rodRadiusMm,
  overlap = USUAL_OVERLAP,
  corners = 'kept',
}: RolledInput): Rolled {
  insist(radiusMm > 0 && arcMm > 0, 'radiusMm', 'A curved edge has a radius and a length: measure them.');
  insist(
    overlap >= 0 && overlap < 1,
    'overlap',
    'Let each patch cover something new: less than all of the last.',
  );
  insist(
    rodRadiusMm === undefined || rodRadiusMm <= radiusMm,
    'rodRadiusMm',
    'Larger than its hollow it touches at two lines and never between them: take one that goes in.',
  );
  const againstMm = rodRadiusMm === undefined ? radiusMm : 1 / Math.max(1e-9, 1 / rodRadiusMm - 1 / radiusMm);
  const wholeMm = 2 * Math.sqrt((2 * againstMm * PATCH_DEEP_MM) / sinDeg(bevelDeg));
  const patchMm = Math.min(wholeMm, arcMm);
  const spanMm = corners === 'eased' ? arcMm : arcMm - patchMm;
  const places = 1 + Math.ceil(spanMm / (patchMm * (1 - overlap)) - 1e-9);
  const stepMm = places > 1 ? spanMm / (places - 1) : 0;
  return {
    patchMm,
    places,
    stepDeg: toDeg(stepMm / radiusMm),
    turnDeg: toDeg(spanMm / radiusMm),
    atMm: Array.from({ length: places }, (_, i) => i * stepMm - spanMm / 2),
  };
}
