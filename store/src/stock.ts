import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import {
  countsByItem,
  foldStockBook,
  freshStockBook,
  readStockEntry,
  stockEntryProblems,
  stockMisfits,
  stockOf,
  stockReader,
  usedOf,
  type JobState,
  type NewStockEntry,
  type StockBook,
  type StockEntry,
  type StockEntryBody,
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

/** What a book says, made once for each: every entry of every job asks what sizes there are. */
const said = new WeakMap<StockBook, StockState>();

/** What lies in the drawers as the database has it now. */
export async function stockState(db: Database): Promise<StockState> {
  const book = await stateOf(db, stockLog);
  const stock = said.get(book) ?? stockOf(book);
  said.set(book, stock);
  return stock;
}

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
    const { seq, entries } = await lockedState(tx, stockLog);
    // In place: a book made anew for each row of a file would be quadratic.
    const reader = stockReader();
    for (const known of entries) reader.add(known);
    const wrong: { index: number; message: string }[] = [];
    for (const [index, entry] of list.entries()) {
      const problems = [...stockEntryProblems(entry), ...stockMisfits(reader.state(), entry)];
      for (const { path, message } of problems)
        wrong.push({ index, message: `${path.replace('/body/', '')} ${message}` });
      if (problems.length === 0) reader.add({ ...entry, seq: seq + 1 + index, receivedAt: entry.benchTime });
    }
    if (wrong.length > 0) return wrong;
    for (const [index, entry] of list.entries()) await stockLog.insert(tx, seq + 1 + index, entry);
    return [];
  });
}

/** Writes to the end of the logbook of the drawers all that a job has used by now. */
async function tellUse(
  tx: Database,
  { author, benchTime }: Pick<NewStockEntry, 'author' | 'benchTime'>,
  body: StockEntryBody<'used-by'>,
): Promise<void> {
  const { seq } = await lockedState(tx, stockLog);
  await stockLog.insert(tx, seq + 1, { id: randomUUID(), kind: 'used-by', body, author, benchTime });
}

/**
 * Tells the drawers what a job has used by its own logbook, where that is not what they know; in the transaction of the
 * entry that changed it and under its lock on the job, so that neither is ever there without the other. A step that is struck
 * puts back what it took.
 */
export async function settleUse(tx: Database, ticket: string, state: JobState): Promise<void> {
  const last = state.entries.at(-1);
  if (last?.kind !== 'operation-done' && last?.kind !== 'strike') return;
  const used = usedOf(state);
  // Nobody else tells of this job meanwhile: the drawers are locked only where there is something to tell.
  const known = (await stateOf(tx, stockLog)).used.get(ticket) ?? new Map<string, number>();
  if (!isDeepStrictEqual(known, countsByItem(used))) await tellUse(tx, last, { ticket, used });
}

/** A job that was brought in whole: what it used was taken out of other drawers, or out of these long ago. */
export async function settleElsewhere(tx: Database, ticket: string, state: JobState, at: string): Promise<void> {
  const used = usedOf(state);
  const author = state.entries.at(-1)?.author ?? ticket;
  if (used.length > 0) await tellUse(tx, { author, benchTime: at }, { ticket, used, elsewhere: true });
}
