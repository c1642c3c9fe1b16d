import type { LogState } from '../logbook';
import type { StockItemBody } from './item.schema';
import type { Offcut } from './offcut.kind';
import type { Spares } from './spares.kind';
import type { StockEntry } from './stockEntry';

/** Something in a drawer, and how many of it the book has. */
export interface StockItem extends StockItemBody {
  count: number;
}

export interface OrderLine {
  item: string;
  count: number;
  arrived: number;
}

/** Something that was ordered. */
export interface StockOrder {
  /** of the entry it was written down with */
  id: string;
  by: string;
  at: string;
  note: string;
  lines: readonly OrderLine[];
  closed: boolean;
}

/** The logbook of the drawers: all of it, and what is true by it. */
export interface StockBook extends LogState<StockEntry> {
  items: readonly StockItemBody[];
  counts: ReadonlyMap<string, number>;
  offcuts: readonly Offcut[];
  spares: Spares;
  orders: ReadonlyMap<string, StockOrder>;
  /** by ticket: what each job has used so far, by item */
  used: ReadonlyMap<string, ReadonlyMap<string, number>>;
}

/** What lies in the drawers now: what pages are given. */
export interface StockState {
  seq: number;
  items: readonly StockItem[];
  /** that are not used up */
  offcuts: readonly Offcut[];
  spares: Spares;
  /** newest first; those that are over only as far as somebody may want to look back */
  orders: readonly StockOrder[];
  /** entries that say nothing any more, with what is wrong with each; they can be struck */
  unread: readonly { entry: string; problem: string }[];
}

export const freshStockBook: StockBook = {
  seq: 0,
  entries: [],
  byId: new Map(),
  struck: new Map(),
  unread: new Map(),
  items: [],
  counts: new Map(),
  offcuts: [],
  // A workshop default: one in ten, and one at least.
  spares: { percent: 10, least: 1 },
  orders: new Map(),
  used: new Map(),
};

/** So many orders that are over are still shown. */
const mostOver = 20;

/** What a logbook of the drawers says, without the entries that say it. */
export function stockOf({ seq, items, counts, offcuts, spares, orders, unread }: StockBook): StockState {
  const newest = [...orders.values()].sort((a, b) => b.at.localeCompare(a.at));
  return {
    seq,
    items: items.map((item) => ({ ...item, count: counts.get(item.id) ?? 0 })),
    offcuts: offcuts.filter(({ gone }) => !gone),
    spares,
    orders: [...newest.filter(({ closed }) => !closed), ...newest.filter(({ closed }) => closed).slice(0, mostOver)],
    unread: [...unread].map(([entry, problem]) => ({ entry, problem })),
  };
}

export const emptyStock: StockState = stockOf(freshStockBook);
