/**
 * Pressure across a blade pressed at one place: a rigid strip on an elastic bed that takes no tension, like
 * an eccentrically loaded footing (the kern rule). Inside the middle third p = ½(1 + 3eu); outside it a
 * triangle from the loaded corner over 3(1 − |e|).
 * @param u place across the width, −1 to 1
 * @param e where the finger presses, −1 < e < 1
 * @returns pressure of a unit load; its integral over the width is 1
 */
export function fingerPressure(u: number, e: number): number {
  const off = Math.abs(e);
  if (off <= 1 / 3) return (1 + 3 * e * u) / 2;
  const long = 3 * (1 - off);
  const fromCorner = 1 - Math.sign(e) * u;
  return Math.max(0, (2 / long) * (1 - fromCorner / long));
}

/** How far the bed under a blade gives on the mean, µm: stone, film of slurry, blade and guide together (estimate). */
export const BED_GIVE_MM = 0.03;

/**
 * Pressure across a blade pressed in its middle while its edge is curved: the same bed, give
 * {@link BED_GIVE_MM} on the mean, under a parabola. Even where the curve is straight; the deeper it is, the
 * more the middle alone is worked, which is how too much camber is honed away.
 * @param bowMm sagitta of the edge; hollow edges count as straight
 */
export function middlePressure(u: number, bowMm: number): number {
  const c = Math.max(0, bowMm);
  const whole = BED_GIVE_MM + c / 3;
  // Touching only in the middle: ∫(h − cu²) from −√(h/c) to √(h/c) is 4h√(h/c)/3.
  const top = whole >= c ? whole : Math.pow(1.5 * BED_GIVE_MM * Math.sqrt(c), 2 / 3);
  return Math.max(0, top - c * u * u) / (2 * BED_GIVE_MM);
}
