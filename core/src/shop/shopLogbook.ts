import { logbookOf, receivedSoon } from '../logbook';
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

/**
 * The shop as it will be once entries that are on their way have been taken: what a page shows of its own meanwhile. A
 * strike waits for the logbook itself, for a page does not know what stood before the struck entry.
 */
export const shopWith = (shop: ShopState, onTheirWay: readonly NewShopEntry[]): ShopState => {
  const { unread, ...known } = shop;
  return { ...shopOf(foldShopBook({ ...freshBook, ...known }, receivedSoon(onTheirWay, shop.seq))), unread };
};

/** What an entry of the shop says, in a line. */
export const shopEntryWords = (entry: ShopEntry, names: ReadonlyMap<string, string>) => log.words(entry, names);
