import { Unsolvable } from './unsolvable';

/** A pivot smaller than this share of the largest says that the samples do not fix every coefficient. */
const rankTolerance = 1e-10;

/**
 * Ordinary least squares by Householder QR: the coefficients x that make |rows·x − values|² smallest.
 *
 * QR rather than the normal equations: those square the condition number and lose digits where the sampled
 * clock positions bunch together.
 *
 * @param rows one row of basis values per sample
 * @param values the measured value of each sample
 * @param what names the fit in the error
 * @throws Unsolvable when the samples do not determine the coefficients
 */
export function leastSquares(rows: readonly (readonly number[])[], values: readonly number[], what: string): number[] {
  const count = rows.length;
  const width = rows[0]?.length ?? 0;
  const undetermined = () => new Unsolvable(`The samples do not determine ${what}: take more, at other positions.`);
  if (count < width || width === 0) throw undetermined();
  // Column by column in one flat array, the values behind the last: a judgement asks for hundreds of fits of three or four
  // columns, and matrix objects cost ten times the arithmetic.
  const a = new Float64Array(count * (width + 1));
  for (let i = 0; i < count; i += 1) {
    for (let j = 0; j < width; j += 1) a[j * count + i] = rows[i]?.[j] ?? 0;
    a[width * count + i] = values[i] ?? 0;
  }
  const at = (i: number, j: number) => a[j * count + i] ?? 0;

  const pivots = new Float64Array(width);
  for (let k = 0; k < width; k += 1) {
    let squares = 0;
    for (let i = k; i < count; i += 1) squares += at(i, k) ** 2;
    // The sign that adds to the pivot loses no digits.
    const length = at(k, k) > 0 ? -Math.sqrt(squares) : Math.sqrt(squares);
    pivots[k] = length;
    if (length === 0) continue;
    // The mirror v, kept in the column itself; its square is 2·length·(length − pivot).
    a[k * count + k] = at(k, k) - length;
    const half = -length * at(k, k);
    for (let j = k + 1; j <= width; j += 1) {
      let along = 0;
      for (let i = k; i < count; i += 1) along += at(i, k) * at(i, j);
      const share = along / half;
      for (let i = k; i < count; i += 1) a[j * count + i] = at(i, j) - share * at(i, k);
    }
  }
  const sizes = pivots.map(Math.abs);
  // Written so that NaN, from figures that overflowed, fails too.
  if (!(Math.min(...sizes) > rankTolerance * Math.max(...sizes))) throw undetermined();

  const found = new Array<number>(width).fill(0);
  for (let k = width - 1; k >= 0; k -= 1) {
    let left = at(k, width);
    for (let j = k + 1; j < width; j += 1) left -= at(k, j) * (found[j] ?? 0);
    found[k] = left / (pivots[k] ?? 0);
  }
  return found;
}
