// The package ships no types; ours must follow this file into every workspace that compiles it.
// oxlint-disable-next-line typescript/triple-slash-reference
/// <reference path="./jstat.d.ts" />
import jstat from 'jstat';

const { normal, studentt } = jstat.jStat;

/** The share of a standard normal distribution that lies below x; 0 and 1 at the infinities. */
export const normalBelow = (x: number): number => (Number.isFinite(x) ? normal.cdf(x, 0, 1) : x > 0 ? 1 : 0);

/**
 * Above this the library's incomplete beta runs out of digits, while the expansions below, whose error falls
 * as 1/ν², are good to better than 1e-9.
 */
const nearlyNormal = 1e5;

/**
 * Quantile of Student's t with real degrees of freedom; null means infinitely many (the normal law).
 *
 * For very many degrees of freedom: Abramowitz & Stegun 26.7.5, first term.
 */
export function studentQuantile(probability: number, freedom: number | null): number {
  if (freedom !== null && freedom <= nearlyNormal) return studentt.inv(probability, freedom);
  const z = normal.inv(probability, 0, 1);
  return freedom === null ? z : z + (z ** 3 + z) / (4 * freedom);
}

/**
 * Cumulative probability of Student's t; null means infinitely many degrees of freedom.
 *
 * For very many: Abramowitz & Stegun 26.7.8.
 */
export function studentCdf(t: number, freedom: number | null): number {
  if (freedom === null) return normal.cdf(t, 0, 1);
  if (freedom <= nearlyNormal) return studentt.cdf(t, freedom);
  return normal.cdf((t * (1 - 1 / (4 * freedom))) / Math.sqrt(1 + (t * t) / (2 * freedom)), 0, 1);
}
