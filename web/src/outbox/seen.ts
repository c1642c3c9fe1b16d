'use client';

import type { Entry } from '@holotonos/core';
import { openStore } from './browserStore';

/** Kept of what a page has seen written since it was made; a page made anew has it all. */
const mostSeen = 5000;
const spanOf = (ticket: string, after: number, to = Infinity) =>
  IDBKeyRange.bound([ticket, after], [ticket, to], true, false);

/**
 * Keeps entries the server has acknowledged, so that a page that is kept in the browser goes on from where the hands were.
 * Where the browser has no room nothing is kept: the server has them all.
 */
export async function keepSeen(ticket: string, entries: readonly Entry[]): Promise<void> {
  try {
    const db = await openStore();
    if (!db || entries.length === 0) return;
    const tx = db.transaction('seen', 'readwrite');
    for (const entry of entries) await tx.store.put({ ticket, seq: entry.seq, entry });
    const last = entries.at(-1)?.seq ?? 0;
    await tx.store.delete(spanOf(ticket, -1, last - mostSeen));
    await tx.done;
  } catch {
    // It is only a help.
  }
}

/**
 * The entries this browser has seen that follow on what a page has, without a gap: after one the server would have to be
 * asked. What the page has itself is kept no longer.
 */
export async function seenAfter(ticket: string, after: number): Promise<Entry[]> {
  try {
    const db = await openStore();
    if (!db) return [];
    await db.delete('seen', spanOf(ticket, -1, after));
    const rows = (await db.getAll('seen', spanOf(ticket, after))) as { seq: number; entry: Entry }[];
    const whole = rows.findIndex(({ seq }, i) => seq !== after + 1 + i);
    return (whole === -1 ? rows : rows.slice(0, whole)).map(({ entry }) => entry);
  } catch {
    return [];
  }
}

/** Clears the practice ticket: the next time it is opened it is as it came. */
export async function clearPractice(ticket: string): Promise<void> {
  await (await openStore())?.delete('seen', spanOf(ticket, -1));
}
