import { sizeKinds, type SizeKind, type StockKind } from '../vocabulary';
import type { StockState } from './stockState';
import { sizesWith, type Sizes } from './sizes';

/** Which drawer each list of sizes is read from, and by which size. */
const drawerOf: Record<SizeKind, { kind: StockKind; by: 'diameter' | 'thickness' }> = {
  films: { kind: 'film', by: 'thickness' },
  shims: { kind: 'shim', by: 'thickness' },
  washers: { kind: 'washer', by: 'thickness' },
  rods: { kind: 'rod', by: 'diameter' },
  cutters: { kind: 'cutter', by: 'diameter' },
  bushes: { kind: 'bush', by: 'diameter' },
  balls: { kind: 'ball', by: 'diameter' },
};

/** The lists of sizes the drawers speak for: those of which something was ever given a place there. */
export const stockedSizes = ({ items }: Pick<StockState, 'items'>): SizeKind[] =>
  sizeKinds.filter((kind) => items.some((item) => !item.retired && item.kind === drawerOf[kind].kind));

/**
 * The sizes there are: of what has its place in a drawer, those of which some lie there; of all else, as the shop has said.
 */
export function sizesOfStock(said: Sizes, stock: Pick<StockState, 'items'>): Sizes {
  const own = stockedSizes(stock).map((kind): [SizeKind, number[]] => {
    const { kind: drawer, by } = drawerOf[kind];
    return [
      kind,
      stock.items.flatMap((item) => (item.kind === drawer && !item.retired && item.count > 0 ? (item[by] ?? []) : [])),
    ];
  });
  return sizesWith(said, Object.fromEntries(own));
}
