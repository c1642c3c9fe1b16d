import { randomUUID } from 'node:crypto';
import {
  foldStockBook,
  freshStockBook,
  readStockEntry,
  stockEntryProblems,
  stockMisfits,
  stockOf,
  usedOf,
  type ItemCount,
  type JobState,
  type NewStockEntry,
  type StockBook,
  type StockEntry,
  type StockState,
} from '@holotonos/core';
import type { Database } from './database';
import { appendTo, lockedState, stateOf, type AppendedTo } from './keptLog';
import { ownLog } from './ownLog';
import { stockEntries } from './schema';

/** Whoever holds a job may wait for the drawers, never the other way round. */
const stockLog = ownLog<StockBook, NewStockEntry, StockEntry>({
  name: 'the drawers',
  table: stockEntries,
  lock: 7_002,
  rules: { empty: freshStockBook, misfits: stockMisfits, fold: foldStockBook },
  read: readStockEntry,
});

/** What lies in the drawers as the database has it now. */
export const stockState = async (db: Database): Promise<StockState> => stockOf(await stateOf(db, stockLog));

/**
 * Writes one entry to the end of the logbook of the drawers, see `appendTo`. What a job uses is refused here: it is written
 * with the step that uses it.
 */
export async function appendStockEntry(db: Database, entry: NewStockEntry): Promise<AppendedTo<StockEntry>> {
  const problems = stockEntryProblems(entry);
  if (problems.length > 0) return { status: 'refused', problems };
  if (entry.kind === 'used-by')
    return {
      status: 'refused',
      problems: [
        { path: '/kind', message: 'is written with the step of a job that uses something, and by nobody else' },
      ],
    };
  return appendTo(db, stockLog, entry);
}

/**
 * Several entries at once, all or none: a file that was brought in.
 *
 * @returns the problems of each that is wrong, by its place in the list; none when all were written
 */
export async function appendStockEntries(
  db: Database,
  list: readonly NewStockEntry[],
): Promise<{ index: number; message: string }[]> {
  return db.transaction(async (tx) => {
    let state = await lockedState(tx, stockLog);
    const wrong: { index: number; message: string }[] = [];
    const fit: NewStockEntry[] = [];
    for (const [index, entry] of list.entries()) {
      const problems = [...stockEntryProblems(entry), ...stockMisfits(state, entry)];
      for (const { path, message } of problems)
        wrong.push({ index, message: `${path.replace('/body/', '')} ${message}` });
      if (problems.length > 0) continue;
      fit.push(entry);
      state = foldStockBook(state, [{ ...entry, seq: state.seq + 1, receivedAt: entry.benchTime }]);
    }
    if (wrong.length > 0) return wrong;
    const first = state.seq - fit.length;
    for (const [i, entry] of fit.entries()) await stockLog.insert(tx, first + 1 + i, entry);
    return [];
  });
}

const told = (lines: Iterable<ItemCount>) =>
  JSON.stringify([...lines].filter(({ count }) => count > 0).sort((a, b) => a.item.localeCompare(b.item)));

/**
 * Tells the drawers what a job has used by its own logbook, where that is not what they know; in the transaction of the
 * entry that changed it, so that neither is ever there without the other. A step that is struck puts back what it took.
 */
export async function settleUse(tx: Database, ticket: string, state: JobState): Promise<void> {
  const last = state.entries.at(-1);
  if (last?.kind !== 'operation-done' && last?.kind !== 'strike') return;
  const used = usedOf(state);
  const known = (await stateOf(tx, stockLog)).used.get(ticket);
  if (used.length === 0 && !known) return;
  const book = await lockedState(tx, stockLog);
  const there = [...(book.used.get(ticket) ?? [])].map(([item, count]) => ({ item, count }));
  if (told(there) === told(used)) return;
  await stockLog.insert(tx, book.seq + 1, {
    id: randomUUID(),
    kind: 'used-by',
    body: { ticket, used },
    author: last.author,
    benchTime: last.benchTime,
  });
}

/** A job that was brought in whole: what it used was taken out of other drawers, or out of these long ago. */
export async function settleElsewhere(tx: Database, ticket: string, state: JobState, at: string): Promise<void> {
  const used = usedOf(state);
  if (used.length === 0) return;
  const book = await lockedState(tx, stockLog);
  await stockLog.insert(tx, book.seq + 1, {
    id: randomUUID(),
    kind: 'used-by',
    body: { ticket, used, elsewhere: true },
    author: state.entries.at(-1)?.author ?? ticket,
    benchTime: at,
  });
}
