import { atMost, exceeds } from '../metrology';

export interface ShimStack {
  thickness: number;
  /** thickest first */
  pieces: number[];
}

/**
 * The greatest sum of at most two stock pieces (the same thickness may be used twice) that is not above `most`;
 * one piece is preferred to two of the same sum. Null where nothing fits.
 *
 * @example shimStack([0.03, 0.05, 0.08], 0.135).pieces // => [0.08, 0.05]
 */
export function shimStack(stock: readonly number[], most: number): ShimStack | null {
  const thickestFirst = [...new Set(stock)].sort((a, b) => b - a);
  let best: ShimStack | null = null;
  const consider = (pieces: number[]) => {
    const thickness = pieces.reduce((sum, piece) => sum + piece, 0);
    if (atMost(thickness, most) && (best === null || exceeds(thickness, best.thickness))) best = { thickness, pieces };
  };
  for (const piece of thickestFirst) consider([piece]);
  thickestFirst.forEach((first, i) => {
    for (const second of thickestFirst.slice(i)) consider([first, second]);
  });
  return best;
}
