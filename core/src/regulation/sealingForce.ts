/** Forces nearer to each other than this are the same, N. */
export const sameForce = 1e-6;

/** The least force from which something is sealed, N, by halving; 0 without any, null where even the most does not. */
export function sealingForce(sealedAt: (force: number) => boolean, most: number): number | null {
  if (sealedAt(0)) return 0;
  if (!sealedAt(most)) return null;
  let [low, high] = [0, most];
  while (high - low > sameForce) {
    const middle = (low + high) / 2;
    if (sealedAt(middle)) high = middle;
    else low = middle;
  }
  return high;
}
