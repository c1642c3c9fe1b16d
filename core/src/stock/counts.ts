import type { StockItem, StockState } from './stockState';
import { stockTable } from './kindTable';

/** So many of something in the drawers. */
export interface ItemCount {
  item: string;
  count: number;
}
/** So many of something, and the ticket that asks for it. */
export interface TicketNeed extends ItemCount {
  ticket: string;
}

/** Lines added up, thing by thing. */
export function countsByItem(lines: Iterable<ItemCount>): Map<string, number> {
  const sums = new Map<string, number>();
  for (const { item, count } of lines) sums.set(item, (sums.get(item) ?? 0) + count);
  return sums;
}

/** Ordered and not here yet, by item. */
export const onTheWay = ({ orders }: Pick<StockState, 'orders'>): Map<string, number> =>
  countsByItem(
    orders.flatMap(({ closed, lines }) =>
      closed ? [] : lines.map(({ item, count, arrived }) => ({ item, count: Math.max(0, count - arrived) })),
    ),
  );

const kinds = Object.keys(stockTable);
/** The order things are listed in: by kind, as the table has them. */
export const byKind = (a: StockItem, b: StockItem): number => kinds.indexOf(a.kind) - kinds.indexOf(b.kind);
/** The order things of one kind are listed in: by the size they are known by first, then by their thickness. */
export const bySize = (a: StockItem, b: StockItem): number =>
  (a.diameter ?? a.thickness ?? 0) - (b.diameter ?? b.thickness ?? 0) || (a.thickness ?? 0) - (b.thickness ?? 0);
