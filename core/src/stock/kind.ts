import type { Draft, Kind } from '../logbook';
import type { StockBook } from './stockState';

/** A kind of entry in the logbook of the drawers. */
export type StockEntryKindOf<Name extends string, Body> = Kind<Name, Body, StockBook>;

/** More or fewer of something: whatever is counted here is counted in thousandths, so that sheets cut in three add up. */
export function countUp(draft: Draft<StockBook>, item: string, change: number): void {
  const known = draft.counts.get(item) ?? 0;
  draft.counts.set(item, Math.round((known + change) * 1000) / 1000);
}
