import { bodiesOf, newEntrySchemaOf, storedEntrySchemaOf } from '../logbook/envelope.schema';
import { stockEntryKindTable } from './kinds';
import type { StockEntryKind } from './stockEntry';

export const stockEntryKinds = Object.keys(stockEntryKindTable) as StockEntryKind[];

/** The body of each kind of entry of the logbook of the drawers. */
export const stockEntryBodies = bodiesOf(stockEntryKindTable);

/** An entry of the logbook of the drawers as a client writes it. */
export const newStockEntrySchema = newEntrySchemaOf(stockEntryKinds);
/** An entry of the logbook of the drawers as the database keeps it. */
export const storedStockEntrySchema = storedEntrySchemaOf(stockEntryKinds);
