import {
  entryProblems,
  foldEntries,
  emptyJobState,
  misfits,
  readEntry,
  type Entry,
  type JobState,
  type NewEntry,
} from '@holotonos/core';
import { and, asc, desc, eq, gt, ne, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { sqlState, type Database } from './database';
import { onOtherDatabase, stampSql } from './guard';
import { sealed, unsealed } from './owners/personal';
import { answerKnown, appendTo, lockedState, stateOf, type AppendedTo, type KeptLog } from './keptLog';
import type { PreparedPhoto } from './photos';
import { bareSerial, entries, jobs, photos } from './schema';
import { settleElsewhere, settleUse } from './stock';
import { writeSummary } from './summaries';

export interface JobRow {
  id: string;
  ticket: string;
}

export type Appended = AppendedTo<Entry> | { status: 'no-job' };

/** What a ticket can be called; nothing else is asked of the database. */
export const ticketPattern = /^[A-Za-z0-9][A-Za-z0-9-]{0,19}$/;

/** The job with this ticket, or null. */
export async function jobByTicket(db: Database, ticket: string): Promise<JobRow | null> {
  if (!ticketPattern.test(ticket)) return null;
  const [row] = await db.select({ id: jobs.id, ticket: jobs.ticket }).from(jobs).where(eq(jobs.ticket, ticket));
  return row ?? null;
}

/** Tickets by the id of their job. A job keeps its ticket, so what was once read stays true. */
const tickets = new LRUCache<string, string>({ max: 5000 });
onOtherDatabase(() => tickets.clear());

/** The ticket of a job, or null when there is no such job. */
export async function ticketOf(db: Database, jobId: string): Promise<string | null> {
  const known = tickets.get(jobId);
  if (known !== undefined) return known;
  const [row] = await db.select({ ticket: jobs.ticket }).from(jobs).where(eq(jobs.id, jobId));
  if (row) tickets.set(jobId, row.ticket);
  return row?.ticket ?? null;
}

/** Entries of a job after sequence number `after`, in order; at most `limit` of them when one is given. */
export async function jobEntries(db: Database, jobId: string, after = 0, limit?: number): Promise<Entry[]> {
  const query = db
    .select()
    .from(entries)
    .where(and(eq(entries.jobId, jobId), gt(entries.seq, after)))
    .orderBy(asc(entries.seq));
  const rows = await (limit === undefined ? query : query.limit(limit));
  return (await unsealed(db, rows)).map(readEntry);
}

async function insertEntry(db: Database, jobId: string, seq: number, entry: NewEntry): Promise<Entry> {
  const { id, kind, author, benchTime } = entry;
  const [kept] = await sealed(db, jobId, [entry]);
  const [row] = await db
    .insert(entries)
    .values({ jobId, seq, id, kind, body: kept?.body, author, benchTime })
    .returning();
  if (!row) throw new Error('insert returned no row');
  return readEntry({ ...row, body: entry.body });
}

/** The logbook of a job, as the one engine of `keptLog` wants it. */
const jobLog = (jobId: string): KeptLog<JobState, NewEntry, Entry> => ({
  name: `job ${jobId}`,
  rules: { empty: emptyJobState, misfits, fold: foldEntries },
  after: (db, seq) => jobEntries(db, jobId, seq),
  lock: async (tx) => {
    const { rows } = await tx.execute<{ stamp: string }>(
      sql`select ${stampSql} as stamp from ${jobs} where ${jobs.id} = ${jobId} for update`,
    );
    return rows[0]?.stamp ?? '';
  },
  insert: (tx, seq, entry) => insertEntry(tx, jobId, seq, entry),
  written: async (tx, state, at) => {
    const ticket = await ticketOf(tx, jobId);
    if (ticket === null) return;
    await writeSummary(tx, { id: jobId, ticket }, state, at);
    await settleUse(tx, ticket, state);
  },
});

/** The state of a job as the database has it now. Reads only what came since this process last looked. */
export const jobState = (db: Database, jobId: string): Promise<JobState> => stateOf(db, jobLog(jobId));

/** Locks a job until the end of the transaction and gives its state, see `lockedState`. */
export const lockJob = (tx: Database, jobId: string): Promise<JobState> => lockedState(tx, jobLog(jobId));

/** Writes one entry to the end of a job's logbook, see `appendTo`. */
export async function appendEntry(db: Database, ticket: string, entry: NewEntry): Promise<Appended> {
  const problems = entryProblems(entry);
  if (problems.length > 0) return { status: 'refused', problems };
  const job = await jobByTicket(db, ticket);
  return job ? appendTo(db, jobLog(job.id), entry) : { status: 'no-job' };
}

/** Rows one statement carries: PostgreSQL takes 65 535 parameters at most. */
const rowsPerStatement = 1000;

/** Checked entries at the end of a job, inside the caller's transaction and under its lock on the job. */
export async function appendRows(
  tx: Database,
  job: JobRow,
  state: JobState,
  list: readonly NewEntry[],
  onRows?: (rows: number) => void,
): Promise<void> {
  if (list.length === 0) return;
  const receivedAt = new Date().toISOString();
  const kept = list.map((entry, i): Entry => ({ ...entry, seq: state.seq + 1 + i, receivedAt }));
  await insertRows(tx, rowsOf(job.id, kept), onRows);
  await writeSummary(tx, job, foldEntries(state, kept), receivedAt);
}

const rowsOf = (jobId: string, list: readonly Entry[]): (typeof entries.$inferInsert)[] =>
  list.map(({ id, seq, kind, body, author, benchTime, receivedAt }) => ({
    jobId,
    seq,
    id,
    kind,
    body,
    author,
    benchTime,
    receivedAt,
  }));

/** Many entries in as few statements as can be; the caller's transaction makes them all or none. */
async function insertRows(
  db: Database,
  rows: readonly (typeof entries.$inferInsert)[],
  onRows?: (rows: number) => void,
): Promise<void> {
  for (let at = 0; at < rows.length; at += rowsPerStatement) {
    const some = rows.slice(at, at + rowsPerStatement);
    const [first] = some;
    if (first) await db.insert(entries).values(await sealed(db, first.jobId, some));
    onRows?.(at + some.length);
  }
}

export type Opened = Appended | { status: 'ticket-taken' };

/** Opens a job with its intake entry. The same intake sent again answers as the first time. */
export async function openJob(db: Database, entry: NewEntry): Promise<Opened> {
  const problems = entryProblems(entry);
  if (problems.length > 0) return { status: 'refused', problems };
  if (entry.kind !== 'intake') return { status: 'refused', problems: [{ path: '/kind', message: 'must be intake' }] };
  const unfit = misfits(emptyJobState, entry);
  if (unfit.length > 0) return { status: 'refused', problems: unfit };
  try {
    return await db.transaction(async (tx): Promise<Opened> => {
      const [job] = await tx.insert(jobs).values({ ticket: entry.body.ticket }).returning();
      if (!job) throw new Error('insert returned no row');
      const first = await insertEntry(tx, job.id, 1, entry);
      await writeSummary(tx, job, foldEntries(emptyJobState, [first]), first.receivedAt);
      return { status: 'stored', entry: first, known: false };
    });
  } catch (error) {
    if (sqlState(error) !== '23505') throw error;
    const job = await jobByTicket(db, entry.body.ticket);
    const [first] = job ? await jobEntries(db, job.id) : [];
    if (first?.id !== entry.id) return { status: 'ticket-taken' };
    return answerKnown(entry, first);
  }
}

/** A whole logbook laid down at once, or nothing at all. */
export async function importJob(
  db: Database,
  ticket: string,
  list: readonly Entry[],
  pictures: readonly { id: string; photo: PreparedPhoto }[] = [],
): Promise<'imported' | 'ticket-taken'> {
  try {
    await db.transaction(async (tx) => {
      const [job] = await tx.insert(jobs).values({ ticket }).returning();
      if (!job) throw new Error('insert returned no row');
      const kept = list.map((entry, i): Entry => ({ ...entry, seq: i + 1 }));
      await insertRows(tx, rowsOf(job.id, kept));
      const state = foldEntries(emptyJobState, kept);
      const now = new Date().toISOString();
      await writeSummary(tx, job, state, now);
      await settleElsewhere(tx, ticket, state, now);
      for (const { id, photo } of pictures) await tx.insert(photos).values({ jobId: job.id, id, ...photo });
    });
    return 'imported';
  } catch (error) {
    if (sqlState(error) === '23505') return 'ticket-taken';
    throw error;
  }
}

/**
 * Tickets whose intake has this serial, by its letters and figures, newest first; the one that asks is left out. 20 at most.
 * Whether the maker speaks against it, `sameInstrument` says.
 */
export async function ticketsOfSerial(db: Database, serial: string, except: string): Promise<string[]> {
  const asked = bareSerial(sql`${serial}::text`);
  const rows = await db
    .select({ ticket: jobs.ticket, openedAt: jobs.openedAt })
    .from(entries)
    .innerJoin(jobs, eq(jobs.id, entries.jobId))
    .where(
      and(
        eq(entries.kind, 'intake'),
        sql`${asked} <> ''`,
        sql`${bareSerial(sql`${entries.body}->>'serial'`)} = ${asked}`,
        ne(jobs.ticket, except),
      ),
    )
    .groupBy(jobs.ticket, jobs.openedAt)
    .orderBy(desc(jobs.openedAt))
    .limit(20);
  return rows.map(({ ticket }) => ticket);
}

/** Passes that are gone through for the jobs they stand in. */
const mostPasses = 2000;

/** Tickets in which passes of corrections were made, the one with the newest pass first, at most `limit`. */
export async function ticketsWithPasses(db: Database, limit: number): Promise<string[]> {
  const newest = db.$with('newest').as(
    db
      .select({ jobId: entries.jobId, receivedAt: entries.receivedAt })
      .from(entries)
      .where(sql`${entries.kind} = 'pass'`)
      .orderBy(desc(entries.receivedAt))
      .limit(mostPasses),
  );
  const rows = await db
    .with(newest)
    .select({ ticket: jobs.ticket })
    .from(newest)
    .innerJoin(jobs, eq(jobs.id, newest.jobId))
    .groupBy(jobs.ticket)
    .orderBy(desc(sql`max(${newest.receivedAt})`), jobs.ticket)
    .limit(limit);
  return rows.map(({ ticket }) => ticket);
}

/** The newest jobs, at most `limit`. */
export async function listJobs(db: Database, limit = 100): Promise<JobRow[]> {
  return db
    .select({ id: jobs.id, ticket: jobs.ticket })
    .from(jobs)
    .orderBy(desc(jobs.openedAt), asc(jobs.ticket))
    .limit(limit);
}

/** True when no job has been opened yet. */
export async function isEmpty(db: Database): Promise<boolean> {
  return (await listJobs(db, 1)).length === 0;
}
