import 'server-only';
import { orderProposal, type StockItem, type StockState } from '@holotonos/core';
import { openNeeds, stockState } from '@holotonos/store';
import type { StockNow } from '@/shop/useStock';
import { bringUpToDate } from './bench';
import { getDb } from './store';

/** What lies in the drawers, for pages that ask nothing of open tickets. */
export const readStock = (): Promise<StockState> => stockState(getDb());

/** The drawers, and what the open tickets will take out of them. */
export async function loadStock(now: string): Promise<StockNow> {
  await bringUpToDate(now);
  const [stock, needs] = await Promise.all([readStock(), openNeeds(getDb())]);
  return { stock, needs };
}

/** An order to be printed or sent: one that was given, or what would be ordered now. */
export interface OrderSheet {
  /** when it was given; null where it was not yet */
  at: string | null;
  lines: { item: StockItem; count: number }[];
}

/** What would be ordered now. */
async function proposedOrder(now: string): Promise<OrderSheet> {
  const { stock, needs } = await loadStock(now);
  return { at: null, lines: orderProposal(stock, needs) };
}

/** The order of this id, or what would be ordered now; null where there is no such order. */
export async function orderSheet(id: string | null, now: string): Promise<OrderSheet | null> {
  if (id === null) return proposedOrder(now);
  const stock = await readStock();
  const order = stock.orders.find((each) => each.id === id);
  if (!order) return null;
  const items = new Map(stock.items.map((item) => [item.id, item]));
  return {
    at: order.at,
    lines: order.lines.flatMap(({ item: of, count }) => {
      const item = items.get(of);
      return item ? [{ item, count }] : [];
    }),
  };
}
