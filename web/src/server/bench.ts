import 'server-only';
import {
  benchJob,
  benchQuestion,
  minutesOfWeek,
  planEdges,
  runningClocks,
  whatFits,
  type BenchJob,
  type BenchQuestion,
  type BenchSummary,
  type FittingStep,
  type PlanEdges,
  type RunningClock,
  type ScheduleOutput,
  type ShopState,
} from '@holotonos/core';
import {
  faultLine,
  listTickets,
  nearRows,
  refreshSummaries,
  rowsWithClocks,
  type ListQuestion,
  type TicketLine,
} from '@holotonos/store';
import { loadShop, type ShopNow, type UnreadTicket } from './jobs';
import { scheduleNow } from './solving';
import { getDb } from './store';

/** Summaries that are no longer true are worked out for a page itself up to here; more of them, beside it. */
const mostBeforePage = 8;
/** The schedule reaches over so many weeks of the shop's hands, over these many tickets in any case, and never over more. */
const reach = { weeks: 4, fewest: 30, most: 80 } as const;
const mostClocks = 50;
const mostUnread = 20;

const kept = globalThis as { holotonosRefreshing?: Promise<void> | null };

/** Brings the lists up to date as far as a page can wait for; the rest goes on beside it. Says whether there is a rest. */
export async function bringUpToDate(now: string): Promise<boolean> {
  const { left } = await refreshSummaries(getDb(), now, mostBeforePage);
  if (left)
    kept.holotonosRefreshing ??= refreshSummaries(getDb(), now)
      .then(
        () => undefined,
        (error: unknown) => console.error(`The lists could not be brought up to date. ${faultLine(error)}`),
      )
      .finally(() => {
        kept.holotonosRefreshing = null;
      });
  return left;
}

/** The open tickets whose turn comes first, as work for hands, with a schedule made at once. */
export interface NearWork {
  shop: ShopState;
  summaries: BenchSummary[];
  question: BenchQuestion;
  schedule: ScheduleOutput | null;
  /** why there is no schedule */
  unscheduled: string | null;
  order: PlanEdges[];
  fits: FittingStep[];
  /** open tickets that come after those of the schedule */
  later: number;
}

async function nearWork({ shop, learned }: ShopNow, now: string): Promise<NearWork> {
  const { weeks, fewest, most } = reach;
  const { rows, later } = await nearRows(getDb(), { minutes: weeks * minutesOfWeek(shop), fewest, most });
  const jobs = rows.map((row): BenchJob => benchJob(row, now, learned));
  // By the minute: whoever looks within the same one is shown the same schedule.
  const question = benchQuestion(jobs, shop, `${now.slice(0, 16)}:00.000Z`);
  // A shop without hours, or a step nobody can do: the bench is shown all the same, and says so.
  const { schedule, why } = await scheduleNow(question.input);
  return {
    shop,
    summaries: rows.map(({ summary }) => summary),
    question,
    schedule,
    unscheduled: schedule ? null : (why ?? ''),
    order: planEdges(jobs),
    fits: whatFits(jobs, Infinity),
    later,
  };
}

/** What the week and the calendar show: the work that comes first. */
export async function loadWeek(now: string): Promise<NearWork> {
  await bringUpToDate(now);
  return nearWork(await loadShop(), now);
}

/** Everything the bench shows: a page of its tickets, and beside it the day, the clocks that run, what fits into a gap. */
export interface Bench extends NearWork {
  lines: TicketLine[];
  /** tickets that answer the question, on this page or another */
  total: number;
  clocks: (RunningClock & { ticket: string })[];
  unread: UnreadTicket[];
  /** the lists are still being brought up to date */
  behind: boolean;
}

/** The bench as it is now; its tickets in the order they need hands. */
export async function loadBench(now: string, asked: ListQuestion): Promise<Bench> {
  const behind = await bringUpToDate(now);
  const known = await loadShop();
  const { shop, learned } = known;
  const db = getDb();
  const standing = asked.standing ?? ['ready', 'waiting', 'over'];
  const [work, { lines, total }, unread, running] = await Promise.all([
    nearWork(known, now),
    listTickets(db, { ...asked, standing }),
    listTickets(db, { standing: ['unread'], limit: mostUnread }),
    rowsWithClocks(db, mostClocks),
  ]);
  return {
    ...work,
    lines,
    total,
    clocks: running.flatMap((row) => {
      const highs = new Map(benchJob(row, now, learned).open.map(({ id, minutes }) => [id, minutes.high]));
      return runningClocks(row.clocks, highs, now, shop.hours.timeZone).map((clock) => ({
        ...clock,
        ticket: row.ticket,
      }));
    }),
    unread: unread.lines.map(({ ticket, problem }) => ({ ticket, problem: problem ?? '' })),
    behind,
  };
}
