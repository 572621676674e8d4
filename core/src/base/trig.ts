const DEG = Math.PI / 180;

/** Sine of an angle in degrees. */
export const sinDeg = (deg: number): number => Math.sin(deg * DEG);
/** Cosine of an angle in degrees. */
export const cosDeg = (deg: number): number => Math.cos(deg * DEG);
/** Tangent of an angle in degrees. */
export const tanDeg = (deg: number): number => Math.tan(deg * DEG);
/** Radians to degrees. */
export const toDeg = (rad: number): number => rad / DEG;
/** Degrees to radians. */
export const toRad = (deg: number): number => deg * DEG;
