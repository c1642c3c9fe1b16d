import 'server-only';
import { benchSummary, inBenchOrder, type BenchSummary, type InstrumentType, type JobState } from '@holotonos/core';
import { jobByTicket, jobState, listJobs } from '@holotonos/store';
import { getDb } from './store';

export interface LoadedJob {
  id: string;
  ticket: string;
  state: JobState;
  type: InstrumentType;
}

/** A job with its state and instrument, or null when there is no such ticket. */
export async function loadJob(ticket: string): Promise<LoadedJob | null> {
  const job = await jobByTicket(getDb(), ticket);
  if (!job) return null;
  const state = await jobState(getDb(), job.id);
  return state.instrument && { ...job, state, type: state.instrument };
}

/** Tickets the bench shows at most; older ones are found by their number. */
const mostTickets = 60;

/** The tickets on the bench, in the order they need hands. */
export async function loadBench(now: string): Promise<BenchSummary[]> {
  const rows = await listJobs(getDb(), mostTickets);
  const summaries = await Promise.all(
    rows.map(async ({ id, ticket }) => {
      const state = await jobState(getDb(), id);
      const summary = state.instrument && benchSummary(state, state.instrument, now);
      return summary && { ...summary, ticket };
    }),
  );
  return summaries.filter((summary) => summary !== null).sort(inBenchOrder);
}
