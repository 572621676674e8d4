/** How far the bed under a blade gives on the mean, mm: stone, film of slurry, blade and guide together (estimate). */
export const BED_GIVE_MM = 0.03;

/**
 * Pressure across a blade pressed at one place: a rigid strip on an elastic bed that takes no tension, like an
 * eccentrically loaded footing. A straight edge follows the kern rule: inside the middle third p = ½(1 + 3eu),
 * outside it a triangle from the loaded corner over 3(1 − |e|). A curved edge lies on the same bed, which gives
 * {@link BED_GIVE_MM} on the mean, under a parabola: p(u) = (a + bu − cu²)/2g where that is above 0, a and b from
 * the load and its moment. The deeper the curve, the smaller the patch that is worked: under a finger in the
 * middle, how too much camber is honed away.
 * @param e where the finger presses, −1 < e < 1
 * @param bowMm sagitta of the edge; hollow edges count as straight
 * @returns pressure of a unit load at a place −1 to 1; its integral over the width is 1, its centre e
 */
export function fingerPressure(e: number, bowMm = 0): (u: number) => number {
  const c = Math.max(0, bowMm);
  const g = BED_GIVE_MM;
  const off = Math.abs(e);
  const side = e < 0 ? -1 : 1;
  const mean = g + c / 3;
  const slope = 3 * g * off;
  // Bearing from corner to corner.
  if (mean - slope - c >= 0) return (u) => (mean + slope * side * u - c * u * u) / (2 * g);
  // Bearing nowhere near a corner: a cap of the parabola about the finger, 4cq³/3 = 2g.
  const half = c > 0 ? Math.cbrt((1.5 * g) / c) : Infinity;
  if (off + half <= 1) return (u) => Math.max(0, (c * (half * half - (u - e) ** 2)) / (2 * g));
  // Bearing from the loaded corner inwards over s, where c·s⁴/36 + 2g·s/3 = 2g(1 − |e|).
  const s = bearingLength(c / 36, (2 * g) / 3, 2 * g * (1 - off));
  const fall = (2 * ((2 * g) / s + (c * s * s) / 3)) / s;
  return (u) => {
    const x = side * u - 1 + s;
    return Math.max(0, (x * (fall - c * x)) / (2 * g));
  };
}

/** The one root above 0 of a·s⁴ + b·s = d; from beyond it Newton’s steps only come nearer. */
function bearingLength(a: number, b: number, d: number): number {
  let s = d / b;
  for (let i = 0; i < 50; i++) {
    const step = (a * s ** 4 + b * s - d) / (4 * a * s ** 3 + b);
    s -= step;
    if (Math.abs(step) < 1e-14) break;
  }
  return s;
}
