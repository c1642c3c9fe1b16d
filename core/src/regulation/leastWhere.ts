/**
 * The least value from which something holds, to within so much: the end of the bracket where it does.
 *
 * @param holds false below some value of the bracket and true above it; at its upper end it is taken to hold
 */
export function leastWhere(
  holds: (value: number) => boolean,
  [from, to]: readonly [number, number],
  within: number,
): number {
  let [low, high] = [from, to];
  while (high - low > within) {
    const middle = (low + high) / 2;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}
