import { createHash } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import {
  bareName,
  benchRow,
  customWork,
  learnTimes,
  outcomesOf,
  planBasis,
  type BenchRow,
  type BenchSummary,
  type Family,
  type FindingKind,
  type JobState,
  type KnownOutcome,
  type LearnedTimes,
  type PlanBasis,
  type ShopState,
  type TicketNeed,
  type TimesSeen,
} from '@holotonos/core';
import { and, asc, desc, eq, gt, inArray, isNull, like, lte, ne, or, sql, type SQL } from 'drizzle-orm';
import type { Database } from './database';
import { faultLine } from './faults';
import { entries, jobs, outcomes, stepTimes, summaries } from './schema';
import { shopState } from './shop';

/** How a ticket stands; the order in which lists show them. */
export const standings = ['ready', 'waiting', 'over', 'unread'] as const;
export type Standing = (typeof standings)[number];
const rankOf = (standing: Standing) => standings.indexOf(standing);

/** What a summary is worked out with besides its logbook: the shop's own work, and this program. */
export interface SummaryBasis {
  plan: PlanBasis;
  key: string;
}

/** Which program works the summaries out; another may judge and plan otherwise. Named by whoever starts it. */
const program = () => process.env.HOLOTONOS_SOURCES ?? '';

/** The basis that holds for a shop. Its cautions change no summary. */
export function basisOf(shop: ShopState): SummaryBasis {
  const text = JSON.stringify([program(), customWork(shop) ?? null]);
  return { plan: planBasis(shop), key: createHash('sha256').update(text).digest('base64url') };
}

type Values = typeof summaries.$inferInsert;

/** Why a logbook says nothing of an instrument. */
export const whyUnread = (state: JobState): string => [...state.unread.values()][0] ?? 'its intake is missing';

/** Works out the row of a job. Total: what cannot be worked out is said in its place. */
function summaryOf(jobId: string, ticket: string, state: JobState, basis: SummaryBasis, now: string): Values {
  const plain = { jobId, ticket, seq: state.seq, basis: basis.key, changesAt: null, dueBy: null, row: null };
  const unread = (problem: string): Values => ({
    ...plain,
    standing: rankOf('unread'),
    minutesLeft: 0,
    clocksRun: false,
    words: ticket.toLowerCase(),
    problem,
  });
  if (!state.instrument) return unread(whyUnread(state));
  let row: BenchRow | null;
  try {
    row = benchRow(state, state.instrument, basis.plan, now);
  } catch (error) {
    console.error(`${ticket} could not be worked out. ${faultLine(error)}`);
    return unread('what is written in it does not fit together');
  }
  if (!row) return unread(whyUnread(state));
  const { summary, steps, clocks, changesAt } = row;
  const { owner, instrument, maker, made, dueBy, signedOff, next } = summary;
  const serial = state.intake?.serial ?? '';
  return {
    ...plain,
    changesAt,
    standing: rankOf(signedOff ? 'over' : next === null ? 'waiting' : 'ready'),
    dueBy,
    minutesLeft: Math.round(
      steps.reduce((sum, { table, status }) => sum + (status === 'curing' ? 0 : table.likely), 0),
    ),
    clocksRun: clocks.length > 0,
    words: [ticket, owner, instrument, maker, made, serial, bareName(serial)].join(' ').toLowerCase(),
    // A ticket is known by the name of its row, whatever its intake says.
    row: { ...row, ticket, summary: { ...summary, ticket } },
    problem: null,
  };
}

type Times = typeof stepTimes.$inferInsert;
type Settled = typeof outcomes.$inferInsert;

/** Do two lists of rows say the same, in whatever order? */
const sameRows = <Row>(told: (row: Row) => unknown[], a: readonly Row[], b: readonly Row[]): boolean => {
  const lines = (list: readonly Row[]) => list.map((row) => JSON.stringify(told(row))).sort();
  return isDeepStrictEqual(lines(a), lines(b));
};
const timeTold = ({ kind, family, person, logs, squares, times, since }: Times) => [
  ...[kind, family, person, logs, squares, times],
  Date.parse(since ?? ''),
];
const settledTold = ({ finding, ticket, family, kind, part, foundAt, serial, maker, told }: Settled) => [
  ...[finding, ticket, family, kind, part, Date.parse(foundAt), serial, maker],
  // JSON in the database keeps its keys in an order of its own.
  [told.place, told.cause?.kind, told.cause?.part, told.wasNone],
  told.cures.map(({ step, minutes, at, cameBack }) => [step, minutes, at, cameBack]),
];

/** What became of the faults of a job, as rows; none of a job that cannot be read. */
function settledOf(jobId: string, ticket: string, state: JobState): Settled[] {
  const { instrument, intake } = state;
  if (!instrument || !intake) return [];
  const { serial = '', maker = '' } = intake;
  try {
    return outcomesOf(state, instrument).map(({ finding, kind, part, foundAt, ...told }) => ({
      ...{ jobId, ticket, family: instrument.family, serial, maker },
      ...{ finding, kind, part, foundAt, told },
    }));
  } catch (error) {
    console.error(`What became of the faults of ${ticket} could not be worked out. ${faultLine(error)}`);
    return [];
  }
}

