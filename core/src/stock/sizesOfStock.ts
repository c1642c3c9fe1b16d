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

/**
 * The sizes there are: of what has its place in a drawer, those of which some lie there; of all else, as the shop has said.
 *
 * @returns with them the lists the drawers speak for: those of which something has its place there
 */
export function sizesOfStock(said: Sizes, { items }: Pick<StockState, 'items'>): { sizes: Sizes; stocked: SizeKind[] } {
  const own: Partial<Record<SizeKind, number[]>> = {};
  for (const kind of sizeKinds) {
    const { kind: drawer, by } = drawerOf[kind];
    const placed = items.filter((item) => item.kind === drawer && !item.retired);
    if (placed.length > 0) own[kind] = placed.flatMap((item) => (item.count > 0 ? (item[by] ?? []) : []));
  }
  return { sizes: sizesWith(said, own), stocked: sizeKinds.filter((kind) => own[kind]) };
}
