import type { Envelope, Receipt } from '../logbook';
import type { stockEntryKindTable } from './kinds';

export type StockEntryKind = keyof typeof stockEntryKindTable;
export type StockEntryBody<K extends StockEntryKind> = Parameters<(typeof stockEntryKindTable)[K]['fold']>[1]['body'];

/** An entry on its way to the logbook of the drawers. */
export type NewStockEntry = { [K in StockEntryKind]: Envelope & { kind: K; body: StockEntryBody<K> } }[StockEntryKind];
/** An entry in it. */
export type StockEntry = NewStockEntry & Receipt;
