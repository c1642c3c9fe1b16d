import { atMost, sameWithin } from '../metrology';
import { oneOfEach } from '../solvers/checks';
import type { CorkInput, CorkOutput } from './cork.schema';

/** Two pieces of the stock on each other, thickest first, with the least sum that is enough; null where none is. */
function twoLayers(stock: readonly number[], need: number): [number, number] | null {
  const sizes = [...new Set(stock)].sort((a, b) => b - a);
  let best: [number, number] | null = null;
  for (const [i, first] of sizes.entries())
    for (const second of sizes.slice(i)) {
      if (!atMost(need, first + second)) continue;
      if (best === null || first + second < best[0] + best[1] - sameWithin) best = [first, second];
    }
  return best;
}

/**
 * How thick a cork has to be to fill a gap when it is pressed together, which sheet it is cut from, and whether an
 * offcut would do. Millimetres; need = gap / (1 − squeeze).
 *
 * @throws Unsolvable when two offcuts carry one id
 */
export function solveCork({ gap, squeeze = 0.15, stock, offcuts = [], piece }: CorkInput): CorkOutput {
  oneOfEach(offcuts, 'offcut');
  const need = gap / (1 - squeeze);
  const [sheet = null] = stock.filter((thickness) => atMost(need, thickness)).sort((a, b) => a - b);
  const fits = (length: number, width: number) =>
    piece !== undefined &&
    ((atMost(piece.length, length) && atMost(piece.width, width)) ||
      (atMost(piece.length, width) && atMost(piece.width, length)));
  const found =
    sheet === null
      ? []
      : offcuts.filter((cut) => Math.abs(cut.thickness - sheet) <= sameWithin && fits(cut.length, cut.width));
  const least = found.reduce<(typeof found)[number] | null>(
    (a, b) => (a && a.length * a.width <= b.length * b.width ? a : b),
    null,
  );
  return {
    need,
    stock: sheet,
    takeOff: sheet === null ? null : sheet - need,
    ...(sheet === null && { layers: twoLayers(stock, need) }),
    ...(piece && { offcut: least?.id ?? null }),
  };
}
