// What a page needs to write into the logbook of the drawers: a door of its own, for a page loads it last.
import * as compiled from '../generated/stock.js';
import { formsOf, type RawEntry } from '../logbook';
import { stockEntryKindTable, type StockEntry } from '../stock';
import type { Problem } from '../solvers/contract';

const forms = formsOf<StockEntry>({ kinds: stockEntryKindTable, compiled });

/** Problems with the form of an entry of the drawers, see `Forms.problems`. */
export const stockEntryProblems = (entry: unknown): Problem[] => forms.problems(entry);

/** An entry of the drawers from its row; total, see `Forms.read`. */
export const readStockEntry = (row: RawEntry): StockEntry => forms.read(row);

export { stockEntryWords, stockWith } from '../stock';
