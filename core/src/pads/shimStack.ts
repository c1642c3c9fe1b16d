import { atMost, sameWithin } from '../metrology';

export interface ShimStack {
  thickness: number;
  /** thickest first */
  pieces: number[];
}

/**
 * Every sum of one or two stock pieces (the same thickness may be used twice), greatest first; of two equal sums the
 * one with fewer pieces comes first. Made once for a pad, asked once for each sector.
 */
export function shimStacks(stock: readonly number[]): ShimStack[] {
  const thickestFirst = [...new Set(stock)].sort((a, b) => b - a);
  const stacks = thickestFirst.flatMap((first, i) => [
    { thickness: first, pieces: [first] },
    ...thickestFirst.slice(i).map((second) => ({ thickness: first + second, pieces: [first, second] })),
  ]);
  return stacks.sort((a, b) => {
    const thicker = b.thickness - a.thickness;
    return Math.abs(thicker) <= sameWithin ? a.pieces.length - b.pieces.length : thicker;
  });
}

/**
 * The greatest of these sums that is not above `most`, or null where nothing fits.
 *
 * @example greatestStack(shimStacks([0.03, 0.05, 0.08]), 0.135).pieces // => [0.08, 0.05]
 */
export const greatestStack = (stacks: readonly ShimStack[], most: number): ShimStack | null =>
  stacks.find(({ thickness }) => atMost(thickness, most)) ?? null;
