import { Matrix, QrDecomposition } from 'ml-matrix';
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
  return leastSquaresOf(rows, [values], what)[0] ?? [];
}

/** The same for several measured quantities at the same samples: one decomposition serves them all. */
export function leastSquaresOf(
  rows: readonly (readonly number[])[],
  quantities: readonly (readonly number[])[],
  what: string,
): number[][] {
  const width = rows[0]?.length ?? 0;
  const undetermined = () => new Unsolvable(`The samples do not determine ${what}: take more, at other positions.`);
  if (rows.length < width || width === 0) throw undetermined();
  const qr = new QrDecomposition(new Matrix(rows as number[][]));
  const r = qr.upperTriangularMatrix;
  let largest = 0;
  let smallest = Infinity;
  for (let i = 0; i < width; i += 1) {
    const pivot = Math.abs(r.get(i, i));
    largest = Math.max(largest, pivot);
    smallest = Math.min(smallest, pivot);
  }
  // Written so that NaN, from figures that overflowed, fails too.
  if (!(smallest > rankTolerance * largest)) throw undetermined();
  const columns = new Matrix(quantities as number[][]).transpose();
  return qr.solve(columns).transpose().to2DArray();
}
