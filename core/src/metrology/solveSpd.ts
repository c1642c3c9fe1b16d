/**
 * Solves A·x = b for a symmetric positive definite A (Cholesky), in place: A becomes its factor and b the answer.
 *
 * @param a row by row, of which the lower triangle is read; n × n
 * @returns false where A is not positive definite; then both are spoilt
 */
export function solveSpd(a: Float64Array, b: Float64Array, n: number): boolean {
  for (let j = 0; j < n; j += 1) {
    for (let i = j; i < n; i += 1) {
      let sum = a[i * n + j] ?? 0;
      for (let k = 0; k < j; k += 1) sum -= (a[i * n + k] ?? 0) * (a[j * n + k] ?? 0);
      if (i > j) a[i * n + j] = sum / (a[j * n + j] ?? 1);
      else if (sum > 0) a[j * n + j] = Math.sqrt(sum);
      else return false;
    }
  }
  for (let i = 0; i < n; i += 1) {
    let sum = b[i] ?? 0;
    for (let k = 0; k < i; k += 1) sum -= (a[i * n + k] ?? 0) * (b[k] ?? 0);
    b[i] = sum / (a[i * n + i] ?? 1);
  }
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = b[i] ?? 0;
    for (let k = i + 1; k < n; k += 1) sum -= (a[k * n + i] ?? 0) * (b[k] ?? 0);
    b[i] = sum / (a[i * n + i] ?? 1);
  }
  return true;
}
