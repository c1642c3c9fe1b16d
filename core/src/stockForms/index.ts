// The forms of the drawers’s entries: a door of their own, for a page loads them last.
import * as compiled from '../generated/stock.js';
import { formsOf, type RawEntry } from '../logbook';
import { stockEntryKindTable, type StockEntry } from '../stock';
import type { Problem } from '../solvers/contract';

const forms = formsOf<StockEntry>({ kinds: stockEntryKindTable, compiled });

/** Problems with the form of an entry of the drawers, see `Forms.problems`. */
export const stockEntryProblems = (entry: unknown): Problem[] => forms.problems(entry);

/** An entry of the drawers from its row; total, see `Forms.read`. */
export const readStockEntry = (row: RawEntry): StockEntry => forms.read(row);
