import {
  foldShopBook,
  freshBook,
  readShopEntry,
  shopEntryProblems,
  shopMisfits,
  shopOf,
  sizesOfStock,
  usualHours,
  type NewShopEntry,
  type ShopBook,
  type ShopEntry,
  type ShopState,
} from '@holotonos/core';
import { eq } from 'drizzle-orm';
import type { Database } from './database';
import { appendTo, stateOf, type AppendedTo } from './keptLog';
import { ownLog } from './ownLog';
import { shopEntries } from './schema';
import { stockState } from './stock';

const shopLog = ownLog<ShopBook, NewShopEntry, ShopEntry>({
  name: 'the shop',
  table: shopEntries,
  lock: 7_001,
  rules: { empty: freshBook, misfits: shopMisfits, fold: foldShopBook },
  read: readShopEntry,
});

/** The shop as the database has it now; sizes of what has its place in a drawer are those of the drawers. */
export async function shopState(db: Database): Promise<ShopState> {
  const shop = shopOf(await stateOf(db, shopLog));
  const stock = await stockState(db);
  return { ...shop, ...sizesOfStock(shop.sizes, stock) };
}

/**
 * Gives a shop that has written down no hours yet the time zone of its machine. Says whether it did.
 *
 * @param mintId makes the id of the entry
 */
export async function settleZone(db: Database, timeZone: string, now: string, mintId: () => string): Promise<boolean> {
  const [known] = await db
    .select({ seq: shopEntries.seq })
    .from(shopEntries)
    .where(eq(shopEntries.kind, 'hours'))
    .limit(1);
  if (known || timeZone === usualHours.timeZone) return false;
  const body = { ...usualHours, timeZone };
  const entry = { id: mintId(), kind: 'hours' as const, body, author: 'first start', benchTime: now };
  return (await appendShopEntry(db, entry)).status === 'stored';
}

/** Writes one entry to the end of the shop's logbook, see `appendTo`. */
export async function appendShopEntry(db: Database, entry: NewShopEntry): Promise<AppendedTo<ShopEntry>> {
  const problems = shopEntryProblems(entry);
  return problems.length > 0 ? { status: 'refused', problems } : appendTo(db, shopLog, entry);
}
