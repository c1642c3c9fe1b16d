import jstat from 'jstat';

/** What a job's own history says of a figure: the median, its spread (1.4826 × median absolute deviation), how often seen. */
export interface Learned {
  value: number;
  /** null when it was seen only once */
  spread: number | null;
  seen: number;
}

/** Makes a spread of normal readings comparable to a standard deviation (1 / Φ⁻¹(3/4)). */
const madToSigma = 1.4826;

/** The arithmetic mean of one figure or more. */
export const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** The middle of some figures; null of none. */
export const medianOf = (values: readonly number[]): number | null =>
  values.length === 0 ? null : jstat.jStat.median([...values]);

/**
 * The middle of a few figures, unmoved by one bad one; null of none.
 *
 * @example learn([0.25]) // => {"value":0.25,"spread":null,"seen":1}
 */
export function learn(values: readonly number[]): Learned | null {
  const value = medianOf(values);
  if (value === null) return null;
  const off = values.length > 1 ? medianOf(values.map((each) => Math.abs(each - value))) : null;
  return { value, spread: off === null ? null : madToSigma * off, seen: values.length };
}
