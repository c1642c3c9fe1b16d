import { logbookOf, type LogbookReader } from '../logbook';
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
