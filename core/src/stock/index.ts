export { sizesWith, sizeWords, usualFilm, usualSizes, type Sizes } from './sizes';
export { sizesOfStock } from './sizesOfStock';
export { byKind, bySize, countsByItem, onTheWay, type ItemCount, type TicketNeed } from './counts';
export { countWords, stockSizes, stockTable, type StockSize } from './kindTable';
export { bagTitle, stockId, stockTitle, thingOf } from './stockTitle';
export type { StockItemBody, Thing } from './item.schema';
export type { Offcut } from './offcut.kind';
export type { NewStockEntry, StockEntry, StockEntryBody, StockEntryKind } from './stockEntry';
export { stockEntryBodies, stockEntryKinds } from './stockEntry.schema';
export {
  emptyStock,
  freshStockBook,
  stockOf,
  type StockBook,
  type StockItem,
  type StockOrder,
  type StockState,
} from './stockState';
export { stockEntryKindTable } from './kinds';
export { foldStock, foldStockBook, stockEntryWords, stockMisfits, stockReader, stockWith } from './stockLogbook';
export { orderProposal } from './orderProposal';
