import 'server-only';
import { orderProposal, type StockItem, type StockState, type ToOrder } from '@holotonos/core';
import { openNeeds, stockState, type TicketNeed } from '@holotonos/store';
import { bringUpToDate } from './bench';
import { getDb } from './store';

/** The drawers, and what the open tickets will take out of them. */
export interface StockNow {
  stock: StockState;
  needs: TicketNeed[];
}

export async function loadStock(now: string): Promise<StockNow> {
  await bringUpToDate(now);
  const [stock, needs] = await Promise.all([stockState(getDb()), openNeeds(getDb())]);
  return { stock, needs };
}

/** An order to be printed or sent: one that was given, or what would be ordered now. */
export interface OrderSheet {
  /** when it was given; null where it was not yet */
  at: string | null;
  lines: { item: StockItem; count: number }[];
}

/** The order of this id, or what would be ordered now; null where there is no such order. */
export async function orderSheet(id: string | null, now: string): Promise<OrderSheet | null> {
  const { stock, needs } = await loadStock(now);
  if (id === null)
    return { at: null, lines: orderProposal(stock, needs).map(({ item, count }: ToOrder) => ({ item, count })) };
  const order = stock.orders.find((each) => each.id === id);
  const items = new Map(stock.items.map((item) => [item.id, item]));
  if (!order) return null;
  return {
    at: order.at,
    lines: order.lines.flatMap(({ item: of, count }) => {
      const item = items.get(of);
      return item ? [{ item, count }] : [];
    }),
  };
}
