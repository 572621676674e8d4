import type { Point } from '../blade/section.js';
import { cosDeg, sinDeg, tanDeg } from '../base/trig.js';
import { hollowGrind, honedHollow, type HollowGrindInput } from '../blade/hollow-grind.js';

/** A hollow bevel drawn: the edge began at the origin, the back lies along the x axis, steel above it. */
interface HollowSection {
  /** The blade's outline, from the edge up the bevel. */
  readonly outline: readonly Point[];
  /** The flats the stone has made, at the edge and at the heel; one when they have met. */
  readonly rims: readonly (readonly Point[])[];
  readonly wheel: { readonly centre: Point; readonly radiusMm: number };
}

const CHORDS = 48;

/**
 * The section of a hollow bevel after some honing on its rims, for drawing.
 * @param lengthMm of blade to draw
 */
export function hollowSection(input: HollowGrindInput, recessionMm: number, lengthMm: number): HollowSection {
  const { wheelRadiusMm: r, thicknessMm: t, bevelDeg } = input;
  const { faceMm, depthMm: sagitta } = hollowGrind(input);
  const { depthMm } = honedHollow(input, recessionMm);
  const [c, s] = [cosDeg(bevelDeg), sinDeg(bevelDeg)];
  const off = recessionMm * s;
  /** From along the face and into the steel. */
  const at = (u: number, v: number): Point => ({ x: u * c + v * s, y: u * s - v * c });
  const half = Math.sqrt(Math.max(0, (2 * r - depthMm) * depthMm));
  const [edge, heel] = [at(off / tanDeg(bevelDeg), off), at((t + off * c) / s, off)];
  const [from, to] = [faceMm / 2 - half, faceMm / 2 + half];
  const depthAt = (u: number): number => Math.sqrt(r ** 2 - (u - faceMm / 2) ** 2) - (r - sagitta);
  const hollow =
    depthMm > 1e-9
      ? Array.from({ length: CHORDS + 1 }, (_, i) => {
          const u = from + ((to - from) * i) / CHORDS;
          return at(u, depthAt(u));
        })
      : [];
  const [first, last] = [hollow[0], hollow.at(-1)];
  return {
    outline: [edge, ...hollow, heel, { x: lengthMm, y: t }, { x: lengthMm, y: 0 }],
    rims:
      first && last
        ? [
            [edge, first],
            [last, heel],
          ]
        : [[edge, heel]],
    wheel: { centre: at(faceMm / 2, -(r - sagitta)), radiusMm: r },
  };
}
