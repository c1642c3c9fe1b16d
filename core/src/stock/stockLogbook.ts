import { logbookOf, receivedSoon, type LogbookReader } from '../logbook';
import type { Problem } from '../solvers/contract';
import { stockEntryKindTable } from './kinds';
import type { NewStockEntry, StockEntry } from './stockEntry';
import { freshStockBook, stockOf, type StockBook, type StockState } from './stockState';

const log = logbookOf<StockBook, NewStockEntry, StockEntry>({
  kinds: stockEntryKindTable,
  empty: freshStockBook,
});

/** Problems with an entry in the logbook of the drawers, as it stands. */
export const stockMisfits = (book: StockBook, entry: NewStockEntry): Problem[] => log.misfits(book, entry);

/** The logbook of the drawers after more entries, see `Logbook.fold`. */
export const foldStockBook = (book: StockBook, more: readonly StockEntry[]): StockBook => log.fold(book, more);

/** Reads the logbook of the drawers entry by entry, see `Logbook.reader`. */
export const stockReader = (): LogbookReader<StockBook, StockEntry> => log.reader();

/** What lies in the drawers by their whole logbook. */
export const foldStock = (entries: readonly StockEntry[]): StockState =>
  stockOf(foldStockBook(freshStockBook, entries));

/** What an entry of the drawers says, in a line. */
export const stockEntryWords = (entry: StockEntry, names: ReadonlyMap<string, string>) => log.words(entry, names);

/**
 * The drawers as they will be once entries that are on their way have been taken: what a page shows of its own meanwhile.
 * A strike waits for the logbook itself; what jobs have used is written by the server alone.
 */
export const stockWith = (stock: StockState, onTheirWay: readonly NewStockEntry[]): StockState => {
  const { seq, items, offcuts, spares, orders, unread } = stock;
  const known: StockBook = {
    ...freshStockBook,
    seq,
    items: items.map(({ count: _count, ...item }) => item),
    counts: new Map(items.map(({ id, count }) => [id, count])),
    offcuts,
    spares,
    orders: new Map(orders.map((order) => [order.id, order])),
  };
  return { ...stockOf(foldStockBook(known, receivedSoon(onTheirWay, seq))), unread };
};
