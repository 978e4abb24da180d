/** Degrees everywhere outside a formula; radians only inside one. */
export const RAD_PER_DEG = Math.PI / 180;

/**
 * The sine of an angle in degrees.
 * @param deg degrees
 * @returns −1 to 1. Definition.
 */
export const sinDeg = (deg: number): number => Math.sin(deg * RAD_PER_DEG);
/**
 * The cosine of an angle in degrees.
 * @param deg degrees
 * @returns −1 to 1. Definition.
 */
export const cosDeg = (deg: number): number => Math.cos(deg * RAD_PER_DEG);
/**
 * The tangent of an angle in degrees.
 * @param deg degrees
 * @returns any number. Definition.
 */
export const tanDeg = (deg: number): number => Math.tan(deg * RAD_PER_DEG);
/**
 * Degrees; the argument is held within −1…1, so that rounding cannot make a NaN at a right angle.
 * @param ratio −1 to 1
 * @returns degrees, −90 to 90. Definition.
 */
export const asinDeg = (ratio: number): number => Math.asin(Math.max(-1, Math.min(1, ratio))) / RAD_PER_DEG;
/**
 * Degrees 0…180; the argument is held within −1…1.
 * @param ratio −1 to 1
 * @returns degrees, 0 to 180. Definition.
 */
export const acosDeg = (ratio: number): number => Math.acos(Math.max(-1, Math.min(1, ratio))) / RAD_PER_DEG;
/**
 * The angle of a direction.
 * @param y any unit
 * @param x same unit
 * @returns degrees, −180 to 180. Definition.
 */
export const atan2Deg = (y: number, x: number): number => Math.atan2(y, x) / RAD_PER_DEG;

/**
 * An angle to half a degree with its sign, `−2.5°`.
 * @param deg degrees
 * @returns a text. Definition.
 * @example
 * formatAngle(-2.5) // => '−2.5°'
 */
export function formatAngle(deg: number): string {
  return `${String(Math.round(deg * 2) / 2).replace('-', '−')}°`;
}
