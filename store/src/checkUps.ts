import type { BenchSummary } from '@holotonos/core';
import { and, asc, eq, sql } from 'drizzle-orm';
import type { Database } from './database';
import { bareSerial, entries, isStruck, jobs, summaries } from './schema';

/** An instrument that went home with a day to be looked at again. */
export interface CheckUp {
  ticket: string;
  /** as 2026-11-29 */
  day: string;
  signedBy: string;
  /** ISO 8601 */
  signedAt: string;
  owner: string;
  instrument: string;
  maker: string;
  made: string;
  /** when the owner was reminded last, and how; null where nobody has */
  reminded: { at: string; by: string } | null;
}

/**
 * Check-ups that were agreed at sign-off, the nearest day first. One whose instrument has come back since, by its serial, is
 * over: the later ticket has its own.
 *
 * @param until days after it are left out, as 2026-11-29
 * @param limit at most so many
 */
export async function checkUps(db: Database, until: string, limit: number): Promise<CheckUp[]> {
  const day = sql<string>`${entries.body} ->> 'checkUp'`;
  const rows = await db
    .select({
      ticket: jobs.ticket,
      day,
      signedBy: entries.author,
      signedAt: entries.benchTime,
      summary: sql<BenchSummary | null>`${summaries.row} -> 'summary'`,
      reminded: sql<{ at: string; by: string } | null>`(
        select jsonb_build_object('at', r.bench_time, 'by', r.body ->> 'by') from entries r
        where r.job_id = ${entries.jobId} and r.kind = 'reminder' and r.seq > ${entries.seq} and not ${isStruck('r')}
        order by r.seq desc limit 1)`,
    })
    .from(entries)
    .innerJoin(jobs, eq(jobs.id, entries.jobId))
    .innerJoin(summaries, eq(summaries.jobId, entries.jobId))
    .where(
      and(
        eq(entries.kind, sql.raw(`'sign-off'`)),
        sql`${day} <= ${until}`,
        sql`not ${isStruck('entries')}`,
        sql`not exists (
          select 1 from entries own join entries later on later.kind = 'intake'
            and ${bareSerial(sql`later.body ->> 'serial'`)} = ${bareSerial(sql`own.body ->> 'serial'`)}
          where own.job_id = ${entries.jobId} and own.seq = 1 and own.kind = 'intake'
            and ${bareSerial(sql`own.body ->> 'serial'`)} <> ''
            and later.job_id <> own.job_id and later.received_at > ${entries.receivedAt})`,
      ),
    )
    .orderBy(asc(day), sql`${jobs.ticket} collate "C"`)
    .limit(limit);
  return rows.map(({ summary, reminded, signedAt, ...row }) => ({
    ...row,
    signedAt: new Date(signedAt).toISOString(),
    owner: summary?.owner ?? '',
    instrument: summary?.instrument ?? '',
    maker: summary?.maker ?? '',
    made: summary?.made ?? '',
    reminded: reminded && { ...reminded, at: new Date(reminded.at).toISOString() },
  }));
}
