import { logbookOf } from '../logbook';
import type { Problem } from '../solvers/contract';
import { shopKinds } from './kinds';
import type { NewShopEntry, ShopEntry } from './shopEntry';
import { freshBook, shopOf, type ShopBook, type ShopState } from './shopState';

const log = logbookOf<ShopBook, NewShopEntry, ShopEntry>({
  kinds: shopKinds,
  empty: freshBook,
});

/** Problems with an entry in the logbook of the shop, as it stands. */
export const shopMisfits = (book: ShopBook, entry: NewShopEntry): Problem[] => log.misfits(book, entry);

/** The logbook of the shop after more entries, see `Logbook.fold`. */
export const foldShopBook = (book: ShopBook, more: readonly ShopEntry[]): ShopBook => log.fold(book, more);

/** The state of the shop from its whole logbook. */
export const foldShop = (entries: readonly ShopEntry[]): ShopState => shopOf(foldShopBook(freshBook, entries));