/** Writes what lists show of a job, in the caller's transaction and under its lock on the job. */
export async function writeSummary(
  tx: Database,
  { id, ticket }: { id: string; ticket: string },
  state: JobState,
  now: string,
): Promise<void> {
  const values = summaryOf(id, ticket, state, basisOf(await shopState(tx)), now);
  const { jobId, ...set } = values;
  await tx.insert(summaries).values(values).onConflictDoUpdate({ target: summaries.jobId, set });
  // Most entries end no step; but the table they are held against may be another, so what stands there decides.
  const seen = (values.row?.times ?? []).map((time) => ({ jobId, ...time }));
  const before = await tx.select().from(stepTimes).where(eq(stepTimes.jobId, jobId));
  if (!sameRows(timeTold, before, seen)) {
    await tx.delete(stepTimes).where(eq(stepTimes.jobId, jobId));
    if (seen.length > 0) await tx.insert(stepTimes).values(seen);
  }
  const settled = settledOf(jobId, ticket, state);
  const known = await tx.select().from(outcomes).where(eq(outcomes.jobId, jobId));
  if (!sameRows(settledTold, known, settled)) {
    await tx.delete(outcomes).where(eq(outcomes.jobId, jobId));
    if (settled.length > 0) await tx.insert(outcomes).values(settled);
  }
}

/** Jobs whose summary is missing or no longer true, at most `limit` of them. */
export async function outdatedJobs(
  db: Database,
  basis: string,
  now: string,
  limit: number,
): Promise<{ id: string; ticket: string }[]> {
  // Rows that came past this program count too: its logbook may have grown without it.
  const more = sql`exists (select 1 from ${entries} e where e.job_id = ${jobs.id} and e.seq > ${summaries.seq})`;
  return db
    .select({ id: jobs.id, ticket: jobs.ticket })
    .from(jobs)
    .leftJoin(summaries, eq(summaries.jobId, jobs.id))
    .where(or(isNull(summaries.jobId), ne(summaries.basis, basis), lte(summaries.changesAt, now), more))
    .orderBy(asc(summaries.standing), asc(summaries.dueBy), asc(jobs.ticket))
    .limit(limit);
}

/** What a list of tickets is asked for. */
export interface ListQuestion {
  /** how they stand; all when none is named */
  standing?: readonly Standing[];
  /** words that all must be found in ticket, owner, instrument, maker, making or serial */
  search?: string;
  limit: number;
  offset?: number;
}

