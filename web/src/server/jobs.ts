import 'server-only';
import {
  actualTimes,
  benchQuestion,
  benchSummary,
  customWork,
  inBenchOrder,
  jobPlan,
  judgeJob,
  learnTimes,
  planBasis,
  planEdges,
  quickSchedule,
  runningClocks,
  whatFits,
  type ActualTime,
  type BenchJob,
  type BenchQuestion,
  type BenchSummary,
  type FittingStep,
  type InstrumentType,
  type JobState,
  type LearnedTimes,
  type PlanEdges,
  type RunningClock,
  type ScheduleOutput,
  type ShopState,
} from '@holotonos/core';
import { faultLine, benchJobs, jobByTicket, jobState, shopState } from '@holotonos/store';
import { cache } from 'react';
import { getDb } from './store';

export interface LoadedJob {
  id: string;
  ticket: string;
  state: JobState;
  type: InstrumentType;
}

/** A ticket that is there but says nothing of an instrument: whatever else it says can be taken out whole. */
export async function unreadJob(ticket: string): Promise<UnreadTicket | null> {
  const job = await jobByTicket(getDb(), ticket);
  if (!job) return null;
  const state = await jobState(getDb(), job.id);
  if (state.instrument) return null;
  return { ticket: job.ticket, problem: [...state.unread.values()][0] ?? 'its intake is missing' };
}

/** A job with its state and instrument, or null when there is no such ticket. */
export async function loadJob(ticket: string): Promise<LoadedJob | null> {
  const job = await jobByTicket(getDb(), ticket);
  if (!job) return null;
  const state = await jobState(getDb(), job.id);
  return state.instrument && { ...job, state, type: state.instrument };
}

/** Open tickets the bench works on at most, and how many of those that went home it still shows and learns from. */
const mostOpen = 200;
const mostClosed = 30;

/** What the steps of a job took, worked out once for each state of it and of the shop. */
const actualsOf = new WeakMap<JobState, { shopSeq: number; found: ActualTime[] }>();
function actuals(state: JobState, type: InstrumentType, shop: ShopState): ActualTime[] {
  const known = actualsOf.get(state);
  if (known?.shopSeq === shop.seq) return known.found;
  const found = actualTimes(state, type, customWork(shop));
  actualsOf.set(state, { shopSeq: shop.seq, found });
  return found;
}

type Known = { ticket: string; state: JobState; type: InstrumentType };

/** A ticket that cannot be shown, and why: the others go on without it. */
export interface UnreadTicket {
  ticket: string;
  problem: string;
}

async function knownJobs(): Promise<{ jobs: Known[]; unread: UnreadTicket[]; beyond: number }> {
  const { open, closed, beyond } = await benchJobs(getDb(), mostOpen, mostClosed);
  const rows = [...open, ...closed];
  const states = await Promise.all(
    rows.map(async ({ id, ticket }) => ({ ticket, state: await jobState(getDb(), id) })),
  );
  const unread: UnreadTicket[] = [];
  const jobs = states.flatMap(({ ticket, state }) => {
    if (state.instrument) return [{ ticket, state, type: state.instrument }];
    unread.push({ ticket, problem: [...state.unread.values()][0] ?? 'its intake is missing' });
    return [];
  });
  return { jobs, unread, beyond };
}

/** What a job says of itself, or null where even that cannot be worked out; then it is in the log. */
function orNull<T>(ticket: string, work: () => T): T | null {
  try {
    return work();
  } catch (error) {
    console.error(`${ticket} could not be worked out. ${faultLine(error)}`);
    return null;
  }
}

const learnedFrom = (jobs: readonly Known[], shop: ShopState): LearnedTimes =>
  learnTimes(jobs.flatMap(({ ticket, state, type }) => orNull(ticket, () => actuals(state, type, shop)) ?? []));

/** The shop as it is now; read once for a page, however many of its parts ask. */
export const readShop = cache((): Promise<ShopState> => shopState(getDb()));

/** The shop, with what its clock has taught it. */
export async function loadShop(): Promise<{ shop: ShopState; learned: LearnedTimes }> {
  const [shop, { jobs }] = await Promise.all([readShop(), knownJobs()]);
  return { shop, learned: learnedFrom(jobs, shop) };
}

let lastZone: string | null = null;

/**
 * The time zone of the shop. The frame of every page asks, those too that say that the database does not answer: then
 * the last one known stands, or the machine's.
 */
export async function shopZone(): Promise<string> {
  try {
    lastZone = (await readShop()).hours.timeZone;
  } catch {
    // The page itself says what is wrong.
  }
  return lastZone ?? new Intl.DateTimeFormat().resolvedOptions().timeZone;
}

/** Everything the bench shows: its tickets, a schedule made at once, the clocks that run, what fits into a gap. */
export interface Bench {
  summaries: BenchSummary[];
  question: BenchQuestion;
  schedule: ScheduleOutput | null;
  /** why there is no schedule */
  unscheduled: string | null;
  order: PlanEdges[];
  fits: FittingStep[];
  clocks: (RunningClock & { ticket: string })[];
  shop: ShopState;
  unread: UnreadTicket[];
  /** open tickets too many to be worked out */
  beyond: number;
}

/** The bench as it is now, tickets in the order they need hands. */
export async function loadBench(now: string): Promise<Bench> {
  const [shop, { jobs: known, unread, beyond }] = await Promise.all([readShop(), knownJobs()]);
  const basis = planBasis(shop, learnedFrom(known, shop));
  const summaries: BenchSummary[] = [];
  const jobs: BenchJob[] = [];
  const clocks: Bench['clocks'] = [];
  for (const { ticket, state, type } of known) {
    const worked = orNull(ticket, () => {
      const judgement = judgeJob(state, type);
      const plan = jobPlan(state, type, judgement, now, basis);
      return { plan, summary: benchSummary(state, type, { judgement, plan }, now) };
    });
    if (!worked) unread.push({ ticket, problem: 'what is written in it does not fit together' });
    if (!worked?.summary) continue;
    const { plan, summary } = worked;
    summaries.push({ ...summary, ticket });
    jobs.push({ ticket, dueBy: summary.dueBy, state, plan });
    const titles = new Map(plan.steps.map(({ id, title }) => [id, title]));
    const highs = new Map(plan.steps.map(({ id, minutes }) => [id, minutes.high]));
    clocks.push(
      ...runningClocks(state, titles, highs, now, shop.hours.timeZone).map((clock) => ({ ...clock, ticket })),
    );
  }
  const open = jobs.filter(({ state }) => !state.signOff);
  const question = benchQuestion(open, shop, now);
  let schedule: ScheduleOutput | null = null;
  let unscheduled: string | null = null;
  try {
    schedule = quickSchedule(question.input);
  } catch (error) {
    // A shop without hours, or a step nobody can do: the bench is shown all the same, and says so.
    unscheduled = (error as Error).message;
  }
  const fits = whatFits(
    open.map(({ ticket, dueBy, plan }) => ({ ticket, dueBy, steps: plan.steps })),
    Infinity,
  );
  return {
    summaries: summaries.sort(inBenchOrder),
    question,
    schedule,
    unscheduled,
    order: planEdges(open),
    fits,
    clocks,
    shop,
    unread,
    beyond,
  };
}
