/** Coefficients of the rational approximation AS 241 (PPND7), good to seven digits. */
const CENTRE = {
  top: [3.3871327179, 50.434271938, 159.29113202, 59.10937472],
  bottom: [1, 17.895169469, 78.757757664, 67.1875636],
} as const;
const NEAR = {
  top: [1.4234372777, 2.75681539, 1.3067284816, 0.17023821103],
  bottom: [1, 0.7370016425, 0.12021132975],
} as const;
const FAR = {
  top: [6.657905115, 3.081226386, 0.42868294337, 0.017337203997],
  bottom: [1, 0.24197894225, 0.012258202635],
} as const;
const polynomial = (coefficients: readonly number[], x: number) =>
  coefficients.reduceRight((sum, c) => sum * x + c, 0);
const ratio = ({ top, bottom }: { top: readonly number[]; bottom: readonly number[] }, x: number) =>
  polynomial(top, x) / polynomial(bottom, x);

/** The standard normal deviate below which a share `p` of all lie, 0 < p < 1. */
export function normalQuantile(p: number): number {
  const q = p - 0.5;
  if (Math.abs(q) <= 0.425) return q * ratio(CENTRE, 0.180625 - q * q);
  const r = Math.sqrt(-Math.log(q < 0 ? p : 1 - p));
  return Math.sign(q) * (r <= 5 ? ratio(NEAR, r - 1.6) : ratio(FAR, r - 5));
}

/** Standard normal distribution function; absolute error under 1e-7 (a rational approximation in common use). */
export function normalCdf(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    Math.exp((-z * z) / 2) *
    0.3989422804 *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - tail : tail;
}

/** Under this the tail is too thin for `normalCdf`, and its continued fraction is quick. */
const THIN_TAIL = -2;
const TERMS = 60;

/**
 * Density over distribution of the standard normal at `z`: how far a bell that is cut off at −z lies over its middle;
 * good to six digits.
 */
export function inverseMills(z: number): number {
  if (z >= THIN_TAIL) return Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI) / normalCdf(z);
  let rest = -z;
  for (let k = TERMS; k > 0; k--) rest = -z + k / rest;
  return rest;
}
