import type { Database } from '../database';
import { importJob, isEmpty } from '../logbook';
import { brackwaterJobs } from './brackwater';

/** Lays down the demo when no job has been opened yet. Says how many tickets it wrote. */
export async function loadDemo(db: Database): Promise<number> {
  if (!(await isEmpty(db))) return 0;
  let written = 0;
  for (const { state, entries } of brackwaterJobs()) {
    const ticket = state.intake?.ticket;
    if (ticket !== undefined && (await importJob(db, ticket, entries)) === 'imported') written += 1;
  }
  return written;
}

export { brackwaterJobs };
