/** Trigonometry in degrees, so that formulas read as they do on paper. */
export const sinDeg = (deg: number) => Math.sin((deg * Math.PI) / 180);
/** Cosine of an angle in degrees. */
export const cosDeg = (deg: number) => Math.cos((deg * Math.PI) / 180);
/** Arcsine in degrees; a ratio past ±1 (a leg that cannot reach) answers ±90. */
export const asinDeg = (ratio: number) => (Math.asin(clamp(ratio, -1, 1)) * 180) / Math.PI;
/**
 * Angle in degrees of a cosine; what lies outside −1 to 1 by rounding, or since nothing reaches so far, counts as the
 * end.
 */
export const acosDeg = (ratio: number) => (Math.acos(clamp(ratio, -1, 1)) * 180) / Math.PI;
/** Direction of a step in degrees, anticlockwise from x, −180 to 180. */
export const atan2Deg = (y: number, x: number) => (Math.atan2(y, x) * 180) / Math.PI;
/** A value, kept between two others. */
export const clamp = (x: number, low: number, high: number) => Math.min(high, Math.max(low, x));
