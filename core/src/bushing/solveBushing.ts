import { phrase, stock } from '../units';
import { atMost, exceeds, Unsolvable } from '../metrology';
import type { BushingInput, BushingOutput } from './bushing.schema';

/**
 * A metal bush for a stripped post hole in wood: which cutter, which bush, how deep, with room for adhesive, flush or
 * just below the surface and never near the bore.
 *
 * The smallest cutter that cleans the hole and has a bush with the right gap: least wood is removed. Of bushes that fit
 * it, the longest that stays clear of the bore; a longer one is cut to length. All lengths in mm; adhesive in mm³.
 * Plain geometry.
 *
 * @throws Unsolvable when no cutter and bush go together, or the wall is too thin to hold a bush at all
 */
export function solveBushing(input: BushingInput): BushingOutput {
  const { hole, wall, leave, cutters, bushes, below = 0.1, leastLength = 2.5 } = input;
  const [least = 0, most = 0] = input.gap;
  const clean = hole.diameter + (hole.clean ?? 0.2);
  const deepest = wall - leave;
  // The end of the bush stands on adhesive too.
  const longest = deepest - below - least;
  if (!atMost(leastLength, longest)) {
    throw new Unsolvable(
      phrase`The wall leaves ${stock(Math.max(0, longest))} for a bush, and ${stock(leastLength)} are needed: it would reach the bore. Plug the hole instead.`,
    );
  }
  for (const cutter of [...new Set(cutters)].sort((a, b) => a - b)) {
    if (!atMost(clean, cutter)) continue;
    const fitting = bushes
      .map(({ outer, length }) => ({ outer, length, gap: (cutter - outer) / 2 }))
      .filter(({ gap }) => atMost(least, gap) && atMost(gap, most) && gap >= 0)
      // Longest that goes in whole, then the shortest that has to be cut; the tighter of two alike.
      .sort(
        (a, b) => Math.min(b.length, longest) - Math.min(a.length, longest) || a.length - b.length || a.gap - b.gap,
      );
    const best = fitting.find(({ length }) => atMost(leastLength, length));
    if (!best) continue;
    const cutTo = exceeds(best.length, longest) ? longest : null;
    const length = cutTo ?? best.length;
    const depth = length + below + best.gap;
    // A wide gap at the end must not carry the cutter past what may be cut.
    const clear = Math.min(depth, deepest);
    const round = (diameter: number) => (Math.PI * diameter * diameter) / 4;
    return {
      cutter,
      bush: { outer: best.outer, length: best.length, cutTo },
      gap: best.gap,
      depth: clear,
      left: wall - clear,
      adhesive: round(cutter) * (clear - below) - round(best.outer) * length,
    };
  }
  throw new Unsolvable(
    phrase`No cutter of ${stock(clean)} or more has a bush that leaves ${stock(least)} to ${stock(most)} of adhesive all round.`,
  );
}
