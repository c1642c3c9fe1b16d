import { byKind, bySize, countsByItem, onTheWay, type ItemCount } from './counts';
import type { StockItem, StockState } from './stockState';
import { stockTable } from './kindTable';

/** What is to be ordered of one thing, and why. */
export interface ToOrder {
  item: StockItem;
  /** what open jobs will take */
  needed: number;
  /** ordered, and not here yet */
  onTheWay: number;
  /** beyond what is needed, by the rule of the shop */
  spare: number;
  count: number;
}

/** Floating sheets: a third of one three times is one. */
const hair = 1e-6;
const upToLots = (count: number, lot: number | undefined): number => {
  const whole = lot ?? 1;
  return Math.ceil(count / whole - hair) * whole;
};

/**
 * What is to be ordered: what open jobs need and the spares of it, less what lies there and what is on its way; and
 * whatever has fallen below its low mark, up to that mark. In whole bags where it comes in bags. Grouped by kind, then by
 * size.
 *
 * @param needs what each open job will still take, by item
 */
export function orderProposal(
  stock: Pick<StockState, 'items' | 'orders' | 'spares'>,
  needs: readonly ItemCount[],
): ToOrder[] {
  const needed = countsByItem(needs);
  const coming = onTheWay(stock);
  const { percent, least } = stock.spares;
  return stock.items
    .flatMap((item): ToOrder[] => {
      const need = needed.get(item.id) ?? 0;
      if (item.retired && need === 0) return [];
      const spare =
        need > 0 && !stockTable[item.kind].tool ? Math.max(least, Math.ceil((need * percent) / 100 - hair)) : 0;
      const way = coming.get(item.id) ?? 0;
      // What is left once the jobs have taken theirs is what the low mark is held against.
      const left = item.count + way - need;
      const wanted = Math.max(spare, item.low ?? 0);
      const short = wanted - left;
      // Spares are no reason of their own: where there is enough for the jobs and the mark, nothing is ordered.
      if (short <= hair || (left >= -hair && left >= (item.low ?? 0) - hair)) return [];
      return [{ item, needed: need, onTheWay: way, spare, count: upToLots(short, item.lot) }];
    })
    .sort(({ item: a }, { item: b }) => byKind(a, b) || bySize(a, b) || a.id.localeCompare(b.id));
}
