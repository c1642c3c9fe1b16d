import { isDeepStrictEqual } from 'node:util';
import {
  foldShop,
  readShopEntry,
  shopEntryProblems,
  usualHours,
  type NewShopEntry,
  type Problem,
  type ShopState,
} from '@holotonos/core';
import { asc, eq } from 'drizzle-orm';
import type { Database } from './database';
import { shopEntries } from './schema';

/** The shop as the database has it now. */
export async function shopState(db: Database): Promise<ShopState> {
  const rows = await db.select().from(shopEntries).orderBy(asc(shopEntries.seq));
  return foldShop(rows.map(readShopEntry));
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

export type ShopAppended =
  { status: 'stored'; known: boolean } | { status: 'conflict' } | { status: 'refused'; problems: Problem[] };

/** Writes one entry to the shop's logbook, committed before it answers. Sending it again changes nothing. */
export async function appendShopEntry(db: Database, entry: NewShopEntry): Promise<ShopAppended> {
  const problems = shopEntryProblems(entry);
  if (problems.length > 0) return { status: 'refused', problems };
  if (entry.kind === 'strike') {
    const [target] = await db.select().from(shopEntries).where(eq(shopEntries.id, entry.body.entry));
    if (!target || readShopEntry(target).kind === 'strike')
      return {
        status: 'refused',
        problems: [{ path: '/body/entry', message: 'is not an entry of the shop that can be struck' }],
      };
  }
  const { id, kind, body, author, benchTime } = entry;
  const [row] = await db
    .insert(shopEntries)
    .values({ id, kind, body, author, benchTime })
    .onConflictDoNothing({ target: shopEntries.id })
    .returning();
  if (row) return { status: 'stored', known: false };
  const [known] = await db.select().from(shopEntries).where(eq(shopEntries.id, id));
  return known && known.kind === kind && isDeepStrictEqual(known.body, body)
    ? { status: 'stored', known: true }
    : { status: 'conflict' };
}
