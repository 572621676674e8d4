import { insist } from '../base/refusal.js';

interface RockerInput {
  readonly widthMm: number;
  readonly camberMm: number;
  /** From each knob to the jig's centre. */
  readonly knobSpacingMm: number;
  readonly threadPitchMm: number;
}

/**
 * How far each of a wet-wheel jig's two knobs is backed off so that it rocks both ways as far as the
 * corners of the curve need: the edge's slope there, 4c/w, times the knob's distance, over the pitch. A
 * quarter turn and a little more is common practice for a smoother.
 * @throws Refusal on `camberMm` past a half circle
 */
export function rocker({ widthMm, camberMm, knobSpacingMm, threadPitchMm }: RockerInput): {
  readonly turns: number;
} {
  shallow(camberMm, widthMm);
  return { turns: (knobSpacingMm * 4 * camberMm) / widthMm / threadPitchMm };
}

/** @throws Refusal on `camberMm` when a curve is deeper than half its width: past a half circle */
export function shallow(camberMm: number, widthMm: number): void {
  insist(
    camberMm <= widthMm / 2,
    'camberMm',
    () =>
      `A camber of ${camberMm} mm is past a half circle on an iron ${widthMm} mm wide: give ${widthMm / 2} mm or less.`,
  );
}