const escaped = (word: string) => word.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`);
const mostWords = 8;

/** All words of a search are in what a ticket can be searched by. */
export const hasWords = (search: string): SQL[] =>
  search
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .slice(0, mostWords)
    .map((word) => like(summaries.words, `%${escaped(word)}%`));

const matching = ({ standing = [], search = '' }: Pick<ListQuestion, 'standing' | 'search'>): SQL | undefined =>
  and(...(standing.length > 0 ? [inArray(summaries.standing, standing.map(rankOf))] : []), ...hasWords(search));

/** The nearest date first, those without one last; then by number. */
const byDate = sql`${summaries.dueBy} asc nulls last, ${summaries.ticket} collate "C"`;

export interface TicketLine {
  ticket: string;
  standing: Standing;
  /** null where it cannot be shown; then `problem` says why */
  summary: BenchSummary | null;
  problem: string | null;
}

/** A page of the list of tickets, in the order they need hands, and how many there are in all. */
export async function listTickets(
  db: Database,
  question: ListQuestion,
): Promise<{ lines: TicketLine[]; total: number }> {
  const where = matching(question);
  const [rows, [all]] = await Promise.all([
    db
      .select({
        ticket: summaries.ticket,
        standing: summaries.standing,
        summary: sql<BenchSummary | null>`${summaries.row} -> 'summary'`,
        problem: summaries.problem,
      })
      .from(summaries)
      .where(where)
      // Work that can start now comes before work that waits.
      .orderBy(asc(summaries.standing), byDate)
      .limit(question.limit)
      .offset(question.offset ?? 0),
    db
      .select({ total: sql<number>`count(*)::int` })
      .from(summaries)
      .where(where),
  ]);
  return {
    lines: rows.map((row) => ({ ...row, standing: standings[row.standing] ?? 'unread' })),
    total: all?.total ?? 0,
  };
}

/** Open tickets whose turn comes first. */
export interface NearRows {
  rows: BenchRow[];
  /** open tickets that come after them */
  later: number;
}

/**
 * The open tickets in the order of their dates, as many as fill so many minutes of work, and how many come later.
 *
 * @param fewest tickets that are given in any case
 * @param most tickets that are given at most
 */
export async function nearRows(
  db: Database,
  { minutes, fewest, most }: { minutes: number; fewest: number; most: number },
): Promise<NearRows> {
  const open = inArray(summaries.standing, [rankOf('ready'), rankOf('waiting')]);
  const ranked = db.$with('ranked').as(
    db
      .select({
        jobId: summaries.jobId,
        place: sql<number>`row_number() over (order by ${byDate})`.as('place'),
        before: sql<number>`sum(${summaries.minutesLeft}) over (order by ${byDate}) - ${summaries.minutesLeft}`.as(
          'before',
        ),
      })
      .from(summaries)
      .where(open),
  );
  const [rows, [all]] = await Promise.all([
    db
      .with(ranked)
      .select({ row: summaries.row })
      .from(ranked)
      .innerJoin(summaries, eq(summaries.jobId, ranked.jobId))
      .where(and(lte(ranked.place, most), or(lte(ranked.place, fewest), sql`${ranked.before} < ${minutes}`)))
      .orderBy(ranked.place),
    db
      .select({ open: sql<number>`count(*)::int` })
      .from(summaries)
      .where(open),
  ]);
  const found = rows.flatMap(({ row }) => row ?? []);
  return { rows: found, later: (all?.open ?? 0) - found.length };
}

/** Tickets in which a clock runs; at most `limit`. */
export async function rowsWithClocks(db: Database, limit: number): Promise<BenchRow[]> {
  const rows = await db
    .select({ row: summaries.row })
    .from(summaries)
    .where(eq(summaries.clocksRun, true))
    .orderBy(asc(summaries.ticket))
    .limit(limit);
  return rows.flatMap(({ row }) => row ?? []);
}

/** Lines of need that are looked at: more of them no order holds. */
const mostNeeds = 5000;

/** What the open tickets will still take out of the drawers, ticket by ticket. */
export async function openNeeds(db: Database): Promise<TicketNeed[]> {
  const { rows } = await db.execute<{ ticket: string; item: string; count: number }>(sql`
    select ${summaries.ticket} as ticket, need ->> 'item' as item, (need ->> 'count')::float8 as count
    from ${summaries}, jsonb_array_elements(${summaries.row} -> 'needs') need
    where ${inArray(summaries.standing, [rankOf('ready'), rankOf('waiting')])}
    order by ${summaries.ticket} collate "C", need ->> 'item'
    limit ${mostNeeds}`);
  return rows;
}

/** Kinds of work by people that are looked at: a shop has some hundreds. */
const mostTimes = 5000;

/** What each person's clock says of each kind of work on each family, over every job there is. */
export async function timesSeen(db: Database): Promise<TimesSeen[]> {
  const { kind, family, person } = stepTimes;
  const rows = await db
    .select({
      kind,
      family,
      person,
      logs: sql<number>`sum(${stepTimes.logs})`,
      squares: sql<number>`sum(${stepTimes.squares})`,
      times: sql<number>`sum(${stepTimes.times})::int`,
      since: sql<string>`min(${stepTimes.since})`,
    })
    .from(stepTimes)
    .where(gt(stepTimes.times, 0))
    .groupBy(kind, family, person)
    .orderBy(kind, family, person)
    .limit(mostTimes);
  return rows.map((row) => ({ ...row, since: new Date(row.since).toISOString() }));
}

/**
 * What the shop's own clock says of the table's times, learned from every job there is.
 *
 * @param aside lessons that are doubted: they are left out
 */
export async function learnedTimes(db: Database, aside: Lessons = []): Promise<LearnedTimes> {
  return learnTimes(await timesSeen(db), aside);
}
type Lessons = ShopState['lessonsAside'];

/** Faults of one kind that are remembered at once, newest first: older ones are of another shop by now. */
const mostOutcomes = 500;

/** What became of the faults of one kind on one family, newest first. */
export async function knownOutcomes(db: Database, family: Family, kind: FindingKind): Promise<KnownOutcome[]> {
  const rows = await db
    .select()
    .from(outcomes)
    .where(and(eq(outcomes.family, family), eq(outcomes.kind, kind)))
    .orderBy(desc(outcomes.foundAt), outcomes.finding)
    .limit(mostOutcomes);
  return rows.map(({ jobId: _, told, foundAt, ...row }) => ({
    ...row,
    ...told,
    foundAt: new Date(foundAt).toISOString(),
  }));
}

/** How often each kind of fault was settled on each family; the most frequent first, 300 at most. */
export const outcomeCounts = (db: Database): Promise<{ family: Family; kind: FindingKind; times: number }[]> =>
  db
    .select({ family: outcomes.family, kind: outcomes.kind, times: sql<number>`count(*)::int` })
    .from(outcomes)
    .groupBy(outcomes.family, outcomes.kind)
    .orderBy(desc(sql`count(*)`), outcomes.family, outcomes.kind)
    .limit(300);
