/** Forces nearer to each other than this are the same, N. */
export const sameForce = 1e-6;

/**
 * The least force from which something is sealed, N; 0 without any, null where even the most does not seal it.
 *
 * What is left open falls in straight pieces as the force grows, so a line through the last two forces that leave a gap
 * points at the force that closes it, once both lie on the last piece. Where it does not, the bracket is halved: the
 * answer is the sealed end of a bracket no wider than `sameForce`.
 *
 * @param gapAt what is left open under a force, mm; nothing where it is sealed
 */
export function sealingForce(gapAt: (force: number) => number, most: number): number | null {
  let [low, gap] = [0, gapAt(0)];
  if (gap <= 0) return 0;
  if (gapAt(most) > 0) return null;
  let high = most;
  let before: { force: number; gap: number } | null = null;
  let missed = 0;
  while (high - low > sameForce) {
    const middle = (low + high) / 2;
    const falls: number = before ? (before.gap - gap) / (low - before.force) : 0;
    // A hair beyond where the line ends, so that it is sealed there and the bracket closes from above.
    const pointed: number = falls > 0 ? low + gap / falls + sameForce / 4 : Infinity;
    // A line that keeps falling short creeps: then the bracket is halved before it is asked again.
    const force: number = missed < 2 && pointed > low && pointed < high ? pointed : middle;
    const left = gapAt(force);
    if (left > 0) {
      before = { force: low, gap };
      [low, gap] = [force, left];
      missed = force === pointed ? missed + 1 : 0;
      continue;
    }
    high = force;
    missed = 0;
    if (force === pointed) {
      // Just below it should still be open: then the bracket is as narrow as it need be.
      const below = Math.max(low, force - sameForce / 2);
      const open = below > low ? gapAt(below) : gap;
      if (open > 0) {
        before = { force: low, gap };
        [low, gap] = [below, open];
      } else high = below;
    }
  }
  return high;
}
