/** Radius, mm, of the circle through the ends of a chord and a point `sagittaMm` off its middle. */
export const arcRadiusMm = (chordMm: number, sagittaMm: number): number =>
  (chordMm ** 2 / 4 + sagittaMm ** 2) / (2 * sagittaMm);

/** How far an arc of a radius stands off its chord in the middle, mm; the chord is at most twice the radius. */
export const sagittaMm = (radiusMm: number, chordMm: number): number => {
  const half = chordMm / 2;
  // R − √(R² − h²), written so that a flat arc keeps its digits.
  return half ** 2 / (radiusMm + Math.sqrt(Math.max(0, radiusMm ** 2 - half ** 2)));
};
