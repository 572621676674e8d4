/** Length of a curved edge along its arc, mm, from the chord between its corners and its depth; past a half circle too. */
export function edgeArcMm(widthMm: number, depthMm: number): number {
  const radius = (widthMm ** 2 / 4 + depthMm ** 2) / (2 * depthMm);
  const half = Math.atan2(widthMm / 2, radius - depthMm);
  return 2 * radius * half;
}
